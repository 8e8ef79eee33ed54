package lucidsweep.server.backup;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.release.LineIds;
import org.springframework.jdbc.core.JdbcTemplate;

/** All rows that belong to a property, in whatever table. */
final class PropertyRows {

    private static final String AT_ONCE = " limit 5000";

    /** Tables whose rows name the property; those that others refer to come last. */
    private static final List<String> OF_PROPERTY = List.of(
            "aim_due",
            "aim_summary",
            "better",
            "check_count",
            "column_memory",
            "demand_source",
            "cause_note",
            "common_part",
            "exemption",
            "item_set",
            "place_services",
            "property_login",
            "recipe",
            "removed_target",
            "review",
            "saved_edit",
            "schedule",
            "live_schedule",
            "stake_model",
            "sweep_count",
            "target",
            "text_block",
            "channel_text",
            "review_sheet",
            "watch_note",
            "move_aside",
            "due_decision",
            "held_back",
            "writer",
            "writer_answer",
            "writer_column",
            "writer_run",
            "content_system",
            "push",
            "handover",
            "batch",
            "keyword",
            "item",
            "sweep",
            "job");

    /** Tables whose rows are numbered within their sweep. */
    private static final List<String> WITHIN_SWEEP = List.of("visit", "imported_rows", "demand", "result");

    private static final List<String> OF_SWEEP =
            List.of("demand_before", "result_before", "item_before", "import_source");
    private static final List<String> OF_ITEM = List.of(
            "finding",
            "item_link",
            "twin",
            "better_refused",
            "item_demand",
            "finding_stake",
            "finding_life",
            "site_note");

    private static final List<String> OF_FIELD = List.of("draft_state", "draft_note");

    private final JdbcTemplate database;
    private final long property;

    PropertyRows(JdbcTemplate database, long property) {
        this.database = database;
        this.property = property;
    }

    /** How many there are. */
    long count() {
        return all().stream().mapToLong(rows -> rows.count(database)).sum();
    }

    /**
     * Removes them for good, some thousands at a time: what is cut short is gone in part, and the rest when it is asked for
     * again.
     *
     * @param removed is told how many went with each step; tells whether to go on
     * @return whether all of them are gone
     */
    boolean delete(IntPredicate removed) {
        for (Rows rows : all()) if (!rows.delete(database, removed)) return false;
        database.update("delete from property where id = ?", property);
        return true;
    }

    /**
     * Some of them.
     *
     * @param where the condition that they meet; numbers are all that it holds
     */
    record Rows(String table, String where) {

        private static Rows in(String table, String column, IdRange ids) {
            return new Rows(table, column + " between " + ids.first() + " and " + ids.last());
        }

        private long count(JdbcTemplate database) {
            return database.queryForObject("select count(*) from " + table + " where " + where, Long.class);
        }

        boolean delete(JdbcTemplate database, IntPredicate removed) {
            int some;
            do {
                some = database.update("delete from " + table + " where " + where + AT_ONCE);
                if (!removed.test(some)) return false;
            } while (some > 0);
            return true;
        }
    }

    /** All of them but the property's own, those that others refer to last. */
    List<Rows> all() {
        List<Rows> all = new ArrayList<>();
        IdRange items = IdRange.of(property);
        all.add(owned("review_sheet_line", "sheet_id", "review_sheet"));
        all.add(owned("keyword_figure", "keyword_id", "keyword"));
        all.add(owned("push_line", "handover_id", "handover"));
        all.add(owned("writer_cell", "column_id", "writer_column"));
        for (long handover : ids("handover")) all.add(Rows.in("handover_line", "id", LineIds.of(handover)));
        all.add(owned("handover_file", "handover_id", "handover"));
        for (long batch : ids("batch")) all.add(Rows.in("change", "id", IdRange.of(batch)));
        for (long sweep : ids("sweep")) {
            for (String table : WITHIN_SWEEP) all.add(Rows.in(table, "id", IdRange.of(sweep)));
        }
        for (String table : OF_SWEEP) all.add(owned(table, "sweep_id", "sweep"));
        String captures = Rows.in("capture", "item_id", items).where;
        for (String table : List.of("body", "page_markup"))
            all.add(new Rows(table, "capture_id in (select id from capture where " + captures + ")"));
        all.add(new Rows("capture", captures));
        for (String table : OF_ITEM) all.add(Rows.in(table, "item_id", items));
        IdRange fields = new IdRange(FieldId.first(items.first()), FieldId.last(items.last()));
        all.add(Rows.in("draft", "id", fields));
        for (String table : OF_FIELD) all.add(Rows.in(table, "field_id", fields));
        for (String table : OF_PROPERTY) all.add(new Rows(table, "property_id = " + property));
        return all;
    }

    private Rows owned(String table, String column, String owner) {
        return new Rows(table, column + " in (select id from " + owner + " where property_id = " + property + ")");
    }

    private List<Long> ids(String table) {
        return database.queryForList("select id from " + table + " where property_id = ?", Long.class, property);
    }
}
