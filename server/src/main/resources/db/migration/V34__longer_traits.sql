-- What titles have in common may be as long as a text that findings share, with what it is of before it.
alter table cause_note alter column trait set data type varchar(2100);
