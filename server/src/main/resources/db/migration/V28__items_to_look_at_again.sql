-- Items with certain findings stand on review lists too; the place is the filter that shows them.
alter table review add column place varchar(20000) default '' not null;
