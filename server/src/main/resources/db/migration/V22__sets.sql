-- Named sets of items; who belongs to one is worked out from its conditions (JSON). own_standard: what its items are held to
-- instead of the property's standard, as JSON. Where an item belongs to several, the one with the lowest place goes first.
create table item_set (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    name varchar(200) not null,
    conditions varchar(2000000) not null,
    own_standard varchar(200000),
    place int not null,
    removed timestamp with time zone
);
create index item_set_property on item_set (property_id, place);
