-- The lines of a handover lie side by side in the order of its items: their ids are made of the handover's, of the item's
-- place in its property and of the field's place. Two indexes less are written with each line.
alter table handover_line rename to earlier_line;
create table handover_line (
    id bigint generated always as (handover_id * 34359738368 + mod(item_id, 2147483648) * 16
        + case field when 'title' then 0 when 'description' then 1 when 'tags' then 2 when 'h1' then 3 when 'slug' then 4
            when 'indexing' then 5 when 'images' then 6 when 'links' then 7 when 'og-title' then 8
            when 'og-description' then 9 end) primary key,
    handover_id bigint not null,
    item_id bigint not null,
    field varchar(20) not null,
    before_text varchar(100000) not null,
    after_text varchar(100000) not null,
    live varchar(20),
    live_since timestamp with time zone,
    mended varchar(4000),
    won double precision,
    won_low double precision,
    won_high double precision,
    constraint line_live check (live in ('live', 'otherwise', 'not-yet', 'changed-back', 'gone'))
);
insert into handover_line
    (handover_id, item_id, field, before_text, after_text, live, live_since, mended, won, won_low, won_high)
select handover_id, item_id, field, before_text, after_text, live, live_since, mended, won, won_low, won_high
from earlier_line order by handover_id, item_id;
drop table earlier_line;
