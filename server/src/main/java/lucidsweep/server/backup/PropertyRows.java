package lucidsweep.server.backup;

import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.release.LineIds;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * All rows that belong to a property, in whatever table, removed for good. Some thousands of rows at a time: what is cut short
 * is gone in part, and the rest when it is asked for again.
 */
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

    private final JdbcTemplate database;
    private final long property;

    PropertyRows(JdbcTemplate database, long property) {
        this.database = database;
        this.property = property;
    }

    void delete() {
        IdRange items = IdRange.of(property);
        deleteOf("review_sheet_line", "sheet_id", "review_sheet");
        deleteOf("keyword_figure", "keyword_id", "keyword");
        deleteOf("push_line", "handover_id", "handover");
        for (long handover : ids("handover")) deleteRange("handover_line", "id", LineIds.of(handover));
        deleteOf("handover_file", "handover_id", "handover");
        for (long batch : ids("batch")) deleteRange("change", "id", IdRange.of(batch));
        for (long sweep : ids("sweep")) {
            for (String table : WITHIN_SWEEP) deleteRange(table, "id", IdRange.of(sweep));
        }
        for (String table : OF_SWEEP) deleteOf(table, "sweep_id", "sweep");
        for (String table : List.of("body", "page_markup")) {
            repeat(
                    "delete from " + table
                            + " where capture_id in (select id from capture where item_id between ? and ?)" + AT_ONCE,
                    items.first(),
                    items.last());
        }
        deleteRange("capture", "item_id", items);
        for (String table : OF_ITEM) deleteRange(table, "item_id", items);
        IdRange fields = new IdRange(FieldId.first(items.first()), FieldId.last(items.last()));
        deleteRange("draft", "id", fields);
        deleteRange("draft_state", "field_id", fields);
        deleteRange("draft_note", "field_id", fields);
        for (String table : OF_PROPERTY) {
            repeat("delete from " + table + " where property_id = ?" + AT_ONCE, property);
        }
        database.update("delete from property where id = ?", property);
    }

    private List<Long> ids(String table) {
        return database.queryForList("select id from " + table + " where property_id = ?", Long.class, property);
    }

    private void deleteOf(String table, String column, String owner) {
        repeat(
                "delete from " + table + " where " + column + " in (select id from " + owner + " where property_id = ?)"
                        + AT_ONCE,
                property);
    }

    private void deleteRange(String table, String column, IdRange ids) {
        repeat("delete from " + table + " where " + column + " between ? and ?" + AT_ONCE, ids.first(), ids.last());
    }

    private void repeat(String delete, Object... values) {
        while (database.update(delete, values) > 0) continue;
    }
}
