package lucidsweep.server.release;

import java.time.Instant;
import java.util.List;
import lucidsweep.server.gather.schedule.Plans;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores when the pages of recent releases are looked at again. */
@Mapper
interface LiveScheduleMapper extends Plans {

    @Override
    @Select("select property_id id, every, next_day from live_schedule where property_id = #{id}")
    Plan of(long id);

    @Override
    @Select("""
            select s.property_id id, s.every, s.next_day from live_schedule s join property p on p.id = s.property_id join client c on c.id = p.client_id
            where s.next_day <= #{day} and p.removed is null and c.removed is null order by s.property_id""")
    List<Plan> due(String day);

    @Override
    @Update("""
            merge into live_schedule (property_id, every, next_day) key (property_id)
            values (#{id}, #{every}, #{nextDay})""")
    void set(Plan plan);

    @Override
    @Delete("delete from live_schedule where property_id = #{id}")
    void remove(long id);

    /** The addresses of items with texts that arrived since a moment, those of the latest release first. */
    @Select("""
            select i.address from
            """ + LineIds.HANDOVERS_WITH_LINES + "join item i on i.id = l.item_id " + LiveMapper.ARRIVED + """
            and h.property_id = #{propertyId} and h.created >= #{since} and not i.gone
            group by i.address order by max(l.handover_id) desc, i.address fetch first #{limit} rows only""")
    List<String> addresses(
            @Param("propertyId") long propertyId, @Param("since") Instant since, @Param("limit") int limit);
}
