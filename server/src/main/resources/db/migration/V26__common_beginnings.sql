-- Beginnings that many titles share stand beside the endings.
alter table ending rename to common_part;
alter table common_part add column side varchar(5) default 'END' not null;
alter table common_part alter column side drop default;
