package lucidsweep.server.release;

import java.util.List;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores which items a release left as they are. */
@Mapper
interface HeldBackMapper {

    record HeldLine(long handoverId, long propertyId, long itemId) {}

    @Lang(ManyRows.class)
    @Insert("insert into held_back (columns) values (rows)")
    void insert(List<HeldLine> lines);

    @Select("select distinct item_id from held_back where property_id = #{propertyId} order by item_id")
    List<Long> items(long propertyId);

    record HeldCount(long handoverId, int items) {}

    @Select("select handover_id, count(*) items from held_back where property_id = #{propertyId} group by handover_id")
    List<HeldCount> counts(long propertyId);

    @Delete("delete from held_back where handover_id = #{handoverId}")
    int letGo(long handoverId);
}
