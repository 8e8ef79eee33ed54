-- The checks for a call in descriptions and for too many words are options: they are off where somebody has said which checks are,
-- too.
update property set own_standard = replace(own_standard, '"off":["', '"off":["description without-call","title too-many-words","description too-many-words","')
where own_standard like '%"off":["%';
update property set own_standard = replace(own_standard, '"off":[]', '"off":["description without-call","title too-many-words","description too-many-words"]')
where own_standard like '%"off":[]%';
update item_set set own_standard = replace(own_standard, '"off":["', '"off":["description without-call","title too-many-words","description too-many-words","')
where own_standard like '%"off":["%';
update item_set set own_standard = replace(own_standard, '"off":[]', '"off":["description without-call","title too-many-words","description too-many-words"]')
where own_standard like '%"off":[]%';
