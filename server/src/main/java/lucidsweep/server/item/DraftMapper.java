package lucidsweep.server.item;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Writes drafts, their states and keeps. */
@Mapper
interface DraftMapper {

    @Select("""
            select f.item_id, f.name field, f.captured, f.draft, f.state, f.batch_id, f.kept, f.alike
            from field f where f.id = """ + " " + ItemSql.IDS + " order by f.id")
    List<FieldLine> fields(@Param("ids") Object[] ids);

    @Update("""
            update field set draft = #{draft}, state = #{state}, batch_id = #{batchId}, px = #{m.px}, chars = #{m.chars},
                alike = #{m.alike}
            where id = #{id}""")
    void setDraft(
            @Param("id") long id,
            @Param("draft") String draft,
            @Param("state") String state,
            @Param("batchId") Long batchId,
            @Param("m") TextMeasure measure);

    @Update("update field set state = #{state} where draft is not null and id = " + ItemSql.IDS)
    int setState(@Param("ids") Object[] ids, @Param("state") String state);

    @Update("update field set kept = #{reason} where id = " + ItemSql.IDS)
    int setKept(@Param("ids") Object[] ids, @Param("reason") String reason);

    @Select("select distinct name from field where property_id = #{propertyId} and state <> '' order by name desc")
    List<String> draftedFields(long propertyId);

    @Select("""
            select count(*) from field f join item i on i.id = f.item_id
            where f.property_id = #{propertyId} and f.state = #{state} and not i.gone""")
    int count(long propertyId, String state);
}
