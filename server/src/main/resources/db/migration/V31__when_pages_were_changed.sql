-- The day on which a page was changed last, as it says itself; known from the next sweep on.
alter table item add column modified varchar(40) default '' not null;
alter table item_before add column modified varchar(40) default '' not null;
