package lucidsweep.server.rewrite;

import java.util.List;
import lucidsweep.core.item.Field;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface RecipeMapper {

    record Line(long id, Field field, String name, String spec) {}

    @Select("select id, field, name, spec from recipe where property_id = #{propertyId} order by field, name")
    List<Line> ofProperty(long propertyId);

    @Insert("""
            merge into recipe (property_id, field, name, spec) key (property_id, field, name)
            values (#{propertyId}, #{field}, #{name}, #{spec})""")
    void save(long propertyId, Field field, String name, String spec);

    @Delete("delete from recipe where property_id = #{propertyId} and id = #{id}")
    void delete(long propertyId, long id);
}
