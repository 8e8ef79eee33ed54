-- A recipe may be in force: for all items of its property, or for those of a set. One run applies all that are.
alter table recipe add column in_force boolean default false not null;
alter table recipe add column set_id bigint;
