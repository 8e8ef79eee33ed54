-- Since when each finding of an item is there: "title too-long 1795000000", separated by commas; a "b" behind one that is back
-- after it was fixed. "*": what was found of the item by then was there before anybody noted since when.
create table finding_life (
    item_id bigint primary key,
    life varchar(1000000) not null
);
insert into finding_life select item_id, '*' from finding;

-- What was found once and is not any longer: by a draft, or otherwise (a sweep saw it mended, or it is let stand).
create table fixed_finding (
    item_id bigint not null,
    field varchar(12) not null,
    check_code varchar(40) not null,
    property_id bigint not null,
    since bigint not null,
    ended timestamp with time zone not null,
    by_draft boolean not null,
    primary key (item_id, field, check_code)
);
create index fixed_finding_property on fixed_finding (property_id, ended);

-- A file does not say what language an item is in; that of its property was written there.
update item set language = '' where h1_count < 0;
