package lucidsweep.server.item;

import java.util.List;
import lucidsweep.server.database.IdRange;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Reads items. */
@Mapper
interface ItemMapper {

    @Select(ItemSql.LINE + "where i.id = " + ItemSql.IDS)
    List<ItemLine> lines(@Param("ids") Object[] ids);

    @Select("select id from item where id between #{first} and #{last} order by id")
    List<Long> allIds(IdRange items);

    @Select("select property_id from item where id = #{id}")
    Long propertyOf(long id);

    /** The findings of an item, as JSON. */
    record FlawLine(long itemId, String found) {}

    @Select("select item_id, found from finding where item_id between #{first} and #{last}")
    List<FlawLine> flaws(long first, long last);

    @Select("select item_id, found from finding where item_id = " + ItemSql.IDS)
    List<FlawLine> flawsOf(@Param("ids") Object[] ids);

    /** What an {@link ItemTable} holds of an item itself. */
    record TableItem(
            long id,
            String address,
            String section,
            int status,
            boolean indexable,
            String h1,
            int depth,
            int linksIn,
            String title,
            int titlePx,
            long titleAlike,
            String description,
            int descriptionPx,
            long descriptionAlike,
            String tags,
            int tagsPx,
            long tagsAlike) {}

    @Select(ItemSql.TABLE_ITEM + """
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<TableItem> tableItems(long after, long last, int limit);

    @Select(ItemSql.TABLE_ITEM + "where not gone and id = " + ItemSql.IDS)
    List<TableItem> tableItemsOf(@Param("ids") Object[] ids);

    /** What was written for a field; px and alike are null where the captured text is in force. */
    record Written(long id, String draft, Integer px, Long alike, String state, Long batchId, String kept) {}

    @Select(ItemSql.WRITTEN + "where id between #{first} and #{last}")
    List<Written> written(long first, long last);

    @Select(ItemSql.WRITTEN + "where id = " + ItemSql.IDS)
    List<Written> writtenOf(@Param("ids") Object[] ids);

    /** An item as it was captured. */
    record Core(
            long id,
            String address,
            String obstacle,
            String section,
            String h1,
            int h1Count,
            String opening,
            String price,
            String published,
            String title,
            int titleCount,
            long titleAlike,
            String description,
            int descriptionCount,
            long descriptionAlike,
            String tags,
            long tagsAlike) {}

    @Select(ItemSql.CORE + """
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<Core> cores(long after, long last, int limit);

    @Select(ItemSql.CORE + "where id between #{first} and #{last} and not gone order by id")
    List<Core> coresBetween(long first, long last);

    @Select(ItemSql.CORE + "where not gone and id = " + ItemSql.IDS + " order by id")
    List<Core> coresOf(@Param("ids") Object[] ids);

    @Select(ItemSql.CORE + "where id = " + ItemSql.IDS + " order by id")
    List<Core> coresOfGoneToo(@Param("ids") Object[] ids);

    /** The keyword that an item aims at. */
    record Aimed(long itemId, long keywordId, String phrase) {}

    @Select(ItemSql.AIM + "where r.item_id between #{first} and #{last}")
    List<Aimed> aims(long first, long last);

    @Select(ItemSql.AIM + "where r.item_id = " + ItemSql.IDS)
    List<Aimed> aimsOf(@Param("ids") Object[] ids);

    /** What a crawl saw of an item besides its fields; facts and copy are null where it was imported. */
    record Captured(long itemId, long captureId, String facts, byte[] copy, String linkTexts) {}

    @Select("""
            select i.id item_id, i.capture_id, c.facts, b.copy, coalesce(l.link_texts, '') link_texts from item i
            left join capture c on c.id = i.capture_id left join body b on b.capture_id = i.capture_id
            left join item_link l on l.item_id = i.id
            where i.id = """ + " " + ItemSql.IDS)
    List<Captured> captures(@Param("ids") Object[] ids);

    @Select("select id, sweep_id, facts from capture where id = " + ItemSql.IDS)
    List<Items.PastCapture> crawledCaptures(@Param("ids") Object[] ids);

    record GroupOf(long id, String section) {}

    @Select(
            "select id, section from item where id > #{after} and id <= #{last} and not gone order by id limit #{limit}")
    List<GroupOf> groupsAfter(long after, long last, int limit);

    record AddressOf(long id, String address) {}

    @Select("""
            select id, address from item
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<AddressOf> addressesAfter(long after, long last, int limit);

    @Select("select id, address from item where id = " + ItemSql.IDS)
    List<AddressOf> addresses(@Param("ids") Object[] ids);
}
