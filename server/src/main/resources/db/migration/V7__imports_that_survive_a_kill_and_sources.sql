-- The file of an import that is under way, and how it is read: cut short, the import is taken back and begun again, unless
-- all of it was stored.
create table import_source (
    sweep_id bigint primary key references sweep,
    token varchar(50) not null,
    sheet varchar(300),
    stored boolean default false not null
);

-- What an import of demand or results replaced, as it was before.
create table demand_before (
    sweep_id bigint not null,
    id bigint not null,
    property_id bigint not null,
    row_hash bigint not null,
    address varchar(2100) not null,
    query varchar(500) not null,
    country varchar(100) not null,
    from_day varchar(10) not null,
    to_day varchar(10) not null,
    clicks bigint not null,
    impressions bigint not null,
    position double precision,
    primary key (sweep_id, id)
);
create table result_before (
    sweep_id bigint not null,
    id bigint not null,
    property_id bigint not null,
    row_hash bigint not null,
    query varchar(500) not null,
    position double precision not null,
    address varchar(2100) not null,
    title varchar(5000) not null,
    description varchar(20000) not null,
    primary key (sweep_id, id)
);

-- The addresses that are the same page as an item are looked for by it.
create index item_twin on item (twin_of);

-- The markup of a page as it came, packed; only where a sweep was asked to keep it.
create table source (
    capture_id bigint primary key,
    markup varbinary(6000000) not null
);
