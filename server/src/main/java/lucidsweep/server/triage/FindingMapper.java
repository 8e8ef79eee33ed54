package lucidsweep.server.triage;

import java.time.Instant;
import java.util.List;
import lucidsweep.core.text.CommonPart;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface FindingMapper {

    @Delete("delete from finding where item_id between #{first} and #{last} and property_id = #{propertyId}")
    void deleteBetween(long propertyId, long first, long last);

    /** The findings of an item, as JSON. */
    record StoredLine(long itemId, String found) {}

    @Select("select item_id, found from finding where item_id between #{first} and #{last}")
    List<StoredLine> found(long first, long last);

    @Delete("delete from finding where item_id = any(#{ids})")
    void deleteOf(@Param("ids") Object[] ids);

    /** The findings of an item, as JSON. */
    record FindingValues(long itemId, long propertyId, String found) {}

    @Lang(ManyRows.class)
    @Insert("insert into finding (columns) values (rows)")
    void insert(List<FindingValues> findings);

    /** Says that texts of a property changed once more, and returns how often they did. */
    @Select(
            value = "select text_changes from final table"
                    + " (update property set text_changes = text_changes + 1 where id = #{propertyId})",
            affectData = true)
    long countChange(long propertyId);

    @Select("select text_changes from property where id = #{propertyId}")
    long changes(long propertyId);

    /** Says that findings stand for all changes up to one. */
    @Update("update property set judged_changes = greatest(judged_changes, #{changes}) where id = #{propertyId}")
    void judgedAll(long propertyId, long changes);

    /** Says that findings stand for a single change; that holds only where they stood for all before it. */
    @Update("""
            update property set judged_changes = #{change}
            where id = #{propertyId} and judged_changes = #{change} - 1""")
    void judged(long propertyId, long change);

    @Select("select id from property where judged_changes < text_changes and removed is null order by id")
    List<Long> due();

    @Select("select max(started) from sweep where property_id = #{propertyId} and state = 'done'")
    Instant lastSwept(long propertyId);

    @Delete("delete from common_part where property_id = #{propertyId}")
    void deleteCommon(long propertyId);

    @Insert("""
            insert into common_part (property_id, side, text, count, px, fit_without)
            values (#{propertyId}, #{part.side}, #{part.text}, #{part.count}, #{part.px}, #{fitWithout})""")
    void insertCommon(long propertyId, CommonPart part, int fitWithout);

    @Select("""
            select side, text, count, px from common_part where property_id = #{propertyId}
            order by length(text) desc, text""")
    List<CommonPart> common(long propertyId);

    @Update("""
            update common_part set fit_without = fit_without + #{more}
            where property_id = #{propertyId} and text = #{text}""")
    void addFitWithout(long propertyId, String text, int more);

    @Select("select fit_without from common_part where property_id = #{propertyId} and text = #{text}")
    Integer fitWithout(long propertyId, String text);
}
