-- What was found once and is not any longer stands in the item's own line: "title too-long 1795000000", separated by commas behind
-- a semicolon; a "d" behind one that ended by a draft. A row for each took the longest of all where many texts changed at once.
merge into finding_life l using (
    select item_id, listagg(field || ' ' || check_code || ' ' || cast(floor(extract(epoch from ended)) as bigint)
        || case when by_draft then 'd' else '' end, ',') within group (order by field, check_code) line
    from fixed_finding group by item_id) f on l.item_id = f.item_id
when matched then update set life = l.life || ';' || f.line
when not matched then insert (item_id, life) values (f.item_id, ';' || f.line);
drop table fixed_finding;
