-- A batch is written a few hundred fields at a time. Where that is cut short, the next start takes it back or brings it to its end.
alter table batch add column under_way boolean default false not null;
