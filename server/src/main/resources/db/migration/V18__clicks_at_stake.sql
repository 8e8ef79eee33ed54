-- What faults cost a property, as it was fitted to its demand, as JSON.
create table stake_model (
    property_id bigint primary key,
    model varchar(1000000) not null
);

-- What search engines report of an item in a month, as far as clicks at stake rest on it, as JSON.
create table item_demand (
    item_id bigint primary key,
    demand varchar(100000) not null
);

-- What fixing the findings of an item could win, in the order of the findings; no row where nothing is at stake.
create table finding_stake (
    item_id bigint primary key,
    parts varchar(10000) not null
);

-- Findings are worked out anew, and with them what they cost.
update property set text_changes = text_changes + 1;
