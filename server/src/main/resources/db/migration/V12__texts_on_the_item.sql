-- What was captured of an item's texts stands in its own row, with the measure of it; tags are null where it has none by nature.
alter table item add column (
    title varchar(100000) default '' not null,
    title_count int default 0 not null,
    title_px int default 0 not null,
    title_alike bigint default 0 not null,
    description varchar(100000) default '' not null,
    description_count int default 0 not null,
    description_px int default 0 not null,
    description_alike bigint default 0 not null,
    tags varchar(100000),
    tags_px int default 0 not null,
    tags_alike bigint default 0 not null
);
merge into item i using field f on f.id = i.id * 4 when matched then update set
    title = f.captured, title_count = f.captured_count, title_px = f.px, title_alike = f.alike;
merge into item i using field f on f.id = i.id * 4 + 1 when matched then update set
    description = f.captured, description_count = f.captured_count, description_px = f.px, description_alike = f.alike;
merge into item i using field f on f.id = i.id * 4 + 2 when matched then update set
    tags = f.captured, tags_px = f.px, tags_alike = f.alike;

alter table item_before add column (
    title varchar(100000) default '' not null,
    title_count int default 0 not null,
    description varchar(100000) default '' not null,
    description_count int default 0 not null,
    tags varchar(100000)
);
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4 when matched then update set
    title = f.captured, title_count = f.captured_count;
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4 + 1 when matched then update set
    description = f.captured, description_count = f.captured_count;
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4 + 2 when matched then update set
    tags = f.captured;
drop table field_before;

-- What was written for a text of an item, and the measure of the text that is then in force; that is null where the captured
-- text is in force. No row where nothing was written. Its id is four times the item's and the field's place (0 title,
-- 1 description, 2 tags), so that the fields of items lie side by side in the order of the items.
create table written (
    id bigint primary key,
    draft varchar(100000),
    px int,
    alike bigint,
    state varchar(20) default '' not null,
    batch_id bigint,
    kept varchar(1000)
);
insert into written
select id, draft, px, alike, state, batch_id, kept from field
where draft is not null or state <> '' or batch_id is not null or kept is not null order by id;
drop table field;
