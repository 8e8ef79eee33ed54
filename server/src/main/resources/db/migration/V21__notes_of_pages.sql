-- What checks noted of a page's markup when it was captured, a check and its note a line.
alter table item add column notes varchar(1000000) default '' not null;
alter table item_before add column notes varchar(1000000) default '' not null;

-- What the other pages of its site say of an item, likewise; worked out after each sweep.
create table site_note (
    item_id bigint primary key,
    notes varchar(1000000) not null
);

-- Pages that were captured before are looked at once more when they are swept again.
update item set capture_hash = 0 where h1_count >= 0;
