-- An item has room for eight fields: H1, slug and the indexing switch can be drafted, too. First below zero, where no id is
-- taken.
update draft set id = -((id / 4) * 8 + mod(id, 4));
update draft set id = -id;
update change set field_id = (field_id / 4) * 8 + mod(field_id, 4);
alter table handover_line drop constraint handover_line_field;
alter table handover_line add constraint handover_line_field
    check (field in ('title', 'description', 'tags', 'h1', 'slug', 'indexing'));
alter table recipe drop constraint recipe_field;
alter table recipe add constraint recipe_field check (field in ('title', 'description', 'h1', 'slug'));
