package lucidsweep.server.triage;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface LifeMapper {

    /** Since when the findings of an item are there, as {@link lucidsweep.core.finding.FindingLife} has it. */
    record LifeLine(long itemId, String life) {}

    @Select("select item_id, life from finding_life where item_id between #{first} and #{last}")
    List<LifeLine> between(long first, long last);

    @Select("select item_id, life from finding_life " + DraftMapper.AMONG_IDS + "item_id")
    List<LifeLine> of(@Param("ids") Object[] ids);

    @Lang(ManyRows.class)
    @Insert("merge into finding_life (columns) key (item_id) values (rows)")
    void put(List<LifeLine> lines);

    record FixedKey(long itemId, Field field, String checkCode) {}

    @Select("select item_id, field, check_code from fixed_finding where item_id between #{first} and #{last}")
    List<FixedKey> fixedBetween(long first, long last);

    @Select("select item_id, field, check_code from fixed_finding " + DraftMapper.AMONG_IDS + "item_id")
    List<FixedKey> fixedOf(@Param("ids") Object[] ids);

    /** A finding that is there no longer. */
    record FixedLine(
            long itemId, String field, String checkCode, long propertyId, long since, Instant ended, boolean byDraft) {}

    @Lang(ManyRows.class)
    @Insert("merge into fixed_finding (columns) key (item_id, field, check_code) values (rows)")
    void putFixed(List<FixedLine> lines);

    /** A finding that had ended and is back. */
    record BackLine(long itemId, String field, String checkCode) {}

    /** Looked up row by row in the key, which "any" of many ids is not. */
    @Update("""
            merge into fixed_finding f
            using unnest(cast(#{itemId} as bigint array), cast(#{field} as varchar array),
                cast(#{checkCode} as varchar array)) as n (item_id, field, check_code)
            on f.item_id = n.item_id and f.field = n.field and f.check_code = n.check_code
            when matched then delete""")
    void removeFixed(Map<String, Object[]> rows);

    /** The moment of which the latest sweep of items tells, in seconds since 1970; null before the first. */
    @Select("""
            select cast(floor(extract(epoch from max(coalesce(taken_at, started)))) as bigint) from sweep
            where property_id = #{propertyId} and of_items""")
    Long latestSweep(long propertyId);

    /** Findings that ended in a second since 1970, counted. */
    record FixedCount(long atSecond, boolean byDraft, boolean delivered, int findings) {}

    @Select("""
            select at_second, by_draft, delivered, count(*) findings from (
                select cast(floor(extract(epoch from f.ended)) as bigint) at_second, f.by_draft,
                    coalesce(d.state in ('delivered', 'live'), false) delivered
                from fixed_finding f left join draft d on d.id = f.item_id * 4
                    + case f.field when 'title' then 0 when 'description' then 1 when 'tags' then 2 else 3 end
                where f.property_id = #{propertyId})
            group by at_second, by_draft, delivered""")
    List<FixedCount> fixed(long propertyId);
}
