package lucidsweep.server.rewrite;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores bulk edits under their names. */
@Mapper
interface SavedEditMapper {

    /** @param lastItem the greatest id of an item when it was run last; 0 where it never was */
    record Line(long id, long propertyId, String name, String spec, long lastItem) {}

    @Select(
            "select id, property_id, name, spec, last_item from saved_edit where property_id = #{propertyId} order by name")
    List<Line> ofProperty(long propertyId);

    @Insert("""
            merge into saved_edit (property_id, name, spec) key (property_id, name)
            values (#{propertyId}, #{name}, #{spec})""")
    void save(long propertyId, String name, String spec);

    @Update("update saved_edit set last_item = #{lastItem} where property_id = #{propertyId} and id = #{id}")
    void ran(long propertyId, long id, long lastItem);

    @Delete("delete from saved_edit where property_id = #{propertyId} and id = #{id}")
    void delete(long propertyId, long id);
}
