-- Findings that stand although a check says otherwise: why, and until which day. One that has come back is due to be looked at.
create table exemption (
    item_id bigint not null,
    field varchar(12) not null,
    check_code varchar(40) not null,
    property_id bigint not null,
    reason varchar(1000) not null,
    until_day date,
    added timestamp with time zone not null,
    came_back boolean default false not null,
    primary key (item_id, field, check_code)
);
create index exemption_property on exemption (property_id);

-- What a person says of a cause: another name, or that it is set aside, why, and until which month ("2027-03", "" for good).
create table cause_note (
    property_id bigint not null,
    field varchar(12) not null,
    check_code varchar(40) not null,
    shared varchar(2000) not null,
    section varchar(300) not null,
    name varchar(300) default '' not null,
    aside boolean default false not null,
    reason varchar(1000) default '' not null,
    until_month varchar(7) default '' not null
);
create index cause_note_property on cause_note (property_id);
