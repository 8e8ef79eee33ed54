-- Every index of a row is written with the row. Few items are the same page as another: which, stands in a table of its own.
create table twin (
    item_id bigint primary key,
    twin_of bigint not null
);
create index twin_of_item on twin (twin_of);
insert into twin (item_id, twin_of) select id, twin_of from item where twin_of is not null;
drop index item_twin;
alter table item drop column twin_of;

-- Captures are looked for by their own ids only.
drop index capture_item;
