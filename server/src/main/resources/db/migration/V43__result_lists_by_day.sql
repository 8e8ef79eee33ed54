-- Result lists are kept by the day on which somebody looked; earlier ones stay beside the latest. A row is told from others by
-- its day, too; the number is the day counted from 1970-01-01 on.
alter table result add column looked varchar(10) default '' not null;
alter table result_before add column looked varchar(10) default '' not null;
update result r set looked = coalesce(
    (select formatdatetime(s.started, 'yyyy-MM-dd') from sweep s where s.id = r.id / 2147483648), '');
update result_before r set looked = coalesce(
    (select formatdatetime(s.started, 'yyyy-MM-dd') from sweep s where s.id = r.id / 2147483648), '');
update result set row_hash = bitxor(row_hash, lshift(datediff(day, date '1970-01-01', cast(looked as date)), 40))
    where looked <> '';
update result_before set row_hash = bitxor(row_hash, lshift(datediff(day, date '1970-01-01', cast(looked as date)), 40))
    where looked <> '';
