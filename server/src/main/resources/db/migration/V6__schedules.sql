-- When a property is swept again by itself; days as "2026-11-25".
create table schedule (
    property_id bigint primary key references property,
    every varchar(10) not null,
    next_day varchar(10) not null
);
