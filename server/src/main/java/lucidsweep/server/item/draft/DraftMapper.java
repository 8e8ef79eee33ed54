package lucidsweep.server.item.draft;

import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.DraftState;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Reads the texts of items, captured and drafted; writes drafts, their states and keeps. */
@Mapper
public interface DraftMapper {

    String IDS = "any(#{ids})";

    /**
     * Leaves the rows of some ids, all different; the database goes through the list of an {@code any} again for every row. Not
     * beside a left join, from which it would read the whole table first.
     */
    String AMONG_IDS = "join unnest(cast(#{ids} as bigint array)) wanted (wanted_id) on wanted_id = ";

    /** What rules, recipes, edits and the search for targets need of an item itself. */
    String CORE = """
            select id, address, noindex_reason, noindex_detail, section, h1, h1_count, opening, language, price, published, notes,
                title title_text, title_count, title_alike, description description_text, description_count, description_alike,
                tags tags_text, 1 tags_count, tags_alike from item
            """;

    /**
     * What was written for a field.
     *
     * @param text null where only a keep stands there
     * @param px, alike null where the captured text is in force
     * @param state null where there is no text
     */
    record DraftRow(long id, String text, Integer px, Long alike, DraftState state, Long batchId, String kept) {}

    default List<DraftRow> drafts(long first, long last) {
        return withStates(texts(first, last), states(first, last));
    }

    default List<DraftRow> draftsOf(Object[] ids) {
        return withStates(textsOf(ids), statesOf(ids));
    }

    /** Put together here: a join takes the database three times as long, whether or not anything was decided. */
    private static List<DraftRow> withStates(List<TextRow> texts, List<StateRow> states) {
        Map<Long, DraftState> decided = new HashMap<>();
        states.forEach(each -> decided.put(each.fieldId(), each.state()));
        return texts.stream()
                .map(each -> each.in(decided.getOrDefault(each.id, DraftState.DRAFTED)))
                .toList();
    }

    String TEXT = "select id, text, px, alike, batch_id, kept from draft ";

    /** A draft without its state. */
    record TextRow(long id, String text, Integer px, Long alike, Long batchId, String kept) {

        private DraftRow in(DraftState state) {
            return new DraftRow(id, text, px, alike, text == null ? null : state, batchId, kept);
        }
    }

    @Select(TEXT + "where id between #{first} and #{last}")
    List<TextRow> texts(long first, long last);

    @Select(TEXT + AMONG_IDS + "id")
    List<TextRow> textsOf(@Param("ids") Object[] ids);

    /** What is drafted for one field of items, by the field's place among those that can be drafted. */
    @Select(TEXT + "where id between #{first} and #{last} and mod(id, " + FieldId.STEP
            + ") = #{place} and text is not null")
    List<TextRow> textsOfField(long first, long last, int place);

    /** The state of a draft that is not just drafted any more. */
    record StateRow(long fieldId, DraftState state) {}

    @Select("select field_id, state from draft_state where field_id between #{first} and #{last}")
    List<StateRow> states(long first, long last);

    @Select("select field_id, state from draft_state " + AMONG_IDS + "field_id")
    List<StateRow> statesOf(@Param("ids") Object[] ids);

    /** The drafts that are just drafted, ascending. */
    @Select("""
            select d.id from draft d left join draft_state s on s.field_id = d.id
            where d.id between #{first} and #{last} and d.text is not null and s.field_id is null order by d.id""")
    List<Long> drafted(long first, long last);

    /** The drafts that are in one of some other states, ascending. */
    @Select("""
            select field_id from draft_state
            where field_id between #{first} and #{last} and state = any(#{states}) order by field_id""")
    List<Long> inState(long first, long last, @Param("states") Object[] states);

    /** An item as it was captured. */
    record Core(
            long id,
            String address,
            String noindexReason,
            String noindexDetail,
            String section,
            Seen seen,
            String notes,
            Text title,
            Text description,
            Text tags) {

        /** A captured text, how many such elements there were, and the hash of those that are alike; null where it has none by nature. */
        public record Text(String text, int count, long alike) {}
    }

    @Select(CORE + """
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<Core> cores(long after, long last, int limit);

    @Select(CORE + "where id between #{first} and #{last} and not gone order by id")
    List<Core> coresBetween(long first, long last);

    @Select(CORE + "where id between #{first} and #{last} order by id")
    List<Core> coresBetweenGoneToo(long first, long last);

    @Select(CORE + AMONG_IDS + "id where not gone order by id")
    List<Core> coresOf(@Param("ids") Object[] ids);

    @Select(CORE + AMONG_IDS + "id order by id")
    List<Core> coresOfGoneToo(@Param("ids") Object[] ids);

    /** What a crawl captured of a page besides what stands in the table of items: as JSON, and its links, packed. */
    record Page(long itemId, String facts, byte[] links) {}

    String PAGE = """
            select i.id item_id, c.facts, b.links from item i
            join capture c on c.id = i.capture_id left join body b on b.capture_id = i.capture_id
            """;

    @Select(PAGE + "where i.id between #{first} and #{last}")
    List<Page> pages(long first, long last);

    @Select(PAGE + AMONG_IDS + "i.id")
    List<Page> pagesOf(@Param("ids") Object[] ids);

    /** A draft and the measure of the text that is then in force. */
    record DraftValues(long id, String text, Long batchId, int px, long alike, long revision) {}

    @Insert("""
            merge into draft d using unnest(
                cast(#{id} as bigint array), cast(#{text} as varchar array), cast(#{batchId} as bigint array),
                cast(#{px} as int array), cast(#{alike} as bigint array), cast(#{revision} as bigint array))
                as n (id, text, batch_id, px, alike, revision) on d.id = n.id
            when matched then update set text = n.text, batch_id = n.batch_id, px = n.px, alike = n.alike,
                revision = n.revision
            when not matched then insert (id, text, batch_id, px, alike, revision)
                values (n.id, n.text, n.batch_id, n.px, n.alike, n.revision)""")
    void setDrafts(Map<String, Object[]> drafts);

    @Select("select id from draft where id between #{first} and #{last} and revision > #{revision} order by id")
    List<Long> changedAfter(long first, long last, long revision);

    /** Rows of states by their fields; a merge finds them one by one, where an update goes through the list for each. */
    String EACH = """
            merge into draft_state s using unnest(cast(#{ids} as bigint array)) as n (id) on s.field_id = n.id
            when matched\s""";

    String MOVED = "state = #{to}, handover_id = coalesce(#{handoverId}, handover_id)";

    /** Forgets how far drafts had come. */
    @Delete(EACH + "then delete")
    void forgetStates(@Param("ids") Object[] ids);

    @Delete(EACH + "and s.state = any(#{from}) then delete")
    int moveBack(@Param("ids") Object[] ids, @Param("from") Object[] from);

    /** Sets the state of drafts, whatever it was. */
    @Insert(
            "merge into draft_state (field_id, state) select id, #{state} from unnest(cast(#{ids} as bigint array)) as n (id)")
    void setState(@Param("ids") Object[] ids, @Param("state") String state);

    /** Moves drafts on that are just drafted, or in one of some other states. */
    @Insert("""
            merge into draft_state s using (
                select id from draft\s""" + AMONG_IDS + """
            id where text is not null) n on s.field_id = n.id
            when matched and s.state = any(#{from}) then update set state = #{to}
            when not matched then insert (field_id, state) values (n.id, #{to})""")
    int moveDrafted(@Param("ids") Object[] ids, @Param("from") Object[] from, @Param("to") String to);

    /**
     * Moves drafts on that are in one of some states, none of them just drafted.
     *
     * @param handoverId that they are delivered with; null to leave it
     */
    @Update(EACH + "and s.state = any(#{from}) then update set " + MOVED)
    int move(
            @Param("ids") Object[] ids,
            @Param("from") Object[] from,
            @Param("to") String to,
            @Param("handoverId") @Nullable Long handoverId);

    /** The same of all drafts of a field between two, in half the time. */
    @Update("update draft_state set " + MOVED + """
             where field_id between #{first} and #{last} and mod(field_id,\s""" + FieldId.STEP + ") = #{place} and state = any(#{from})")
    int moveAll(
            @Param("first") long first,
            @Param("last") long last,
            @Param("place") int place,
            @Param("from") Object[] from,
            @Param("to") String to,
            @Param("handoverId") @Nullable Long handoverId);

    @Select("select field_id from draft_state " + AMONG_IDS
            + "field_id where state = 'released' and handover_id = #{handoverId}")
    List<Long> released(@Param("ids") Object[] ids, @Param("handoverId") long handoverId);

    @Update(EACH + "and s.state = 'released' and s.handover_id = #{handoverId} then update set state = 'delivered'")
    int arrive(@Param("ids") Object[] ids, @Param("handoverId") long handoverId);

    @Update(EACH + """
            and s.state in ('released', 'delivered', 'live') and s.handover_id = #{handoverId}
            then update set state = #{to}, handover_id = null""")
    int withdraw(@Param("ids") Object[] ids, @Param("handoverId") long handoverId, @Param("to") String to);

    /** Drafts of items that a sweep saw in place are live; what it saw otherwise is not any more. What was captured of the field is an expression. */
    @Update("""
            merge into draft_state s using (
                select o.field_id, case when d.text = ${captured} then 'live' else 'delivered' end state
                from draft_state o join draft d on d.id = o.field_id join item i on i.id = o.field_id /\s""" + FieldId.STEP + """

                where o.field_id between #{first} and #{last} and o.state in ('delivered', 'live')
                    and mod(o.field_id,\s""" + FieldId.STEP + """
            ) = #{place} and not i.gone) n on s.field_id = n.field_id
            when matched and s.state <> n.state then update set state = n.state""")
    int seeLive(
            @Param("captured") String captured,
            @Param("place") int place,
            @Param("first") long first,
            @Param("last") long last);

    @Insert("""
            merge into draft d using unnest(cast(#{ids} as bigint array)) as n (id) on d.id = n.id
            when matched then update set kept = #{reason}
            when not matched then insert (id, kept) values (n.id, #{reason})""")
    int keep(@Param("ids") Object[] ids, @Param("reason") String reason);

    @Update("update draft set kept = null where id = " + IDS)
    int stopKeeping(@Param("ids") Object[] ids);
}
