package lucidsweep.server.aim.reviews;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ReviewMapper {

    /** A review as it is stored. */
    record ReviewLine(long id, String list, String kind, String phrase, String place, String dueMonth) {}

    @Select("select * from review where property_id = #{propertyId} order by due_month = '', due_month, list, phrase")
    List<ReviewLine> all(long propertyId);

    /** A review as it is written; one that stands on its list already gets the month. */
    record NewReview(long propertyId, String list, String kind, String phrase, String place, String dueMonth) {}

    @Insert("""
            merge into review (property_id, list, kind, phrase, place, due_month, added)
            key (property_id, list, kind, phrase)
            select u.*, now() from unnest(cast(#{propertyId} as bigint array), cast(#{list} as varchar array),
                cast(#{kind} as varchar array), cast(#{phrase} as varchar array),
                cast(#{place} as varchar array), cast(#{dueMonth} as varchar array)) u""")
    void put(Map<String, Object[]> rows);

    @Update("update review set due_month = #{month} where property_id = #{propertyId} and id = any(#{ids})")
    void setMonth(@Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("month") String month);

    @Delete("delete from review where property_id = #{propertyId} and id = any(#{ids})")
    void remove(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    /** How many reviews of a property are due. */
    record DueCount(long propertyId, int reviews) {}

    @Select("""
            select property_id, count(*) reviews from review
            where property_id = any(#{ids}) and due_month <> '' and due_month <= #{month} group by property_id""")
    List<DueCount> countDue(@Param("ids") Object[] ids, @Param("month") String month);
}
