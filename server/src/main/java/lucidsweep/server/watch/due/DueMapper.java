package lucidsweep.server.watch.due;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what became of what was due. */
@Mapper
interface DueMapper {

    record DecisionLine(
            String dueKey, String state, @Nullable LocalDate untilDay, String note) {}

    @Select("select due_key, state, until_day, note from due_decision where property_id = #{propertyId}")
    List<DecisionLine> all(long propertyId);

    @Update("""
            merge into due_decision (property_id, due_key, state, until_day, note, decided) key (property_id, due_key)
            values (#{propertyId}, #{key}, #{state}, #{until,jdbcType=DATE}, #{note}, now())""")
    void put(long propertyId, String key, String state, @Nullable LocalDate until, String note);

    @Delete("delete from due_decision where property_id = #{propertyId} and due_key = #{key}")
    void remove(long propertyId, String key);
}
