package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.core.text.Ending;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface FindingMapper {

    @Delete("delete from finding where property_id = #{propertyId}")
    void deleteAll(long propertyId);

    @Delete("delete from finding where item_id = any(#{ids, typeHandler=org.apache.ibatis.type.ArrayTypeHandler})")
    void deleteOf(@Param("ids") Object[] ids);

    @Insert("""
            insert into finding (property_id, item_id, field, kind, evidence, shared, counted)
            select #{propertyId}, * from unnest(
                cast(#{items, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as bigint array),
                cast(#{fields, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{kinds, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{evidence, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{shared, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{counted, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as boolean array))""")
    void insert(
            @Param("propertyId") long propertyId,
            @Param("items") Object[] items,
            @Param("fields") Object[] fields,
            @Param("kinds") Object[] kinds,
            @Param("evidence") Object[] evidence,
            @Param("shared") Object[] shared,
            @Param("counted") Object[] counted);

    @Delete("delete from ending where property_id = #{propertyId}")
    void deleteEndings(long propertyId);

    @Insert("""
            insert into ending (property_id, text, count, px, fit_without)
            values (#{propertyId}, #{text}, #{count}, #{px}, #{fitWithout})""")
    void insertEnding(long propertyId, String text, int count, double px, int fitWithout);

    @Select("select text, count, px from ending where property_id = #{propertyId} order by length(text) desc, text")
    List<Ending> endings(long propertyId);

    @Select("select fit_without from ending where property_id = #{propertyId} and text = #{text}")
    Integer fitWithout(long propertyId, String text);

    record TallyLine(String field, String kind, String shared, String section, int items, long links) {}

    @Select("""
            select f.field, f.kind, f.shared, i.section, count(*) items, sum(i.links_in) links
            from finding f join item i on i.id = f.item_id
            where f.property_id = #{propertyId} and f.counted
            group by f.field, f.kind, f.shared, i.section order by f.field, f.kind, f.shared, i.section""")
    List<TallyLine> tallies(long propertyId);

    record KindCount(String field, String kind, int items) {}

    @Select("""
            select field, kind, count(*) items from finding
            where property_id = #{propertyId} and (counted or kind = 'not-indexable')
            group by field, kind order by field, items desc""")
    List<KindCount> kinds(long propertyId);

    @Select("select count(distinct item_id) from finding where property_id = #{propertyId} and counted")
    int flawedItems(long propertyId);

    @Select("""
            select f.id, i.address, f.field, f.kind, f.evidence, f.counted from finding f join item i on i.id = f.item_id
            where f.item_id = any(#{ids, typeHandler=org.apache.ibatis.type.ArrayTypeHandler}) order by f.item_id, f.id""")
    List<FindingRow> rows(@Param("ids") Object[] ids);
}
