-- Findings name the check that found them, under its own code; they are worked out anew.
delete from finding;
update property set text_changes = text_changes + 1;
