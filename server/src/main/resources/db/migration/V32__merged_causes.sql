-- The name under which a person merged a cause with others.
alter table cause_note add column merged varchar(300) default '' not null;
