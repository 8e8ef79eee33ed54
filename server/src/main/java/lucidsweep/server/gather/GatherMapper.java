package lucidsweep.server.gather;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface GatherMapper {

    final class Key {
        long id;
    }

    @Insert("""
            insert into sweep (property_id, job_id, kind, source, settings, state, started)
            values (#{propertyId}, #{jobId}, #{kind}, #{source}, #{settings}, 'running', now())""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insertSweep(
            @Param("key") Key key,
            @Param("propertyId") long propertyId,
            @Param("jobId") long jobId,
            @Param("kind") String kind,
            @Param("source") String source,
            @Param("settings") String settings);

    @Update("update sweep set state = #{state}, ended = now() where id = #{id}")
    void endSweep(long id, String state);

    @Select("select * from sweep where id = #{id}")
    Sweep sweep(long id);

    @Select("select settings from sweep where id = #{id}")
    String settings(long id);

    @Select("select * from sweep where property_id = #{propertyId} order by id desc limit 50")
    List<Sweep> sweeps(long propertyId);

    @Select("select max(ended) from sweep where property_id = #{propertyId} and state <> 'failed'")
    Instant lastEnded(long propertyId);

    @Select("select * from sweep where state = 'running' and kind = 'crawl' order by id")
    List<Sweep> unfinished();

    @Update("update sweep set state = 'failed', ended = now() where state = 'running' and kind = 'import'")
    void failUnfinishedImports();

    @Insert("""
            insert into visit (sweep_id, address, depth, found_on, outcome, detail)
            values (#{sweepId}, #{address}, #{depth}, #{foundOn}, #{outcome}, #{detail})""")
    void insertVisit(long sweepId, String address, int depth, String foundOn, String outcome, String detail);

    @Update("""
            update visit set outcome = #{outcome}, detail = #{detail}, status = #{status}, redirect_to = #{redirectTo},
                millis = #{millis}, bytes = #{bytes}, item_id = #{itemId}, capture_id = #{captureId} where id = #{id}""")
    void endVisit(
            @Param("id") long id,
            @Param("outcome") String outcome,
            @Param("detail") String detail,
            @Param("status") int status,
            @Param("redirectTo") String redirectTo,
            @Param("millis") int millis,
            @Param("bytes") long bytes,
            @Param("itemId") Long itemId,
            @Param("captureId") Long captureId);

    @Update("""
            update visit set outcome = 'over-limit', detail = #{detail}
            where sweep_id = #{sweepId} and outcome = 'waiting'""")
    void leaveWaiting(long sweepId, String detail);

    @Select("""
            select * from visit where sweep_id = #{sweepId} and outcome = 'waiting' and id > #{after}
            order by sweep_id, outcome, id limit #{limit}""")
    List<Visit> waiting(long sweepId, long after, int limit);

    @Select(
            "select id, address, outcome from visit where sweep_id = #{sweepId} and id > #{after} order by sweep_id, id limit #{limit}")
    List<Known> known(long sweepId, long after, int limit);

    record Known(long id, String address, String outcome) {}

    @Select("""
            select outcome, status, count(*) count, min(address) example, min(detail) detail from visit
            where sweep_id = #{sweepId} and outcome <> 'waiting' group by outcome, status order by outcome, status""")
    List<OutcomeCount> outcomes(long sweepId);

    @Select("""
            <script>select * from visit where sweep_id = #{sweepId} and id > #{after}
            <if test="outcome != null">and outcome = #{outcome}</if>
            order by sweep_id, <if test="outcome != null">outcome, </if>id limit #{limit}</script>""")
    List<Visit> visits(
            @Param("sweepId") long sweepId,
            @Param("outcome") String outcome,
            @Param("after") long after,
            @Param("limit") int limit);
}
