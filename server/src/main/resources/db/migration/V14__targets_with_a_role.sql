-- The keywords of items in one table. An item has one primary keyword, null where a person cleared it; a keyword is
-- secondary for one item.
create table target_with_role (
    item_id bigint not null references item,
    property_id bigint not null,
    keyword_id bigint references keyword,
    role varchar(10) not null check (role in ('primary', 'secondary')),
    by_hand boolean not null,
    score double precision not null,
    reason varchar(1000) not null,
    primary_of bigint generated always as (case role when 'primary' then item_id end),
    secondary_keyword bigint generated always as (case role when 'secondary' then keyword_id end)
);
insert into target_with_role (item_id, property_id, keyword_id, role, by_hand, score, reason)
select item_id, property_id, keyword_id, 'primary', by_hand, score, reason from target
union all
select item_id, property_id, keyword_id, 'secondary', by_hand, score, reason from second_target s
where exists (select 1 from item i where i.id = s.item_id);
drop table target;
drop table second_target;
alter table target_with_role rename to target;
create unique index target_primary on target (primary_of);
create unique index target_secondary on target (secondary_keyword);
create index target_property on target (property_id, keyword_id);

alter table removed_target add column role varchar(10) default 'primary' not null check (role in ('primary', 'secondary'));
update removed_target set role = 'secondary' where not is_primary;
alter table removed_target drop column is_primary;
alter table removed_target alter column role drop default;
