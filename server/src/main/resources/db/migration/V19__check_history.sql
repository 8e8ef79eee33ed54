-- How many indexable items a sweep left with findings of each check; no row where there were none.
create table check_count (
    sweep_id bigint not null,
    property_id bigint not null,
    field varchar(12) not null,
    check_code varchar(40) not null,
    items int not null,
    primary key (sweep_id, field, check_code)
);

-- What a sweep left in all: indexable items, and the clicks a month at stake with them.
create table sweep_count (
    sweep_id bigint primary key,
    property_id bigint not null,
    swept timestamp with time zone not null,
    indexable int not null,
    with_findings int not null,
    clicks double precision not null
);
create index sweep_count_property on sweep_count (property_id, sweep_id);
