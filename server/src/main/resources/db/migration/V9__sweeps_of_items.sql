-- Imports of demand and of result lists are no passes over the items of a property.
alter table sweep add column of_items boolean default true not null;
update sweep set of_items = false
where kind = 'import' and (settings like '%"kind":"DEMAND"%' or settings like '%"kind":"RESULTS"%');
