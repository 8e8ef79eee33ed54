-- Keywords and tags to look at again: on a named list, and in a month such as 2027-03 or in none ('').
create table review (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    list varchar(100) not null,
    kind varchar(10) not null,
    phrase varchar(500) not null,
    due_month varchar(7) not null,
    added timestamp with time zone not null,
    unique (property_id, list, kind, phrase)
);

-- Keywords taken off the list can be brought back, with what was decided of them.
alter table keyword add column removed boolean default false not null;
create table removed_target (
    keyword_id bigint not null,
    item_id bigint not null,
    property_id bigint not null,
    is_primary boolean not null,
    score double precision not null,
    reason varchar(1000) not null
);
create index removed_target_keyword on removed_target (keyword_id);

-- The services whose combinations with places are looked at, one a line.
create table place_services (
    property_id bigint primary key references property,
    services varchar(8000) not null
);

-- What a list says of a keyword in a country ('' where it names none); the keyword itself has the sum of its countries.
alter table keyword add column broad bigint;
create table keyword_figure (
    keyword_id bigint not null references keyword,
    country varchar(100) not null,
    volume bigint,
    broad bigint,
    competition varchar(100) not null,
    monthly varchar(4000) not null,
    last_month varchar(7) not null,
    primary key (keyword_id, country)
);
insert into keyword_figure
select id, country, volume, null, competition, monthly, last_month from keyword
where volume is not null or competition <> '' or monthly <> '';

-- How often keywords, items or demand of a property have changed, and up to which change its targets were worked out.
create table aim_due (
    property_id bigint primary key references property,
    changes bigint not null,
    done bigint not null
);

-- The rates of the click curve that the gain of a better keyword was reckoned with.
alter table better add column rate_now double precision default 0 not null;
alter table better add column rate_reachable double precision default 0 not null;
