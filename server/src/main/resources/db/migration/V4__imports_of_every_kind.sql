alter table item add column published varchar(40) default '' not null;
alter table item add column views bigint;
alter table item add column favourites bigint;

-- What an import changed, as it was before, so that the import can be taken back.
create table item_before (
    sweep_id bigint not null,
    id bigint not null,
    address varchar(2100) not null,
    section varchar(300) not null,
    status int not null,
    content_type varchar(200) not null,
    obstacle varchar(2200),
    h1 varchar(2000) not null,
    h1_count int not null,
    canonical varchar(2100) not null,
    robots varchar(500) not null,
    language varchar(50) not null,
    opening varchar(500) not null,
    price varchar(100) not null,
    depth int not null,
    capture_id bigint not null,
    capture_hash bigint not null,
    last_sweep bigint not null,
    gone boolean not null,
    published varchar(40) not null,
    views bigint,
    favourites bigint,
    primary key (sweep_id, id)
);
create table field_before (
    sweep_id bigint not null,
    id bigint not null,
    captured_count int not null,
    captured varchar(100000) not null,
    primary key (sweep_id, id)
);

-- What the columns of files with these names were taken for the last time.
create table column_memory (
    property_id bigint not null,
    kind varchar(20) not null,
    columns_hash bigint not null,
    choice varchar(20000) not null,
    primary key (property_id, kind, columns_hash)
);

-- What search engines report; the rows of one import follow upon each other.
create table demand (
    id bigint primary key,
    property_id bigint not null,
    row_hash bigint not null,
    address varchar(2100) not null,
    query varchar(500) not null,
    country varchar(100) not null,
    from_day varchar(10) not null,
    to_day varchar(10) not null,
    clicks bigint not null,
    impressions bigint not null,
    position double precision
);

-- Who ranks for a query.
create table result (
    id bigint primary key,
    property_id bigint not null,
    row_hash bigint not null,
    query varchar(500) not null,
    position double precision not null,
    address varchar(2100) not null,
    title varchar(5000) not null,
    description varchar(20000) not null
);
