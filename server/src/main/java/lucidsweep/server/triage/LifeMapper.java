package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

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

    /** The moment of which the latest sweep of items tells, in seconds since 1970; null before the first. */
    @Select("""
            select cast(floor(extract(epoch from max(coalesce(taken_at, started)))) as bigint) from sweep
            where property_id = #{propertyId} and of_items""")
    Long latestSweep(long propertyId);
}
