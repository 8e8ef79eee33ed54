create table client (
    id bigint generated always as identity primary key,
    name varchar(200) not null,
    brand varchar(2000) not null,
    places varchar(4000) not null,
    removed timestamp
);

create table property (
    id bigint generated always as identity primary key,
    client_id bigint not null references client,
    kind varchar(20) not null,
    name varchar(200) not null,
    address varchar(2000) not null,
    language varchar(20) not null,
    private_allowed boolean not null,
    revision bigint default 0 not null,
    -- Set while findings do not stand for the texts; worked out anew at the next start if that was cut short.
    findings_due boolean default false not null,
    removed timestamp
);

create table job (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    kind varchar(20) not null,
    title varchar(500) not null,
    state varchar(20) not null,
    done bigint default 0 not null,
    total bigint default 0 not null,
    note varchar(2000) default '' not null,
    started timestamp not null,
    ended timestamp
);

create table sweep (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    job_id bigint not null references job,
    kind varchar(20) not null,
    source varchar(2000) not null,
    settings varchar(100000) not null,
    state varchar(20) not null,
    started timestamp not null,
    ended timestamp
);

-- Every address of a crawl and what became of it; also the queue of what waits. An import lists the rows it could not read.
-- The ids of a sweep's visits follow upon each other, from its own id times 2^31 on: they are told from others and read in
-- their order by the id alone.
create table visit (
    id bigint primary key,
    address varchar(2100) not null,
    depth int not null,
    found_on varchar(2100) not null,
    outcome varchar(20) not null,
    detail varchar(2000) default '' not null,
    status int default 0 not null,
    redirect_to varchar(2100) default '' not null,
    millis int default 0 not null,
    bytes bigint default 0 not null,
    item_id bigint,
    capture_id bigint
);

-- Ids are taken a thousand at a time.
create sequence item_block start with 1000 increment by 1000;
create sequence capture_block start with 1000 increment by 1000;

create table item (
    id bigint primary key,
    property_id bigint not null references property,
    address varchar(2100) not null,
    address_hash bigint not null,
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
    first_sweep bigint not null,
    last_sweep bigint not null,
    gone boolean default false not null
);
-- The hash first: the database uses a list of values only on the first column of an index.
create unique index item_address on item (address_hash, property_id);
create index item_order on item (property_id, id);

-- What the links of the last sweep say of an item; apart from it, since the database rewrites every index of a changed row.
create table item_link (
    item_id bigint primary key,
    links_in int not null,
    link_texts varchar(4000) not null,
    depth int not null
);

-- What a sweep saw of an item; a new row only where it differs from the one before.
create table capture (
    id bigint primary key,
    item_id bigint not null,
    sweep_id bigint not null,
    hash bigint not null,
    facts varchar(1000000) not null
);
create index capture_item on capture (item_id);

create table body (
    capture_id bigint primary key,
    copy varbinary(1000000) not null,
    links varbinary(4000000) not null
);

-- One text of an item: as captured and as drafted; px, chars and alike are those of the text in force.
-- Its id is four times the item's and the field's place (0 title, 1 description, 2 tags), so that the fields of items lie
-- side by side in the order of the items.
create table field (
    id bigint primary key,
    item_id bigint not null,
    name varchar(12) not null,
    property_id bigint not null,
    captured_count int not null,
    captured varchar(100000) not null,
    draft varchar(100000),
    px int not null,
    chars int not null,
    alike bigint not null,
    state varchar(20) default '' not null,
    batch_id bigint,
    kept varchar(1000)
);

create table keyword (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    phrase varchar(500) not null,
    phrase_key varchar(500) not null,
    volume bigint,
    competition varchar(100) not null
);
create unique index keyword_phrase on keyword (property_id, phrase_key);

-- A row without a keyword was cleared by hand and stays clear.
create table target (
    item_id bigint primary key references item,
    property_id bigint not null,
    keyword_id bigint references keyword,
    by_hand boolean not null,
    score double precision not null,
    reason varchar(1000) not null
);
create index target_property on target (property_id, keyword_id);

-- What is wrong with an item, as JSON; no row where nothing is.
create table finding (
    item_id bigint primary key,
    property_id bigint not null,
    found varchar(1000000) not null
);

create table ending (
    property_id bigint not null,
    text varchar(2000) not null,
    count int not null,
    px double precision not null,
    fit_without int not null
);
create index ending_property on ending (property_id);

create table batch (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    title varchar(500) not null,
    state varchar(20) not null,
    items int not null,
    created timestamp not null,
    undone timestamp
);

-- The ids of a batch's changes follow upon each other, from its own id times 2^31 on.
create table change (
    id bigint primary key,
    field_id bigint not null,
    before_text varchar(100000),
    before_state varchar(20) not null,
    before_batch bigint,
    after_text varchar(100000)
);
create index change_field on change (field_id);

create table recipe (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    field varchar(12) not null,
    name varchar(200) not null,
    spec varchar(20000) not null
);

create table handover (
    id bigint generated always as identity primary key,
    property_id bigint not null references property,
    format varchar(20) not null,
    items int not null,
    texts int not null,
    created timestamp not null
);

create table handover_line (
    handover_id bigint not null references handover,
    item_id bigint not null,
    field varchar(12) not null,
    before_text varchar(100000) not null,
    after_text varchar(100000) not null,
    primary key (handover_id, item_id, field)
);
