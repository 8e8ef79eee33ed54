package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import java.io.InputStream;
import java.util.List;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.triage.Estimates.Estimate;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ReleaseMapper {

    final class Key {
        long id;
    }

    @Insert("""
            insert into handover (property_id, format, items, texts, created, name, reason)
            values (#{propertyId}, #{format}, 0, 0, now(), #{name}, #{reason})""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(
            @Param("key") Key key,
            @Param("propertyId") long propertyId,
            @Param("format") String format,
            @Param("name") String name,
            @Param("reason") String reason);

    /** Keeps what was said of drafts when they were sent back. */
    @Insert("""
            merge into draft_note (field_id, note, noted) key (field_id)
            select id, #{note}, now() from unnest(cast(#{fieldIds} as bigint array)) as n (id)""")
    void note(@Param("fieldIds") Object[] fieldIds, @Param("note") String note);

    @Update("update handover set items = #{items}, texts = #{texts} where id = #{id}")
    void setCounts(long id, int items, int texts);

    /**
     * A text as it is recorded.
     *
     * @param mended the ids of the checks whose findings it ends, with commas between
     * @param won, wonLow, wonHigh the clicks a month that it is estimated to win; null where nothing is reported
     */
    record LineValues(
            long handoverId,
            long itemId,
            Field field,
            String beforeText,
            String afterText,
            String mended,
            @Nullable Double won,
            @Nullable Double wonLow,
            @Nullable Double wonHigh) {

        static LineValues of(long handoverId, FieldLine text, Estimate estimate) {
            Stake won = estimate.won();
            return new LineValues(
                    handoverId,
                    text.itemId(),
                    text.field(),
                    text.captured(),
                    text.text(),
                    String.join(",", estimate.mended()),
                    won == null ? null : won.clicks(),
                    won == null ? null : won.low(),
                    won == null ? null : won.high());
        }
    }

    record Delivery(long itemId, long handoverId) {}

    /**
     * The last handover before one with which a field of items was delivered, for a stretch of items.
     *
     * @param stretch within the lines of a handover, see {@link LineIds#within}
     */
    @Select("""
            select l.item_id, max(l.handover_id) handover_id from handover h
            join handover_line l on l.id between h.id *\s""" + LineIds.STEP + " + #{stretch.first} and h.id * " + LineIds.STEP + """
             + #{stretch.last}
            where h.property_id = #{propertyId} and h.id < #{handoverId} and l.field = #{field}
            group by l.item_id""")
    List<Delivery> deliveredBefore(
            @Param("propertyId") long propertyId,
            @Param("handoverId") long handoverId,
            @Param("field") Field field,
            @Param("stretch") IdRange stretch);

    @Lang(ManyRows.class)
    @Insert("insert into handover_line (columns) values (rows)")
    void insertLines(List<LineValues> lines);

    @Select("select * from handover where id = #{id}")
    Handover find(long id);

    @Select("select * from handover where property_id = #{propertyId} order by id desc")
    List<Handover> ofProperty(long propertyId);

    /** A text that was handed over. */
    record Line(long id, long itemId, String address, Field field, String before, String after) {

        static Line of(long handoverId, FieldLine text, String address) {
            long id = LineIds.of(handoverId, text.id());
            return new Line(id, text.itemId(), address, text.field(), text.captured(), text.text());
        }
    }

    String LINE = "select l.id, l.item_id, i.address, l.field, l.before_text \"BEFORE\", l.after_text \"AFTER\" from ";

    /** The next lines after one, in the order of the items. */
    @Select(LINE + """
            handover_line l join item i on i.id = l.item_id
            where l.id > #{afterLine} and l.id <= #{lastLine} order by l.id fetch first #{limit} rows only""")
    List<Line> lines(long afterLine, long lastLine, int limit);

    /** The fields of which anything was handed over. */
    @Select("select distinct field from handover_line where id between #{first} and #{last}")
    List<Field> fields(IdRange lines);

    /** The slugs that were handed over with some handovers of a property, the first first. */
    @Select(LINE + LineIds.HANDOVERS_WITH_LINES + """
            join item i on i.id = l.item_id
            where h.property_id = #{propertyId} and h.id between #{first} and #{last} and l.field = 'slug'
            order by l.id""")
    List<Line> slugs(long propertyId, long first, long last);

    @Insert("insert into handover_file (handover_id, content) values (#{handoverId}, #{content})")
    void keepFile(@Param("handoverId") long handoverId, @Param("content") InputStream content);

    /** A file as it was delivered, packed with gzip. */
    record KeptFile(byte[] content) {}

    @Select("select content from handover_file where handover_id = #{handoverId}")
    KeptFile file(long handoverId);

    @Select("""
            select * from handover h
            where not exists (select 1 from handover_file f where f.handover_id = h.id) order by id""")
    List<Handover> withoutFile();

    /** The items i of approved drafts, whose states are s. */
    String APPROVED = "select i.id from draft_state s join item i on i.id = s.field_id / " + FieldId.STEP
            + " and s.state = 'approved' ";

    /** The items of approved drafts, an entry for each, that were captured otherwise after the draft was written; imported rows have the ids of their import. */
    @Select(APPROVED + """
            join draft d on d.id = s.field_id
            join batch b on b.id = d.batch_id
            left join capture c on c.id = i.capture_id
            join sweep w on w.id = coalesce(c.sweep_id, i.capture_id / 2147483648)
            where s.field_id between #{first} and #{last} and not i.gone and w.started > b.created""")
    List<Long> older(long first, long last);

    /** The items of approved drafts, an entry for each, that are gone. */
    @Select(APPROVED + "where s.field_id between #{first} and #{last} and i.gone")
    List<Long> gone(long first, long last);
}
