package lucidsweep.server.item;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.SelectProvider;

/** Reads items. */
@Mapper
interface ItemMapper {

    @SelectProvider(type = ItemSql.class, method = "ids")
    List<Long> ids(
            @Param("propertyId") long propertyId,
            @Param("filter") ItemFilter filter,
            @Param("like") String like,
            @Param("ids") Object[] ids,
            @Param("sort") ItemSort sort,
            @Param("descending") boolean descending);

    @Select(ItemSql.LINE + "where i.id = " + ItemSql.IDS)
    List<ItemLine> lines(@Param("ids") Object[] ids);

    record FlawLine(long itemId, String field, String kind, String evidence) {}

    @Select("select item_id, field, kind, evidence from finding where item_id = " + ItemSql.IDS + " order by id")
    List<FlawLine> flaws(@Param("ids") Object[] ids);

    @Select("""
            select section, count(*) items from item where property_id = #{propertyId} and not gone
            group by section order by items desc, section limit 500""")
    List<Items.Section> sections(long propertyId);

    @Select("""
            select count(*) items, count(case when i.obstacle is null then 1 end) indexable, count(r.keyword_id) aimed
            from item i left join target r on r.item_id = i.id
            where i.property_id = #{propertyId} and not i.gone""")
    Items.Counts counts(long propertyId);

    @Select("select property_id from item where id = #{id}")
    Long propertyOf(long id);

    /** An item without its fields. */
    record Core(
            long id,
            String address,
            String obstacle,
            String section,
            String h1,
            int h1Count,
            int linksIn,
            String linkTexts,
            String opening,
            String price) {}

    @Select(ItemSql.CORE + """
            from item i where i.property_id = #{propertyId} and not i.gone and i.id > #{after}
            order by i.property_id, i.id limit #{limit}""")
    List<Core> cores(long propertyId, long after, int limit);

    @Select(ItemSql.CORE + " from item i where not i.gone and i.id = " + ItemSql.IDS + " order by i.id")
    List<Core> coresOf(@Param("ids") Object[] ids);

    /** A field of an item, for rules and recipes. */
    record FieldText(long id, long itemId, String captured, int count, String text, long alike, String kept) {}

    @Select(ItemSql.FIELD + """
            where id between #{first} and #{last} and property_id = #{propertyId} order by id""")
    List<FieldText> fieldTexts(long propertyId, long first, long last);

    @Select(ItemSql.FIELD + "where id = " + ItemSql.IDS)
    List<FieldText> fieldTextsOf(@Param("ids") Object[] ids);

    record Aimed(long itemId, String phrase) {}

    @Select(ItemSql.AIM + "where r.item_id between #{first} and #{last} and r.property_id = #{propertyId}")
    List<Aimed> aims(long propertyId, long first, long last);

    @Select(ItemSql.AIM + "where r.item_id = " + ItemSql.IDS)
    List<Aimed> aimsOf(@Param("ids") Object[] ids);

    /** What a sweep saw of an item besides its fields. */
    record Captured(long itemId, String facts, byte[] copy) {}

    @Select("""
            select i.id item_id, c.facts, b.copy from item i
            join capture c on c.id = i.capture_id join body b on b.capture_id = i.capture_id
            where i.id = """ + " " + ItemSql.IDS)
    List<Captured> captures(@Param("ids") Object[] ids);

    @Select("""
            select f.alike, count(*) count, min(f.item_id) first_item, max(f.item_id) last_item
            from field f join item i on i.id = f.item_id
            where f.property_id = #{propertyId} and f.name = #{field} and f.alike <> 0 and i.obstacle is null and not i.gone
            group by f.alike having count(*) > 1""")
    List<AlikeGroup> alikeGroups(long propertyId, String field);

    @Select("""
            select f.alike, count(*) count, min(f.item_id) first_item, max(f.item_id) last_item
            from field f use index (field_twin) join item i on i.id = f.item_id
            where f.property_id = #{propertyId} and f.name = #{field} and i.obstacle is null and not i.gone
                and f.alike = any(#{keys, typeHandler=org.apache.ibatis.type.ArrayTypeHandler})
            group by f.alike having count(*) > 1""")
    List<AlikeGroup> alikeGroupsOf(
            @Param("propertyId") long propertyId, @Param("field") String field, @Param("keys") Object[] keys);

    @Select("""
            select f.item_id from field f use index (field_twin) join item i on i.id = f.item_id
            where f.property_id = #{propertyId} and f.name = #{field} and not i.gone
                and f.alike = any(#{keys, typeHandler=org.apache.ibatis.type.ArrayTypeHandler})""")
    List<Long> alikeItems(
            @Param("propertyId") long propertyId, @Param("field") String field, @Param("keys") Object[] keys);

    record AddressOf(long id, String address) {}

    @Select("select id, address from item where id = " + ItemSql.IDS)
    List<AddressOf> addresses(@Param("ids") Object[] ids);
}
