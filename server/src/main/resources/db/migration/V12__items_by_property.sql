-- The ids of a property's items follow upon each other, from its own id times 2^31 on: they are read in their order, and told
-- from those of others, by the id alone. The row holds what was captured of the item's texts, too, with the measure of them;
-- tags are null where it has none by nature. No index has to be written beside it: sweeps and imports know the addresses of a
-- property in memory.
create table new_item (
    id bigint primary key,
    property_id bigint not null,
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
    gone boolean not null,
    published varchar(40) not null,
    views bigint,
    favourites bigint,
    text_hash bigint not null,
    title varchar(100000) not null,
    title_count int not null,
    title_px int not null,
    title_alike bigint not null,
    description varchar(100000) not null,
    description_count int not null,
    description_px int not null,
    description_alike bigint not null,
    tags varchar(100000),
    tags_px int not null,
    tags_alike bigint not null
);
insert into new_item
select i.id + i.property_id * 2147483648, i.property_id, i.address, i.address_hash, i.section, i.status, i.content_type,
    i.obstacle, i.h1, i.h1_count, i.canonical, i.robots, i.language, i.opening, i.price, i.depth, i.capture_id,
    i.capture_hash, i.first_sweep, i.last_sweep, i.gone, i.published, i.views, i.favourites, i.text_hash,
    coalesce(t.captured, ''), coalesce(t.captured_count, 0), coalesce(t.px, 0), coalesce(t.alike, 0),
    coalesce(d.captured, ''), coalesce(d.captured_count, 0), coalesce(d.px, 0), coalesce(d.alike, 0),
    g.captured, coalesce(g.px, 0), coalesce(g.alike, 0)
from item i left join field t on t.id = i.id * 4 left join field d on d.id = i.id * 4 + 1
    left join field g on g.id = i.id * 4 + 2
order by 1;

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
select f.id + i.property_id * 8589934592, f.draft, f.px, f.alike, f.state, f.batch_id, f.kept
from field f join item i on i.id = f.item_id
where f.draft is not null or f.state <> '' or f.batch_id is not null or f.kept is not null order by 1;

-- What an import changed: the same. Of items that were only marked as gone it kept no texts, since they stayed.
alter table item_before add column (
    title varchar(100000) default '' not null,
    title_count int default 0 not null,
    description varchar(100000) default '' not null,
    description_count int default 0 not null,
    tags varchar(100000)
);
merge into item_before i using field f on f.id = i.id * 4
    when matched then update set title = f.captured, title_count = f.captured_count;
merge into item_before i using field f on f.id = i.id * 4 + 1
    when matched then update set description = f.captured, description_count = f.captured_count;
merge into item_before i using field f on f.id = i.id * 4 + 2
    when matched then update set tags = f.captured;
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4
    when matched then update set title = f.captured, title_count = f.captured_count;
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4 + 1
    when matched then update set description = f.captured, description_count = f.captured_count;
merge into item_before i using field_before f on f.sweep_id = i.sweep_id and f.id = i.id * 4 + 2
    when matched then update set tags = f.captured;
drop table field_before;
drop table field;

-- The new ids wherever items are spoken of.
create table renumbered (id bigint primary key, shift bigint not null);
insert into renumbered select id, property_id * 2147483648 from item;
drop table item cascade;
alter table new_item rename to item;
drop sequence item_block;

update item_before set id = id + (select shift from renumbered r where r.id = item_before.id)
    where exists (select 1 from renumbered r where r.id = item_before.id);
update item_link set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update twin set item_id = item_id + (select shift from renumbered r where r.id = item_id),
        twin_of = twin_of + (select shift from renumbered r where r.id = twin_of)
    where exists (select 1 from renumbered r where r.id = item_id)
        and exists (select 1 from renumbered r where r.id = twin_of);
update capture set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update visit set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where item_id is not null and exists (select 1 from renumbered r where r.id = item_id);
update target set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update removed_target set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update second_target set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update better set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update better_refused set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update finding set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update handover_line set item_id = item_id + (select shift from renumbered r where r.id = item_id)
    where exists (select 1 from renumbered r where r.id = item_id);
update change set field_id = field_id + 4 * (select shift from renumbered r where r.id = field_id / 4)
    where exists (select 1 from renumbered r where r.id = field_id / 4);
drop table renumbered;

-- What was worked out from the targets speaks of items, too; it is worked out anew at the next start.
merge into aim_due d using aim_summary s on d.property_id = s.property_id
    when matched then update set changes = d.changes + 1
    when not matched then insert (property_id, changes, done) values (s.property_id, 1, 0);

-- The rows that imports read, a hundred in one: written once, read by stretches. The id is that of the first row.
create table imported_rows (
    id bigint primary key,
    size int not null,
    packed varbinary(10000000) not null
);
