-- What a page says, whatever its address: pages that say the same at variants of one address are one page.
alter table item add column text_hash bigint default 0 not null;
alter table item add column twin_of bigint;
alter table item_before add column text_hash bigint default 0 not null;

-- A login for a staging site, sealed with the key beside the database.
create table property_login (
    property_id bigint primary key references property,
    sealed varbinary(8000) not null
);
