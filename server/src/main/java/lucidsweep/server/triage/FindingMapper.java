package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.core.text.Ending;
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

    @Delete("delete from finding where item_id = any(#{ids})")
    void deleteOf(@Param("ids") Object[] ids);

    /** The findings of an item, as JSON. */
    record FindingValues(long itemId, long propertyId, String found) {}

    @Lang(ManyRows.class)
    @Insert("insert into finding (columns) values (rows)")
    void insert(List<FindingValues> findings);

    @Update("update property set findings_due = #{due} where id = #{propertyId}")
    void setDue(long propertyId, boolean due);

    @Select("select id from property where findings_due and removed is null order by id")
    List<Long> due();

    @Delete("delete from ending where property_id = #{propertyId}")
    void deleteEndings(long propertyId);

    @Insert("""
            insert into ending (property_id, text, count, px, fit_without)
            values (#{propertyId}, #{text}, #{count}, #{px}, #{fitWithout})""")
    void insertEnding(long propertyId, String text, int count, double px, int fitWithout);

    @Select("select text, count, px from ending where property_id = #{propertyId} order by length(text) desc, text")
    List<Ending> endings(long propertyId);

    @Select("select fit_without from ending where property_id = #{propertyId} and text = #{text}")
    Integer fitWithout(long propertyId, String text);
}
