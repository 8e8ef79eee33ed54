package lucidsweep.server.gather.schedule;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores when properties are swept by themselves. */
@Mapper
interface ScheduleMapper extends Plans {

    @Override
    @Select("select property_id id, every, next_day from schedule where property_id = #{id}")
    Plan of(long id);

    @Override
    @Select("""
            select s.property_id id, s.every, s.next_day from schedule s join property p on p.id = s.property_id join client c on c.id = p.client_id
            where s.next_day <= #{day} and p.removed is null and c.removed is null order by s.property_id""")
    List<Plan> due(String day);

    @Select("select property_id id, every, next_day from schedule where property_id = any(#{ids})")
    List<Plan> ofAll(@Param("ids") Object[] ids);

    @Override
    @Update("""
            merge into schedule (property_id, every, next_day) key (property_id)
            values (#{id}, #{every}, #{nextDay})""")
    void set(Plan plan);

    @Override
    @Delete("delete from schedule where property_id = #{id}")
    void remove(long id);
}
