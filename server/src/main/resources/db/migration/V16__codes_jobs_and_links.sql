-- Work that belongs to no property: the clients of a backup are added.
alter table job alter column property_id drop not null;

-- Codes that the application knows; a table that holds another one is damaged.
alter table property add constraint property_kind check (kind in ('website', 'listings', 'videos'));
alter table job add constraint job_state check (state in ('running', 'done', 'stopped', 'failed'));
alter table sweep add constraint sweep_kind check (kind in ('crawl', 'import'));
alter table sweep add constraint sweep_state check (state in ('running', 'done', 'stopped', 'failed', 'taken-back'));
alter table batch add constraint batch_state check (state in ('applied', 'undone'));
alter table handover_line add constraint handover_line_field check (field in ('title', 'description', 'tags'));
alter table recipe add constraint recipe_field check (field in ('title', 'description'));

-- The path and query that a browser would ask for, where the normal form of the address is another.
alter table visit add column asked varchar(2000);
