-- "og-description" is longer than any field was when these columns were made.
alter table recipe alter column field set data type varchar(20);
alter table handover_line alter column field set data type varchar(20);
alter table check_count alter column field set data type varchar(20);
alter table exemption alter column field set data type varchar(20);
alter table cause_note alter column field set data type varchar(20);
alter table writer_column alter column makes set data type varchar(20);

-- A draft in a release that is pushed is not approved any more and not delivered yet.
alter table draft drop constraint draft_with_state;
alter table draft add constraint draft_with_state check (
    (text is null) = (state is null) and (state is null
        or state in ('drafted', 'sent-back', 'approved', 'released', 'delivered', 'live')));

alter table handover add column name varchar(200) default '' not null;
alter table handover add column reason varchar(2000) default '' not null;

-- How the content system of a property is reached: as JSON, its secret sealed.
create table content_system (
    property_id bigint primary key references property,
    settings varchar(20000) not null,
    sealed varbinary(8000)
);

-- A release that is pushed line by line. The step is the one that is pushed now; null for all that waits.
create table push (
    handover_id bigint primary key references handover,
    property_id bigint not null references property,
    job_id bigint,
    step int,
    rehearsal boolean default false not null,
    under_way boolean default false not null
);

-- base: what the item has to say so that it may be overwritten; found: what it said when it was read last;
-- was: what it said before it was overwritten.
create table push_line (
    handover_id bigint not null references push on delete cascade,
    item_id bigint not null,
    field varchar(20) not null,
    state varchar(20) not null check (state in ('waiting', 'sending', 'pushed', 'in-place', 'changed', 'refused', 'failed',
        'left', 'returning', 'restoring', 'returned', 'changed-since')),
    step int default 0 not null,
    base varchar(100000),
    found varchar(100000),
    was varchar(100000),
    note varchar(1000) default '' not null,
    primary key (handover_id, item_id, field)
);

-- What the last sweep saw of a text that was delivered, and since when; null where none looked for it yet.
alter table handover_line add column live varchar(20)
    check (live in ('live', 'otherwise', 'not-yet', 'changed-back', 'gone'));
alter table handover_line add column live_since timestamp with time zone;
