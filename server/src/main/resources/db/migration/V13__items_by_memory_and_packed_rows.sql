-- Sweeps and imports look for items by address in memory: of all that a new item cost, this index cost most.
drop index item_address;

-- The rows that imports read, a hundred in one: written once, read by stretches. The id is that of the first row.
create table imported_rows (
    id bigint primary key,
    size int not null,
    packed varbinary(100000000) not null
);
