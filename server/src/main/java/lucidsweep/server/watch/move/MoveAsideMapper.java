package lucidsweep.server.watch.move;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores which moves were set aside, and why. */
@Mapper
interface MoveAsideMapper {

    record AsideLine(String moveKey, String reason) {}

    @Select("select move_key, reason from move_aside where property_id = #{propertyId}")
    List<AsideLine> all(long propertyId);

    @Update("""
            merge into move_aside (property_id, move_key, reason, decided) key (property_id, move_key)
            values (#{propertyId}, #{key}, #{reason}, now())""")
    void put(long propertyId, String key, String reason);

    @Delete("delete from move_aside where property_id = #{propertyId} and move_key = #{key}")
    void remove(long propertyId, String key);
}
