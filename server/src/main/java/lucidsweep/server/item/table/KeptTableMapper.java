package lucidsweep.server.item.table;

import java.util.List;
import java.util.Set;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores which tables on the disk are as the database is. */
@Mapper
interface KeptTableMapper {

    record Kept(long propertyId, String token) {}

    @Select("select property_id, token from kept_table")
    List<Kept> all();

    @Insert("insert into kept_table (property_id, token) values (#{propertyId}, #{token})")
    void insert(long propertyId, String token);

    @Delete("delete from kept_table")
    void clear();

    /** The properties that somebody is at work on. */
    @Select("""
            select property_id from writer union select property_id from job where state = 'running' and property_id is not null""")
    Set<Long> busy();

    @Select("select count(*) from \"flyway_schema_history\"")
    int schemaVersion();
}
