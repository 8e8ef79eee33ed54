-- Clients of a backup that are being added; they are removed until all of them is here.
alter table client add column arriving boolean default false not null;
