-- What a delivered text mended, by the ids of checks, and the clicks a month that this was estimated to win; null of texts
-- that were delivered before this was kept, or of which nothing was reported.
alter table handover_line add column mended varchar(4000);
alter table handover_line add column won double precision;
alter table handover_line add column won_low double precision;
alter table handover_line add column won_high double precision;
create index handover_line_item on handover_line (item_id, field);
