-- The tables of items that lie on the disk while the application is stopped, each with the token that its file begins with.
-- A start takes them out: after a kill there are none, since they would not have what was changed last.
create table kept_table (
    property_id bigint primary key,
    token varchar(36) not null
);
