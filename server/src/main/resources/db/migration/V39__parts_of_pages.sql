-- An item has room for sixteen fields: alt texts, link texts and what a page is shared as can be drafted, too. First below
-- zero, where no id is taken.
update draft set id = -((id / 8) * 16 + mod(id, 8));
update draft set id = -id;
update change set field_id = (field_id / 8) * 16 + mod(field_id, 8);
alter table handover_line drop constraint handover_line_field;
alter table handover_line add constraint handover_line_field check (field in
    ('title', 'description', 'tags', 'h1', 'slug', 'indexing', 'images', 'links', 'og-title', 'og-description'));
alter table recipe drop constraint recipe_field;
alter table recipe add constraint recipe_field check (field in
    ('title', 'description', 'h1', 'slug', 'images', 'links', 'og-title', 'og-description'));
