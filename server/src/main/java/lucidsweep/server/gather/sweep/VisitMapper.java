package lucidsweep.server.gather.sweep;

import java.util.List;
import java.util.Map;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what became of the addresses of sweeps; of a crawl also those that wait. */
@Mapper
public interface VisitMapper {

    /** An address that a sweep came to know, or a row that an import could not read. */
    record NewVisit(long id, String address, String asked, int depth, String foundOn, String outcome, String detail) {}

    @Lang(ManyRows.class)
    @Insert("insert into visit (columns) values (rows)")
    void insertVisits(List<NewVisit> visits);

    /** What became of an address. */
    record EndedVisit(
            long id,
            String outcome,
            String detail,
            int status,
            String redirectTo,
            int millis,
            long bytes,
            Long itemId,
            Long captureId) {}

    @Update("""
            merge into visit v using unnest(
                cast(#{id} as bigint array), cast(#{outcome} as varchar array), cast(#{detail} as varchar array),
                cast(#{status} as int array), cast(#{redirectTo} as varchar array), cast(#{millis} as int array),
                cast(#{bytes} as bigint array), cast(#{itemId} as bigint array), cast(#{captureId} as bigint array))
                as n (id, outcome, detail, status, redirect_to, millis, bytes, item_id, capture_id) on v.id = n.id
            when matched then update set outcome = n.outcome, detail = n.detail, status = n.status,
                redirect_to = n.redirect_to, millis = n.millis, bytes = n.bytes, item_id = n.item_id,
                capture_id = n.capture_id""")
    void endVisits(Map<String, Object[]> visits);

    @Select("""
            select * from visit where id > #{after} and id <= #{last} and outcome = 'waiting' order by id limit #{limit}""")
    List<Visit> waiting(long after, long last, int limit);

    /** An address that a crawl came to know before it was interrupted. */
    record Known(long id, String address, String foundOn, String outcome, String redirectTo) {}

    @Select("""
            select id, address, found_on, outcome, redirect_to from visit
            where id > #{after} and id <= #{last} order by id limit #{limit}""")
    List<Known> known(long after, long last, int limit);

    @Select("""
            select count(*) filter (where outcome <> 'waiting') done, count(*) known from visit
            where id between #{range.first} and #{range.last} and outcome not in ('nofollow', 'out-of-scope', 'trap')""")
    SweepStanding standing(@Param("range") IdRange range);

    @Select("""
            select redirect_to from visit where id between #{range.first} and #{range.last}
            and address = #{address} and outcome = 'redirect'""")
    String redirectOf(@Param("range") IdRange range, @Param("address") String address);

    @Select("""
            select id, address, redirect_to, item_id, capture_id from visit
            where id > #{after} and id <= #{last}
                and outcome in ('captured', 'redirect', 'redirect-loop', 'error-status', 'not-html')
            order by id limit #{limit}""")
    List<Visits.Seen> seen(long after, long last, int limit);

    @Select("""
            select item_id from visit where id between #{range.first} and #{range.last}
            and found_on = 'the sitemap' and item_id is not null""")
    List<Long> inSitemap(@Param("range") IdRange range);

    @Select("""
            select outcome, status, count(*) count, min(address) example, min(detail) detail from visit
            where id between #{range.first} and #{range.last} and outcome <> 'waiting'
            group by outcome, status, case when outcome in ('trap', 'out-of-scope') then detail end
            order by outcome <> 'captured', outcome, status, count(*) desc limit 500""")
    List<OutcomeCount> outcomes(@Param("range") IdRange range);

    @Select("""
            <script>select * from visit where id &gt; #{after} and id &lt;= #{last}
            <if test="outcome != null">and outcome = #{outcome}</if>
            order by id limit #{limit}</script>""")
    List<Visit> visits(
            @Param("outcome") String outcome,
            @Param("after") long after,
            @Param("last") long last,
            @Param("limit") int limit);

    @Update("""
            update visit set outcome = 'over-limit', detail = #{detail}
            where id between #{range.first} and #{range.last} and outcome = 'waiting'""")
    void leaveWaiting(@Param("range") IdRange range, @Param("detail") String detail);

    @Update("""
            update visit set outcome = 'waiting', item_id = null, capture_id = null
            where id between #{range.first} and #{range.last} and outcome = 'captured'
                and not exists (select 1 from capture c where c.id = visit.capture_id)""")
    void askAgainWhereNothingIsStored(@Param("range") IdRange range);

    @Delete("delete from visit where id = any(#{ids})")
    void deleteVisits(@Param("ids") Object[] ids);

    @Delete("delete from visit where id between #{range.first} and #{range.last}")
    void forgetVisits(@Param("range") IdRange range);
}
