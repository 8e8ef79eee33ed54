-- What is in place is noted for each set too; 0 is the whole property. Since then a check that found nothing has a row
-- as well, so that it can be told from one that was not there yet.
alter table check_count drop primary key;
alter table check_count add column set_id bigint default 0 not null;
alter table check_count add primary key (sweep_id, set_id, field, check_code);
create index check_count_of_set on check_count (property_id, set_id, sweep_id);

alter table sweep_count drop primary key;
alter table sweep_count add column set_id bigint default 0 not null;
alter table sweep_count add column all_checks boolean default false not null;
alter table sweep_count add primary key (sweep_id, set_id);
