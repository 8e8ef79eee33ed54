package lucidsweep.server.item.capture;

import java.util.List;
import java.util.Map;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Writes what sweeps see, many rows at a time. */
@Mapper
interface CaptureMapper {

    record Known(
            long id, long addressHash, long captureId, long captureHash, long firstSweep, int h1Count, boolean gone) {}

    @Select("""
            select id, address_hash, capture_id, capture_hash, first_sweep, h1_count, gone from item
            where id > #{after} and id <= #{last} order by id limit #{limit}""")
    List<Known> known(long after, long last, int limit);

    @Select("select next value for capture_block")
    long nextCaptureBlock();

    /** An item new or changed; what is counted over all items, such as links, stays as it is. */
    record ItemValues(
            long id,
            long propertyId,
            String address,
            long addressHash,
            String section,
            String noindexReason,
            String noindexDetail,
            CapturedItem.Page page,
            CapturedItem.Listing listing,
            Version version,
            Texts texts) {}

    /** Which capture is in force, and which sweeps saw the item first and last. */
    record Version(long captureId, long captureHash, long textHash, long firstSweep, long lastSweep, boolean gone) {}

    /** The texts with their measures; of what an item has none by nature, the text is null. */
    record Texts(
            String title,
            int titleCount,
            int titlePx,
            long titleAlike,
            String description,
            int descriptionCount,
            int descriptionPx,
            long descriptionAlike,
            String tags,
            int tagsPx,
            long tagsAlike) {}

    @Lang(ManyRows.class)
    @Insert("insert into item (columns) values (rows)")
    void insertItems(List<ItemValues> items);

    @Lang(ManyRows.class)
    @Insert("merge into item (columns) key (id) values (rows)")
    void changeItems(List<ItemValues> items);

    @Update("update item set last_sweep = #{sweepId}, gone = false where id = any(#{ids})")
    void seen(@Param("sweepId") long sweepId, @Param("ids") Object[] ids);

    record CaptureValues(long id, long itemId, long sweepId, long hash, String facts) {}

    @Lang(ManyRows.class)
    @Insert("insert into capture (columns) values (rows)")
    void insertCaptures(List<CaptureValues> captures);

    record BodyValues(long captureId, byte[] copy, byte[] links) {}

    @Lang(ManyRows.class)
    @Insert("insert into body (columns) values (rows)")
    void insertBodies(List<BodyValues> bodies);

    /** The markup of a page as it came, packed. */
    record Source(long captureId, byte[] markup) {}

    @Lang(ManyRows.class)
    @Insert("merge into page_markup (columns) key (capture_id) values (rows)")
    void keepSources(List<Source> sources);

    /** Captured texts that have changed are to be measured by themselves again, where no draft is in force. */
    @Update("update draft set px = null, alike = null where text is null and id = any(#{fieldIds})")
    void forgetMeasures(@Param("fieldIds") Object[] fieldIds);

    @Select("select exists (select 1 from draft where id between #{first} and #{last})")
    boolean isAnyDrafted(@Param("first") long first, @Param("last") long last);

    @Insert("insert into item_before (sweep_id, " + BEFORE_COLUMNS + ") select #{sweepId}, " + BEFORE_COLUMNS
            + " from item " + DraftMapper.AMONG_IDS + "id")
    void keepItems(@Param("sweepId") long sweepId, @Param("ids") Object[] ids);

    String BEFORE_COLUMNS = """
            id, address, section, status, content_type, noindex_reason, noindex_detail, h1, h1_count, canonical, robots, language, opening, price,
                depth, capture_id, capture_hash, last_sweep, gone, published, modified, views, favourites, text_hash, title,
                title_count, description, description_count, tags, notes""";

    @Insert("merge into item (" + BEFORE_COLUMNS + ") key (id) select " + BEFORE_COLUMNS
            + " from item_before where sweep_id = #{sweepId}")
    void putItemsBack(long sweepId);

    @Update(
            "update item set gone = true where id between #{items.first} and #{items.last} and first_sweep = #{sweepId}")
    void markNewOnesGone(@Param("items") IdRange items, @Param("sweepId") long sweepId);

    @Update("""
            delete from item where id between #{items.first} and #{items.last} and first_sweep = #{sweepId}
            and not exists (select 1 from target t where t.item_id = item.id)
            and not exists (select 1 from removed_target t where t.item_id = item.id)
            and not exists (select 1 from better_refused r where r.item_id = item.id)
            and not exists (select 1 from draft d where d.id between item.id * 16 and item.id * 16 + 15)""")
    void removeNewItems(@Param("items") IdRange items, @Param("sweepId") long sweepId);

    /** The last item that a property ever had, so that no other gets its id. */
    @Select("select last_item from property where id = #{propertyId}")
    long lastItem(long propertyId);

    @Update("""
            update property set last_item = greatest(last_item,
                coalesce((select max(id) from item where id between #{items.first} and #{items.last}), 0))
            where id = #{propertyId}""")
    void rememberLastItem(@Param("propertyId") long propertyId, @Param("items") IdRange items);

    /** The texts of an item as they were before an import. */
    record TextsBefore(long id, String title, String description, String tags) {}

    @Select("""
            select id, title, description, tags from item_before
            where sweep_id = #{sweepId} and id > #{after} order by sweep_id, id limit #{limit}""")
    List<TextsBefore> textsBefore(long sweepId, long after, int limit);

    record Measures(
            long id,
            int titlePx,
            long titleAlike,
            int descriptionPx,
            long descriptionAlike,
            int tagsPx,
            long tagsAlike) {}

    @Update("""
            merge into item i using unnest(cast(#{id} as bigint array), cast(#{titlePx} as int array),
                cast(#{titleAlike} as bigint array), cast(#{descriptionPx} as int array),
                cast(#{descriptionAlike} as bigint array), cast(#{tagsPx} as int array),
                cast(#{tagsAlike} as bigint array)) as n (id, title_px, title_alike, description_px, description_alike,
                tags_px, tags_alike) on i.id = n.id
            when matched then update set title_px = n.title_px, title_alike = n.title_alike,
                description_px = n.description_px, description_alike = n.description_alike, tags_px = n.tags_px,
                tags_alike = n.tags_alike""")
    void setMeasures(Map<String, Object[]> measures);

    @Update("delete from item_before where sweep_id = #{sweepId}")
    void forgetItemsBefore(long sweepId);

    @Update("""
            update item set capture_hash = 0 where id between #{items.first} and #{items.last} and last_sweep = #{sweepId}
            and not exists (select 1 from capture c where c.id = item.capture_id)""")
    void distrust(@Param("items") IdRange items, @Param("sweepId") long sweepId);

    @Update("""
            update item set capture_hash = 0
            where id between #{items.first} and #{items.last} and capture_id between #{rows.first} and #{rows.last}""")
    void distrustRows(@Param("items") IdRange items, @Param("rows") IdRange rows);

    @Update("""
            delete from capture where sweep_id = #{sweepId}
            and not exists (select 1 from item i where i.id = capture.item_id and i.capture_id = capture.id)""")
    void removeUnusedCaptures(long sweepId);

    @Update("update item set gone = true where id = any(#{ids})")
    void setGone(@Param("ids") Object[] ids);

    @Update(
            "update item set gone = true where id between #{items.first} and #{items.last} and last_sweep <> #{sweepId} and not gone")
    int markGone(@Param("items") IdRange items, @Param("sweepId") long sweepId);

    @Update("""
            update item set noindex_reason = null, noindex_detail = null
            where id between #{items.first} and #{items.last} and noindex_reason = 'same-page'
            and exists (select 1 from twin t where t.item_id = item.id)""")
    void clearTwins(@Param("items") IdRange items);

    @Update("delete from twin where item_id between #{items.first} and #{items.last}")
    void forgetTwins(@Param("items") IdRange items);

    /** An indexable page with what tells whether it is the same as others. */
    record Page(long id, String address, long textHash) {}

    @Select("""
            select id, address, text_hash from item
            where id > #{after} and id <= #{last} and not gone and noindex_reason is null and text_hash <> 0
            order by id limit #{limit}""")
    List<Page> pages(long after, long last, int limit);

    record Twin(long id, long twinOf, String address) {}

    @Update("""
            merge into item i using unnest(cast(#{id} as bigint array), cast(#{address} as varchar array))
                as n (id, address) on i.id = n.id
            when matched then update set noindex_reason = 'same-page', noindex_detail = n.address""")
    void markTwins(Map<String, Object[]> twins);

    @Insert("""
            insert into twin (item_id, twin_of)
            select * from unnest(cast(#{id} as bigint array), cast(#{twinOf} as bigint array))""")
    void insertTwins(Map<String, Object[]> twins);

    @Select("""
            select count(*) from twin t join item i on i.id = t.item_id
            where t.item_id between #{items.first} and #{items.last} and i.last_sweep = #{sweepId}""")
    int countTwins(@Param("items") IdRange items, @Param("sweepId") long sweepId);

    /** An item with what was counted of its links before. */
    record Linked(long id, long addressHash, int depth, int linksIn, String linkTexts) {}

    @Select("""
            select id, address_hash, coalesce(l.depth, i.depth) depth, coalesce(l.links_in, 0) links_in,
                coalesce(l.link_texts, '') link_texts
            from item i left join item_link l on l.item_id = i.id
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<Linked> linked(long after, long last, int limit);

    record Links(long itemId, byte[] links) {}

    @Select("""
            select i.id item_id, b.links from item i join body b on b.capture_id = i.capture_id
            where i.id between #{first} and #{last} and not i.gone order by i.id""")
    List<Links> links(long first, long last);

    record LinkCount(long itemId, int linksIn, String linkTexts, int depth) {}

    @Lang(ManyRows.class)
    @Insert("merge into item_link (columns) key (item_id) values (rows)")
    void setLinks(List<LinkCount> counts);
}
