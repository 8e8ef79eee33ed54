-- What a consultant set of a property's standard, as JSON; null where it is the ready-made one.
alter table property add column own_standard varchar(200000);
