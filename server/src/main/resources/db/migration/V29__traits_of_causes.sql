-- What is said of a cause tells it by what else its items have in common, too.
alter table cause_note add column trait varchar(2000) default '' not null;
