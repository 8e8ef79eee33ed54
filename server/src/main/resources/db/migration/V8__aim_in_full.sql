alter table keyword add column country varchar(100) default '' not null;
-- Searches by month, the latest last, joined by commas; -1 where not known.
alter table keyword add column monthly varchar(4000) default '' not null;
alter table keyword add column last_month varchar(7) default '' not null;
alter table keyword add column topic varchar(500) default '' not null;
alter table keyword add column topic_by_hand boolean default false not null;
alter table keyword add column intent varchar(20) default '' not null;
alter table keyword add column intent_reason varchar(200) default '' not null;
alter table keyword add column intent_by_hand boolean default false not null;
alter table keyword add column brand boolean default false not null;
alter table keyword add column place varchar(200) default '' not null;
alter table keyword add column clicks bigint default 0 not null;
alter table keyword add column impressions bigint default 0 not null;
alter table keyword add column position double precision default 0 not null;

-- The secondary keywords of items; a keyword has one home, here or in target.
create table second_target (
    keyword_id bigint primary key references keyword,
    item_id bigint not null,
    property_id bigint not null,
    by_hand boolean not null,
    score double precision not null,
    reason varchar(1000) not null
);
create index second_target_item on second_target (item_id);
create index second_target_property on second_target (property_id);

-- Queries that are worth far more than what an item aims at; worked out anew with the targets.
create table better (
    id bigint generated always as identity primary key,
    property_id bigint not null,
    item_id bigint not null,
    query varchar(500) not null,
    aimed varchar(500) not null,
    shown double precision not null,
    position double precision not null,
    position_before double precision not null,
    volume double precision not null,
    reachable double precision not null,
    relevance double precision not null,
    gain double precision not null,
    young_until varchar(10) not null,
    reason varchar(1000) not null
);
create index better_property on better (property_id);

-- What a person does not want to be proposed again.
create table better_refused (
    item_id bigint not null,
    query varchar(500) not null,
    primary key (item_id, query)
);

-- The curve, the pages that could be added and what the demand is made of, as JSON.
create table aim_summary (
    property_id bigint primary key,
    summary character large object not null
);

-- Where the demand of a property is fetched from.
create table demand_source (
    property_id bigint primary key,
    address varchar(2000) not null
);
