-- When demand is fetched again by itself, from where it was fetched the last time; null for never.
alter table demand_source add column every varchar(10);
alter table demand_source add column next_day varchar(10);
