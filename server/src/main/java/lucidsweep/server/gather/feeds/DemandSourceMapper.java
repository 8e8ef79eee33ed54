package lucidsweep.server.gather.feeds;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores where the demand of a property is fetched from. */
@Mapper
interface DemandSourceMapper {

    @Select("select address from demand_source where property_id = #{propertyId}")
    String demandSource(long propertyId);

    @Insert("merge into demand_source (property_id, address) key (property_id) values (#{propertyId}, #{address})")
    void setDemandSource(long propertyId, String address);
}
