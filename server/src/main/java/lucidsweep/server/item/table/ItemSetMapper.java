package lucidsweep.server.item.table;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ItemSetMapper {

    /** A set as it is stored; conditions and standard as JSON. */
    record SetLine(long id, long propertyId, String name, String conditions, String ownStandard) {}

    String LINE = "select id, property_id, name, conditions, own_standard from item_set ";

    @Select(LINE + "where property_id = #{propertyId} and removed is null order by place, id")
    List<SetLine> ofProperty(long propertyId);

    @Select(LINE + "where id = #{id}")
    SetLine find(long id);

    final class Key {
        long id;
    }

    @Insert("""
            insert into item_set (property_id, name, conditions, place)
            select #{propertyId}, #{name}, #{conditions}, coalesce(max(place), 0) + 1 from item_set
            where property_id = #{propertyId}""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(
            @Param("key") Key key,
            @Param("propertyId") long propertyId,
            @Param("name") String name,
            @Param("conditions") String conditions);

    @Update("update item_set set name = #{name}, conditions = #{conditions} where id = #{id}")
    void change(@Param("id") long id, @Param("name") String name, @Param("conditions") String conditions);

    @Update("update item_set set own_standard = #{standard} where id = #{id}")
    void setStandard(@Param("id") long id, @Param("standard") String standard);

    @Update("update item_set set place = #{place} where id = #{id}")
    void setPlace(@Param("id") long id, @Param("place") int place);

    @Update("update item_set set removed = now() where id = #{id}")
    void remove(long id);

    @Update("update item_set set removed = null where id = #{id}")
    void restore(long id);
}
