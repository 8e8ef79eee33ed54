package lucidsweep.server.release.review;

import java.time.Instant;
import java.util.List;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ReviewSheetMapper {

    /** @param taken when it was last taken in; null where it was not yet */
    record Sheet(String id, long propertyId, Instant created, Instant taken, int texts) {}

    @Insert("insert into review_sheet (id, property_id, created, texts) values (#{id}, #{propertyId}, now(), #{texts})")
    void insert(String id, long propertyId, int texts);

    @Select("select id, property_id, created, taken, texts from review_sheet where id = #{id}")
    Sheet find(String id);

    @Select("""
            select id, property_id, created, taken, texts from review_sheet where property_id = #{propertyId}
            order by created desc limit 50""")
    List<Sheet> ofProperty(long propertyId);

    @Update("update review_sheet set taken = now() where id = #{id}")
    void take(String id);

    /** A text as it stood in a sheet. */
    record Line(String sheetId, long fieldId, String text) {}

    @Lang(ManyRows.class)
    @Insert("insert into review_sheet_line (columns) values (rows)")
    void insertLines(List<Line> lines);

    @Select("select sheet_id, field_id, text from review_sheet_line where sheet_id = #{sheetId} order by field_id")
    List<Line> lines(String sheetId);

    /** What was said of a draft. */
    record Note(long fieldId, String note, Instant noted) {}

    @Insert("merge into draft_note (field_id, note, noted) key (field_id) values (#{fieldId}, #{note}, now())")
    void note(long fieldId, String note);

    @Delete("delete from draft_note where field_id = any(#{ids})")
    void forgetNotes(@Param("ids") Object[] ids);

    @Select("select field_id, note, noted from draft_note " + DraftMapper.AMONG_IDS + "field_id")
    List<Note> notes(@Param("ids") Object[] ids);
}
