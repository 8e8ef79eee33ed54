package lucidsweep.server.gather.sweep;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores sweeps. */
@Mapper
interface SweepMapper {

    final class Key {
        long id;
    }

    @Insert("""
            insert into sweep (property_id, job_id, kind, source, of_items, settings, state, taken_at, started)
            values (#{sweep.propertyId}, #{sweep.jobId}, #{sweep.kind}, #{sweep.source}, #{sweep.ofItems}, #{settings},
                'running', #{sweep.takenAt}, coalesce(#{sweep.takenAt}, now()))""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(@Param("key") Key key, @Param("sweep") SweepStore.NewSweep sweep, @Param("settings") String settings);

    @Update("update sweep set state = #{state}, ended = coalesce(taken_at, now()) where id = #{id}")
    void end(long id, Sweep.State state);

    @Update("update sweep set state = 'running', ended = null where id = #{id}")
    void reopen(long id);

    @Select("select * from sweep where id = #{id}")
    Sweep find(long id);

    @Update("update sweep set settings = #{settings} where id = #{id}")
    void setSettings(long id, String settings);

    @Select("select settings from sweep where id = #{id}")
    String settings(long id);

    @Select("select * from sweep where property_id = #{propertyId} order by id desc limit 50")
    List<Sweep> ofProperty(long propertyId);

    @Select("select * from sweep where property_id = #{propertyId} and kind = #{kind} order by id desc")
    List<Sweep> ofKind(long propertyId, Sweep.Kind kind);

    @Select("select * from sweep where at_work = #{propertyId}")
    Sweep running(long propertyId);

    /** When the last sweep of a property's items ended. */
    record LastEnded(long propertyId, Instant ended) {}

    @Select("""
            select property_id, max(ended) ended from sweep
            where property_id = any(#{ids}) and of_items and state <> 'failed' and ended is not null
            group by property_id""")
    List<LastEnded> lastEnded(@Param("ids") Object[] ids);

    @Select("select * from sweep where state = 'running' and kind = #{kind} order by id")
    List<Sweep> unfinished(Sweep.Kind kind);
}
