-- What a client was shown to decide about: each text as it stood in the sheet.
create table review_sheet (
    id varchar(36) primary key,
    property_id bigint not null references property,
    created timestamp with time zone not null,
    taken timestamp with time zone,
    texts int not null
);

create table review_sheet_line (
    sheet_id varchar(36) not null references review_sheet,
    field_id bigint not null,
    text varchar(200000) not null,
    primary key (sheet_id, field_id)
);

-- What was said of a draft when it was sent back.
create table draft_note (
    field_id bigint primary key,
    note varchar(2000) not null,
    noted timestamp with time zone not null
);
