-- A crawl of a list of addresses keeps the list with its settings.
alter table sweep alter column settings character large object;
