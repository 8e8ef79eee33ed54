-- What is being removed for good cannot be brought back; a start goes on with it.
alter table client add column leaving boolean default false not null;
alter table property add column leaving boolean default false not null;
