package lucidsweep.server.rewrite;

import java.util.List;
import lucidsweep.core.item.Field;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface RecipeMapper {

    /** @param setId the set that it is in force for; null for all items, or where it is not in force */
    record Line(long id, Field field, String name, String spec, boolean inForce, Long setId) {}

    @Select("""
            select id, field, name, spec, in_force, set_id from recipe where property_id = #{propertyId}
            order by field, name""")
    List<Line> ofProperty(long propertyId);

    @Insert("""
            merge into recipe (property_id, field, name, spec, in_force, set_id) key (property_id, field, name)
            values (#{propertyId}, #{field}, #{name}, #{spec}, #{inForce}, #{setId})""")
    void save(long propertyId, Field field, String name, String spec, boolean inForce, Long setId);

    /** Of one field and one set only one is in force. */
    @Update("""
            update recipe set in_force = false where property_id = #{propertyId} and field = #{field} and in_force
            and name <> #{but} and set_id is not distinct from cast(#{setId} as bigint)""")
    void endOthers(long propertyId, Field field, Long setId, String but);

    @Delete("delete from recipe where property_id = #{propertyId} and id = #{id}")
    void delete(long propertyId, long id);
}
