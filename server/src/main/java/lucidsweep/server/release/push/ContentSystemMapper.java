package lucidsweep.server.release.push;

import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ContentSystemMapper {

    /** @param settings as JSON, without the secret */
    record Line(long propertyId, String settings, byte[] sealed) {}

    @Select("select * from content_system where property_id = #{propertyId}")
    Line find(long propertyId);

    @Insert("""
            merge into content_system (property_id, settings, sealed) key (property_id)
            values (#{propertyId}, #{settings}, #{sealed})""")
    void save(Line line);

    @Delete("delete from content_system where property_id = #{propertyId}")
    void forget(long propertyId);
}
