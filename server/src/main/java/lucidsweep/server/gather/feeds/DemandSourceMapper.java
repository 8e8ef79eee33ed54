package lucidsweep.server.gather.feeds;

import java.util.List;
import lucidsweep.server.gather.schedule.Plans;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores where the demand of a property is fetched from, and when next by itself. */
@Mapper
interface DemandSourceMapper extends Plans {

    @Select("select address from demand_source where property_id = #{propertyId}")
    String demandSource(long propertyId);

    @Insert("merge into demand_source (property_id, address) key (property_id) values (#{propertyId}, #{address})")
    void setDemandSource(long propertyId, String address);

    @Override
    @Select("""
            select property_id id, every, next_day from demand_source
            where property_id = #{id} and next_day is not null""")
    Plan of(long id);

    @Override
    @Select("""
            select s.property_id id, s.every, s.next_day
            from demand_source s join property p on p.id = s.property_id join client c on c.id = p.client_id
            where s.next_day <= #{day} and p.removed is null and c.removed is null order by s.property_id""")
    List<Plan> due(String day);

    @Override
    @Update("update demand_source set every = #{every}, next_day = #{nextDay} where property_id = #{id}")
    void set(Plan plan);

    @Override
    @Update("update demand_source set every = null, next_day = null where property_id = #{id}")
    void remove(long id);
}
