-- When the pages of recent releases are swept again by themselves, to see what is live.
create table live_schedule (
    property_id bigint primary key references property,
    every varchar(10) not null,
    next_day varchar(10) not null
);
