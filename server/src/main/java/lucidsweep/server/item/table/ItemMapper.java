package lucidsweep.server.item.table;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.finding.Inbound;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.core.text.WrittenNumber;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Reads items. */
@Mapper
interface ItemMapper {

    String FIELDS = """
            left join draft t on t.id = i.id * 16
            left join draft_state ts on ts.field_id = t.id
            left join draft d on d.id = i.id * 16 + 1
            left join draft_state ds on ds.field_id = d.id
            left join draft g on g.id = i.id * 16 + 2
            left join draft_state gs on gs.field_id = g.id
            left join target r on r.primary_of = i.id
            left join keyword k on k.id = r.keyword_id
            """;

    /** What a table shows of an item. */
    String LINE = """
            select i.id, i.address, i.section, i.status, i.noindex_reason, i.noindex_detail, i.h1, i.h1_count, i.canonical, i.robots, i.price, i.published, i.views, i.favourites,
                coalesce(l.depth, i.depth) depth, coalesce(l.links_in, 0) links_in,
                i.title title_captured, t.text title_draft, nvl2(t.text, coalesce(ts.state, 'drafted'), null) title_state, t.kept title_kept,
                i.description description_captured, d.text description_draft, nvl2(d.text, coalesce(ds.state, 'drafted'), null) description_state, d.kept description_kept,
                i.tags tags_captured, g.text tags_draft, nvl2(g.text, coalesce(gs.state, 'drafted'), null) tags_state, g.kept tags_kept,
                k.id keyword_id, k.phrase keyword, k.volume, r.by_hand, r.score, r.reason
            from item i left join item_link l on l.item_id = i.id
            """ + FIELDS;

    /** What a table is filtered and sorted by. */
    String TABLE_COLUMNS = """
            select i.id, i.address, i.section, i.status, i.noindex_reason is null indexable, i.language, i.price, i.published, i.modified, i.h1,
                coalesce(l.depth, i.depth) depth, coalesce(l.links_in, 0) links_in, i.title title_text, i.title_px, i.title_alike,
                i.description description_text, i.description_px, i.description_alike, i.tags tags_text, i.tags_px, i.tags_alike""";

    String FROM_ITEM = " from item i left join item_link l on l.item_id = i.id ";

    String TABLE_ITEM = TABLE_COLUMNS + FROM_ITEM;

    String AIM =
            "select r.primary_of item_id, r.keyword_id, k.phrase from target r join keyword k on k.id = r.keyword_id ";

    @Select(LINE + "where i.id = " + DraftMapper.IDS)
    List<ItemLine> lines(@Param("ids") Object[] ids);

    @Select("select id from item where id between #{first} and #{last} order by id")
    List<Long> allIds(IdRange items);

    @Select("select count(*) from item where id > #{after} and id <= #{last} and not gone")
    int countAfter(long after, long last);

    @Select("select id from item where id > #{after} and id <= #{last} and not gone order by id")
    List<Long> idsAfter(long after, long last);

    /** The greatest id of an item; null where there is none. */
    @Select("select max(id) from item where id between #{first} and #{last}")
    Long lastId(IdRange items);

    @Select("select property_id from item where id = #{id}")
    Long propertyOf(long id);

    /** The findings of an item, as JSON. */
    record FindingLine(long itemId, String found) {}

    @Select("select item_id, found from finding where item_id between #{first} and #{last}")
    List<FindingLine> findings(long first, long last);

    @Select("select item_id, found from finding " + DraftMapper.AMONG_IDS + "item_id")
    List<FindingLine> findingsOf(@Param("ids") Object[] ids);

    /** Since when the findings of an item are there, as {@link lucidsweep.core.finding.FindingLife} has it. */
    record LifeLine(long itemId, String life) {}

    @Select("select item_id, life from finding_life where item_id between #{first} and #{last}")
    List<LifeLine> lives(long first, long last);

    /** What fixing the findings of an item could win, as {@link StakeParts} has it. */
    record StakeLine(long itemId, String parts) {}

    @Select("select item_id, parts from finding_stake where item_id between #{first} and #{last}")
    List<StakeLine> stakes(long first, long last);

    @Select("select item_id, parts from finding_stake " + DraftMapper.AMONG_IDS + "item_id")
    List<StakeLine> stakesOf(@Param("ids") Object[] ids);

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
            Traits traits,
            Measured title,
            Measured description,
            Measured tags) {}

    /** What else sets tell items apart by; "" where it is not known. */
    record Traits(String language, String price, String published, String modified) {

        /** NaN where it is not known, as of all that follow. */
        double amount() {
            return WrittenNumber.plain(price).map(Double::parseDouble).orElse(SetMember.UNKNOWN);
        }

        double publishedDay() {
            return day(published);
        }

        double changedDay() {
            return day(modified);
        }

        private static double day(String written) {
            return WrittenDate.iso(written, WrittenDate.Order.DAY_FIRST)
                    .map(day -> (double) LocalDate.parse(day).toEpochDay())
                    .orElse(SetMember.UNKNOWN);
        }
    }

    /** A captured text with its width in px and the hash of those that are alike; null where the item has none by nature. */
    record Measured(String text, int px, long alike) {}

    @Select(TABLE_ITEM + """
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<TableItem> tableItems(long after, long last, int limit);

    /**
     * All that a table knows of an item but its drafts; null where there is none.
     *
     * @param found its findings, as JSON
     * @param parts of what fixing them could win
     * @param life since when they are there
     */
    record TableRow(TableItem item, String found, String parts, String life, Long keywordId, String phrase) {}

    @Select(TABLE_COLUMNS + ", f.found, s.parts, w.life, k.id keyword_id, k.phrase" + FROM_ITEM + """
            left join finding f on f.item_id = i.id
            left join finding_stake s on s.item_id = i.id
            left join finding_life w on w.item_id = i.id
            left join target r on r.primary_of = i.id
            left join keyword k on k.id = r.keyword_id
            where not i.gone and i.id =\s""" + DraftMapper.IDS)
    List<TableRow> tableRows(@Param("ids") Object[] ids);

    /** The keyword that an item aims at. */
    record Aimed(long itemId, long keywordId, String phrase) {}

    @Select(AIM + "where r.primary_of between #{first} and #{last}")
    List<Aimed> aims(long first, long last);

    @Select(AIM + DraftMapper.AMONG_IDS + "r.primary_of")
    List<Aimed> aimsOf(@Param("ids") Object[] ids);

    /** What its site says of an item, as {@link lucidsweep.core.finding.PageNotes} has it. */
    record SiteNote(long itemId, String notes) {}

    @Select("select item_id, notes from site_note where item_id between #{first} and #{last}")
    List<SiteNote> siteNotes(long first, long last);

    @Select("select item_id, notes from site_note " + DraftMapper.AMONG_IDS + "item_id")
    List<SiteNote> siteNotesOf(@Param("ids") Object[] ids);

    /** How an item is linked to; the texts one a line. */
    record LinkedBy(long itemId, int linksIn, String linkTexts) {

        Inbound inbound() {
            return new Inbound(linksIn, linkTexts.isEmpty() ? List.of() : List.of(linkTexts.split("\n")));
        }
    }

    @Select("select item_id, links_in, link_texts from item_link where item_id between #{first} and #{last}")
    List<LinkedBy> linkedBy(long first, long last);

    @Select("select item_id, links_in, link_texts from item_link " + DraftMapper.AMONG_IDS + "item_id")
    List<LinkedBy> linkedByOf(@Param("ids") Object[] ids);

    /** What a crawl saw of an item besides its fields; facts and copy are null where it was imported. */
    record Captured(long itemId, long captureId, String facts, byte[] copy, String linkTexts) {}

    String CAPTURED = """
            select i.id item_id, i.capture_id, c.facts, b.copy, coalesce(l.link_texts, '') link_texts from item i
            left join capture c on c.id = i.capture_id left join body b on b.capture_id = i.capture_id
            left join item_link l on l.item_id = i.id
            where i.id
            """;

    @Select(CAPTURED + "= " + DraftMapper.IDS)
    List<Captured> captures(@Param("ids") Object[] ids);

    @Select(CAPTURED + "between #{first} and #{last}")
    List<Captured> capturesBetween(long first, long last);

    @Select("select id, sweep_id, facts from capture " + DraftMapper.AMONG_IDS + "id")
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

    @Select("select id, section from item " + DraftMapper.AMONG_IDS + "id")
    List<GroupOf> sections(@Param("ids") Object[] ids);

    @Select("select id, address from item " + DraftMapper.AMONG_IDS + "id")
    List<AddressOf> addresses(@Param("ids") Object[] ids);
}
