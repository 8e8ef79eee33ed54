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

    /** What a sweep left of a check. */
    record CheckCount(long sweepId, long propertyId, Field field, String checkCode, int items) {}

    @Insert("""
            merge into sweep_count (sweep_id, property_id, swept, indexable, with_findings, clicks) key (sweep_id)
            values (#{sweepId}, #{propertyId}, #{swept}, #{indexable}, #{withFindings}, #{clicks})""")
    void setSweep(SweepCount sweep);

    @Delete("delete from check_count where sweep_id = #{sweepId}")
    void deleteChecks(long sweepId);

    @Lang(ManyRows.class)
    @Insert("insert into check_count (columns) values (rows)")
    void insertChecks(List<CheckCount> checks);

    /** When what a sweep read was so. */
    @Select("select coalesce(taken_at, started) from sweep where id = #{sweepId}")
    Instant takenAt(long sweepId);

    @Select("""
            select c.sweep_id, c.property_id, c.swept, c.indexable, c.with_findings, c.clicks
            from sweep_count c join sweep s on s.id = c.sweep_id and s.state = 'done'
            where c.property_id = #{propertyId} order by c.swept desc, c.sweep_id desc limit #{most}""")
    List<SweepCount> sweeps(long propertyId, int most);

    @Select("""
            select sweep_id, property_id, field, check_code, items from check_count
            where property_id = #{propertyId} order by sweep_id""")
    List<CheckCount> checks(long propertyId);
}
