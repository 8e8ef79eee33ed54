package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Stores what faults cost, and what search engines report of items. */
@Mapper
interface StakeMapper {

    @Select("select model from stake_model where property_id = #{propertyId}")
    String model(long propertyId);

    @Insert("merge into stake_model (property_id, model) key (property_id) values (#{propertyId}, #{model})")
    void setModel(long propertyId, String model);

    @Delete("delete from stake_model where property_id = #{propertyId}")
    void deleteModel(long propertyId);

    /** What is reported of an item, as JSON. */
    record DemandLine(long itemId, String demand) {}

    @Select("select item_id, demand from item_demand where item_id between #{first} and #{last}")
    List<DemandLine> demands(long first, long last);

    @Select("select item_id, demand from item_demand " + DraftMapper.AMONG_IDS + "item_id")
    List<DemandLine> demandsOf(@Param("ids") Object[] ids);

    @Lang(ManyRows.class)
    @Insert("insert into item_demand (columns) values (rows)")
    void insertDemands(List<DemandLine> demands);

    @Delete("delete from item_demand where item_id between #{first} and #{last}")
    void deleteDemands(long first, long last);

    /** What fixing the findings of an item could win. */
    record StakeLine(long itemId, String parts) {}

    @Lang(ManyRows.class)
    @Insert("insert into finding_stake (columns) values (rows)")
    void insertStakes(List<StakeLine> stakes);

    @Delete("delete from finding_stake where item_id between #{first} and #{last}")
    void deleteStakes(long first, long last);

    @Delete("delete from finding_stake where item_id = any(#{ids})")
    void deleteStakesOf(@Param("ids") Object[] ids);
}
