-- What a person notes on the time line of a property.
create table watch_note (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    noted_on date not null,
    text varchar(500) not null
);

-- Moves that somebody has looked at and set aside; the key says what moved, and in which week.
create table move_aside (
    property_id bigint not null references property,
    move_key varchar(500) not null,
    reason varchar(1000) not null,
    decided timestamp with time zone not null,
    primary key (property_id, move_key)
);

-- What became of something that was due: done, never, or later.
create table due_decision (
    property_id bigint not null references property,
    due_key varchar(500) not null,
    state varchar(10) not null check (state in ('done', 'later', 'never')),
    until_day date,
    note varchar(1000) not null,
    decided timestamp with time zone not null,
    primary key (property_id, due_key)
);

-- Items whose approved texts a release left as they are, so that its effect can be told.
create table held_back (
    handover_id bigint not null references handover,
    property_id bigint not null references property,
    item_id bigint not null,
    primary key (handover_id, item_id)
);
