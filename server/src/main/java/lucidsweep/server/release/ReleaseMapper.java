package lucidsweep.server.release;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ReleaseMapper {

    final class Key {
        long id;
    }

    @Insert("""
            insert into handover (property_id, format, items, texts, created)
            values (#{propertyId}, #{format}, #{items}, #{texts}, now())""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(
            @Param("key") Key key,
            @Param("propertyId") long propertyId,
            @Param("format") String format,
            @Param("items") int items,
            @Param("texts") int texts);

    @Update("update handover set items = #{items}, texts = #{texts} where id = #{id}")
    void setCounts(long id, int items, int texts);

    @Insert("""
            insert into handover_line (handover_id, item_id, field, before_text, after_text)
            values (#{handoverId}, #{itemId}, #{field}, #{before}, #{after})""")
    void insertLine(long handoverId, long itemId, String field, String before, String after);

    @Select("select * from handover where id = #{id}")
    Handover find(long id);

    @Select("select * from handover where property_id = #{propertyId} order by id desc")
    List<Handover> ofProperty(long propertyId);

    /** A text that was handed over. */
    record Line(long itemId, String address, String field, String before, String after) {}

    @Select("""
            select l.item_id, i.address, l.field, l.before_text "BEFORE", l.after_text "AFTER"
            from handover_line l join item i on i.id = l.item_id
            where l.handover_id = #{handoverId} and l.item_id >= #{afterItem} and (l.item_id, l.field) > (#{afterItem}, #{afterField})
            order by l.handover_id, l.item_id, l.field limit #{limit}""")
    List<Line> lines(long handoverId, long afterItem, String afterField, int limit);
}
