package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.IdRange;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what sweeps saw of texts that were delivered; what was taken back, or never arrived, is left out everywhere. */
@Mapper
interface LiveMapper {

    /** Leaves the lines l that arrived: all of a file, and of a push those that are in place and were not taken back. */
    String ARRIVED = """
            left join push_line p on p.handover_id = l.handover_id and p.item_id = l.item_id and p.field = l.field
            where (p.state is null or p.state in ('pushed', 'in-place'))
            """;

    /** A text that was delivered, whether it has been seen live, and whether its item is gone. */
    record Delivered(long id, long itemId, Field field, String before, String after, LiveState live, boolean gone) {}

    /** The next texts that arrived, in the order of their ids: those of a file at once, those that are pushed one by one. */
    @Select("""
            select l.id, l.item_id, l.field, l.before_text "BEFORE", l.after_text "AFTER", l.live, i.gone
            from handover_line l join item i on i.id = l.item_id
            """ + ARRIVED + """
            and l.id > #{afterLine} and l.id <= #{lastLine} order by l.id fetch first #{limit} rows only""")
    List<Delivered> delivered(long afterLine, long lastLine, int limit);

    record Seen(long id, String live) {}

    @Update("""
            merge into handover_line l using unnest(cast(#{id} as bigint array), cast(#{live} as varchar array)) as n (id, live)
                on l.id = n.id
            when matched then update set live = n.live, live_since = now()""")
    void see(Map<String, Object[]> seen);

    /** How many texts of a handover are in a state; null for those that no sweep looked for yet. */
    record Count(long handoverId, @Nullable LiveState live, int texts) {}

    @Select("""
            select l.handover_id, l.live, count(*) texts from
            """ + LineIds.HANDOVERS_WITH_LINES + ARRIVED + """
            and h.property_id = #{propertyId}
            group by l.handover_id, l.live""")
    List<Count> counts(long propertyId);

    /** A text that was delivered, and since when it was seen as it is. */
    record Looked(long itemId, String address, Field field, String before, String after, Instant since) {}

    @Select("""
            select l.item_id, i.address, l.field, l.before_text "BEFORE", l.after_text "AFTER", l.live_since since
            from handover_line l join item i on i.id = l.item_id
            """ + ARRIVED + """
            and l.id between #{lines.first} and #{lines.last} and l.live = #{live}
            order by l.id fetch first #{limit} rows only""")
    List<Looked> texts(@Param("lines") IdRange lines, @Param("live") LiveState live, @Param("limit") int limit);

    /** A title or description that is live, and since when. */
    record LiveText(long handoverId, long itemId, Field field, String before, String text, Instant since) {}

    /** Those of some items; what was delivered last comes last. */
    @Select("""
            select l.handover_id, l.item_id, l.field, l.before_text "BEFORE", l.after_text text, l.live_since since from
            """ + LineIds.HANDOVERS_WITH_LINES + ARRIVED + """
            and h.property_id = #{propertyId} and l.item_id = any(#{itemIds}) and l.live = 'live'
                and l.field in ('title', 'description') and l.after_text <> ''
            order by l.handover_id""")
    List<LiveText> liveTexts(@Param("propertyId") long propertyId, @Param("itemIds") Object[] itemIds);

    /** A text that is live, without its words. */
    record LiveLine(
            long handoverId,
            long itemId,
            Field field,
            Instant created,
            Instant since,
            @Nullable String mended,
            @Nullable Double won,
            @Nullable Double wonLow,
            @Nullable Double wonHigh) {}

    @Select("""
            select l.handover_id, l.item_id, l.field, h.created, l.live_since since, l.mended, l.won, l.won_low, l.won_high from
            """ + LineIds.HANDOVERS_WITH_LINES + ARRIVED + """
            and h.property_id = #{propertyId} and l.live = 'live'
            order by l.handover_id, l.item_id""")
    List<LiveLine> liveLines(long propertyId);

    /** All items that a text of ours arrived at, ever. */
    @Select("""
            select distinct l.item_id from
            """ + LineIds.HANDOVERS_WITH_LINES + """
            left join push_line p on p.handover_id = l.handover_id and p.item_id = l.item_id and p.field = l.field
            where h.property_id = #{propertyId} and (p.state is null or p.state not in ('waiting', 'refused', 'left'))""")
    List<Long> touched(long propertyId);

    /** The addresses of items with texts that arrived. */
    @Select("""
            select distinct i.address from handover_line l join item i on i.id = l.item_id
            """ + ARRIVED + """
            and l.id between #{lines.first} and #{lines.last} fetch first #{limit} rows only""")
    List<String> addresses(@Param("lines") IdRange lines, @Param("limit") int limit);
}
