package lucidsweep.server.release.push;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.release.LineIds;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores where the texts of releases stand on their way. */
@Mapper
interface PushMapper {

    /**
     * A release that is pushed.
     *
     * @param jobId the work that was done last; null where nothing was begun yet
     * @param step the texts that are pushed now; null for all that wait
     * @param rehearsal whether the present texts are only looked at
     * @param underWay whether it shall go on by itself
     */
    record Push(
            long handoverId,
            long propertyId,
            @Nullable Long jobId,
            @Nullable Integer step,
            boolean rehearsal,
            boolean underWay) {}

    @Insert("insert into push (handover_id, property_id) values (#{handoverId}, #{propertyId})")
    void insert(long handoverId, long propertyId);

    @Insert("""
            insert into push_line (handover_id, item_id, field, state)
            select handover_id, item_id, field, 'waiting' from handover_line
            where id between #{first} and #{last}""")
    void insertLines(IdRange lines);

    @Select("select * from push where handover_id = #{handoverId}")
    Push find(long handoverId);

    @Select("select * from push where property_id = #{propertyId} order by handover_id desc")
    List<Push> ofProperty(long propertyId);

    @Select("select * from push where under_way")
    List<Push> underWay();

    @Update("""
            update push set job_id = #{jobId}, step = #{step}, rehearsal = #{rehearsal}, under_way = #{underWay}
            where handover_id = #{handoverId}""")
    void set(Push push);

    @Update("update push set under_way = false where handover_id = #{handoverId}")
    void rest(long handoverId);

    String LINE = """
            select l.item_id, i.address, l.field, l.state, h.before_text "BEFORE", h.after_text "AFTER",
                l.base, l.found, l.was, l.note
            from push_line l
            join handover_line h on h.field = l.field and h.id between
            """ + LineIds.FIRST_OF_ITEM + " and " + LineIds.FIRST_OF_ITEM + " + " + (FieldId.STEP - 1) + """

            join item i on i.id = l.item_id
            where l.handover_id = #{handoverId} and l.state = any(#{states})
            """;

    /**
     * The lines of the next items that are in one of some states, all of an item. The order names the whole key: without the
     * handover the database would read and sort all that wait for every few hundred.
     */
    @Select(LINE + """
            and l.item_id > #{afterItem} and (#{step} is null or l.step = #{step})
            order by l.handover_id, l.item_id fetch first #{limit} rows with ties""")
    List<PushLine> next(
            @Param("handoverId") long handoverId,
            @Param("states") Object[] states,
            @Param("step") Integer step,
            @Param("afterItem") long afterItem,
            @Param("limit") int limit);

    @Select(LINE + "order by l.handover_id, l.item_id, l.field offset #{offset} rows fetch first #{limit} rows only")
    List<PushLine> lines(
            @Param("handoverId") long handoverId,
            @Param("states") Object[] states,
            @Param("offset") int offset,
            @Param("limit") int limit);

    /** What became of a line. */
    record Values(
            long handoverId,
            long itemId,
            String field,
            String state,
            String base,
            String found,
            String was,
            String note) {}

    @Update("""
            merge into push_line l using unnest(
                cast(#{handoverId} as bigint array), cast(#{itemId} as bigint array), cast(#{field} as varchar array),
                cast(#{state} as varchar array), cast(#{base} as varchar array), cast(#{found} as varchar array),
                cast(#{was} as varchar array), cast(#{note} as varchar array))
                as n (handover_id, item_id, field, state, base, found, was, note)
                on l.handover_id = n.handover_id and l.item_id = n.item_id and l.field = n.field
            when matched then update set state = n.state, base = n.base, found = n.found, was = n.was, note = n.note""")
    void setLines(Map<String, Object[]> lines);

    record Count(LineState state, int texts, int items) {}

    @Select("""
            select state, count(*) texts, count(distinct item_id) items from push_line
            where handover_id = #{handoverId} group by state""")
    List<Count> counts(long handoverId);

    @Select("""
            select count(*) from push_line
            where handover_id = #{handoverId} and state = any(#{states}) and (#{step} is null or step = #{step})""")
    int count(@Param("handoverId") long handoverId, @Param("states") Object[] states, @Param("step") Integer step);

    /** An item and where it belongs. */
    record Placed(long itemId, String section) {}

    @Select("""
            select distinct l.item_id, i.section from push_line l join item i on i.id = l.item_id
            where l.handover_id = #{handoverId} and l.state = 'waiting' order by l.item_id""")
    List<Placed> waiting(long handoverId);

    @Update("""
            update push_line set step = #{step}
            where handover_id = #{handoverId} and state = 'waiting' and item_id = any(#{items})""")
    void setStep(@Param("handoverId") long handoverId, @Param("step") int step, @Param("items") Object[] items);

    @Select("select coalesce(max(step), 0) from push_line where handover_id = #{handoverId}")
    int lastStep(long handoverId);

    String OF_ITEMS = """
            and (#{items} is null or item_id = any(#{items})) and (#{field} is null or field = #{field})""";

    /**
     * Moves lines of some items on, all where there are none given. What a person said of a text is known until it has arrived,
     * or is on its way back.
     */
    @Update("""
            update push_line set state = #{to}, note = '', base = case when #{to} in ('waiting', 'left') then base end
            where handover_id = #{handoverId} and state = any(#{from})
            """ + OF_ITEMS)
    int move(
            @Param("handoverId") long handoverId,
            @Param("from") Object[] from,
            @Param("to") LineState to,
            @Param("items") Object[] items,
            @Param("field") Field field);

    /** The same for lines whose present text may be overwritten, whatever it is. */
    @Update("""
            update push_line set state = #{to}, base = found, note = ''
            where handover_id = #{handoverId} and state = #{from}
            """ + OF_ITEMS)
    int insist(
            @Param("handoverId") long handoverId,
            @Param("from") LineState from,
            @Param("to") LineState to,
            @Param("items") Object[] items,
            @Param("field") Field field);

    @Select("""
            select item_id, field from push_line where handover_id = #{handoverId} and state = any(#{states})
            """ + OF_ITEMS)
    List<Text> texts(
            @Param("handoverId") long handoverId,
            @Param("states") Object[] states,
            @Param("items") Object[] items,
            @Param("field") Field field);

    record Text(long itemId, Field field) {

        long fieldId() {
            return FieldId.of(itemId, field);
        }
    }
}
