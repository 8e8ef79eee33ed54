package lucidsweep.server.triage;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ExemptionMapper {

    /** An exemption that holds. */
    record Held(long itemId, Field field, String checkCode) {}

    String HELD = "select item_id, field, check_code from exemption where not came_back and ";

    @Select(HELD + "item_id between #{first} and #{last}")
    List<Held> between(long first, long last);

    @Select(HELD + "item_id = any(#{ids})")
    List<Held> of(@Param("ids") Object[] ids);

    @Insert("""
            merge into exemption (item_id, field, check_code, property_id, reason, until_day, added, came_back)
            key (item_id, field, check_code)
            select u.*, false from unnest(cast(#{itemId} as bigint array), cast(#{field} as varchar array),
                cast(#{checkCode} as varchar array), cast(#{propertyId} as bigint array),
                cast(#{reason} as varchar array), cast(#{untilDay} as date array),
                cast(#{added} as timestamp with time zone array)) u""")
    void put(Map<String, Object[]> rows);

    @Select("""
            select item_id from exemption where property_id = #{propertyId} and field = #{field} and check_code = #{check}
            and added = #{added}""")
    List<Long> addedAt(
            @Param("propertyId") long propertyId,
            @Param("field") Field field,
            @Param("check") String check,
            @Param("added") Instant added);

    /** Looked up row by row in the key, which "any" of many ids is not. */
    @Update("""
            merge into exemption e using unnest(cast(#{ids} as bigint array)) as n (item_id)
            on e.item_id = n.item_id and e.field = #{field} and e.check_code = #{check}
            when matched then delete""")
    int remove(@Param("ids") Object[] ids, @Param("field") Field field, @Param("check") String check);

    @Select(
            "select item_id, field, check_code, reason, until_day, added, came_back from exemption where item_id = #{item} order by added")
    List<Exemption> ofItem(long item);

    /** An exemption that holds, as a file has it. */
    record ToWrite(String address, Field field, String checkCode, String reason, LocalDate untilDay) {}

    @Select("""
            select i.address, e.field, e.check_code, e.reason, e.until_day
            from exemption e join item i on i.id = e.item_id
            where e.item_id between #{first} and #{last} and not e.came_back and not i.gone
            order by e.item_id, e.field, e.check_code""")
    List<ToWrite> toWrite(long first, long last);

    @Select("select distinct property_id from exemption where not came_back and until_day <= #{today}")
    List<Long> propertiesDue(LocalDate today);

    @Select(
            "select item_id from exemption where property_id = #{propertyId} and not came_back and until_day <= #{today}")
    List<Long> due(@Param("propertyId") long propertyId, @Param("today") LocalDate today);

    @Update(
            "update exemption set came_back = true where property_id = #{propertyId} and not came_back and until_day <= #{today}")
    void comeBack(@Param("propertyId") long propertyId, @Param("today") LocalDate today);

    @Select("select count(*) from exemption where property_id = #{propertyId} and not came_back")
    int count(long propertyId);
}
