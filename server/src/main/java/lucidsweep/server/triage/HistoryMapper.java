package lucidsweep.server.triage;

import java.time.Instant;
import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores what sweeps left of each check. */
@Mapper
interface HistoryMapper {

    /** What a sweep left of a check in a set, or in the whole property, which is set 0. */
    record CheckCount(long sweepId, long setId, long propertyId, Field field, String checkCode, int items) {}

    @Insert("""
            insert into sweep_count (
                sweep_id, set_id, property_id, swept, indexable, with_findings, clicks, all_checks)
            values (
                #{sweepId}, #{setId}, #{propertyId}, #{swept}, #{indexable}, #{withFindings}, #{clicks}, #{allChecks})""")
    void insertSweep(SweepCount sweep);

    @Delete("delete from sweep_count where sweep_id = #{sweepId}")
    void deleteSweep(long sweepId);

    @Delete("delete from check_count where sweep_id = #{sweepId}")
    void deleteChecks(long sweepId);

    @Lang(ManyRows.class)
    @Insert("insert into check_count (columns) values (rows)")
    void insertChecks(List<CheckCount> checks);

    /** When what a sweep read was so. */
    @Select("select coalesce(taken_at, started) from sweep where id = #{sweepId}")
    Instant takenAt(long sweepId);

    @Select("""
            select c.sweep_id, c.set_id, c.property_id, c.swept, c.indexable, c.with_findings, c.clicks, c.all_checks
            from sweep_count c join sweep s on s.id = c.sweep_id and s.state = 'done'
            where c.property_id = #{propertyId} and c.set_id = #{setId} order by c.swept desc, c.sweep_id desc limit #{most}""")
    List<SweepCount> sweeps(long propertyId, long setId, int most);

    @Select("""
            select sweep_id, set_id, property_id, field, check_code, items from check_count
            where property_id = #{propertyId} and set_id = #{setId} order by sweep_id""")
    List<CheckCount> checks(long propertyId, long setId);
}
