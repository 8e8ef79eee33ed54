package lucidsweep.server.watch.course;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores what people note on the time line. */
@Mapper
interface NoteMapper {

    record NoteLine(long id, LocalDate notedOn, String text) {}

    @Select("select id, noted_on, text from watch_note where property_id = #{propertyId} order by noted_on, id")
    List<NoteLine> all(long propertyId);

    @Insert("insert into watch_note (property_id, noted_on, text) values (#{propertyId}, #{day}, #{text})")
    void add(long propertyId, LocalDate day, String text);

    @Delete("delete from watch_note where property_id = #{propertyId} and id = #{id}")
    int remove(long propertyId, long id);
}
