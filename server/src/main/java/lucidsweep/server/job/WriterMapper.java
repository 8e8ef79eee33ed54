package lucidsweep.server.job;

import java.time.Instant;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores who changes a property right now. */
@Mapper
interface WriterMapper {

    record Writer(String work, Instant since) {}

    @Insert("insert into writer (property_id, work, since) values (#{propertyId}, #{work}, now())")
    void take(long propertyId, String work);

    @Delete("delete from writer where property_id = #{propertyId}")
    void leave(long propertyId);

    @Select("select work, since from writer where property_id = #{propertyId}")
    Writer find(long propertyId);

    @Delete("delete from writer")
    void clear();
}
