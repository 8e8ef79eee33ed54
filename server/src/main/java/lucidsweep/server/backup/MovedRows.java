package lucidsweep.server.backup;

import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lucidsweep.server.item.capture.MovedPack;
import lucidsweep.server.job.Progress;

/** Brings all rows of one database into another, under new ids, some thousands at a time. */
final class MovedRows {

    private static final int AT_ONCE = 500;
    private static final int AT_ONE_GO = 10_000;

    /** Those that others refer to first. What can be worked out again, and what is of use only to its own machine, stays. */
    private static final List<String> TABLES = List.of(
            "client",
            "property",
            "job",
            "sweep",
            "batch",
            "handover",
            "keyword",
            "item_set",
            "recipe",
            "writer_column",
            "saved_edit",
            "text_block",
            "channel_text",
            "review",
            "item",
            "better_refused",
            "body",
            "capture",
            "cause_note",
            "change",
            "check_count",
            "column_memory",
            "demand",
            "demand_before",
            "demand_source",
            "draft",
            "draft_state",
            "draft_note",
            "common_part",
            "exemption",
            "finding_life",
            "handover_file",
            "handover_line",
            "imported_rows",
            "item_before",
            "item_link",
            "keyword_figure",
            "page_markup",
            "place_services",
            "removed_target",
            "result",
            "result_before",
            "schedule",
            "live_schedule",
            "sweep_count",
            "target",
            "twin",
            "visit",
            "watch_note",
            "move_aside",
            "due_decision",
            "held_back",
            "content_system",
            "push",
            "push_line",
            "review_sheet",
            "review_sheet_line",
            "writer_answer",
            "writer_cell");

    private final Connection from;
    private final Connection to;
    private final MovedIds ids;
    private final Progress progress;
    private long moved;

    MovedRows(Connection from, Connection to, MovedIds ids, Progress progress) {
        this.from = from;
        this.to = to;
        this.ids = ids;
        this.progress = progress;
    }

    /** Moves all of them, or fewer where somebody asks to stop. */
    void move() throws SQLException {
        long total = 0;
        for (String table : TABLES) total += count(table);
        for (String table : TABLES) move(table, total);
    }

    private long count(String table) throws SQLException {
        try (Statement read = from.createStatement();
                ResultSet count = read.executeQuery("select count(*) from " + table)) {
            count.next();
            return count.getLong(1);
        }
    }

    /** A column that is written: its type of {@link Types}, and whether it may be empty. */
    private record Column(String name, int type, boolean nullable) {}

    private void move(String table, long total) throws SQLException {
        boolean numbered = MovedIds.NUMBERED.contains(table);
        List<Column> columns = columns(table);
        List<String> written = columns.stream()
                .map(Column::name)
                .filter(name -> !(numbered && name.equals("id")))
                .toList();
        String insert = "insert into " + table + " (" + String.join(", ", written) + ") values ("
                + written.stream().map(name -> "?").collect(Collectors.joining(", ")) + ")";
        String select = "select " + columns.stream().map(Column::name).collect(Collectors.joining(", ")) + " from "
                + table + (numbered ? " order by id" : "");
        int returned = numbered ? Statement.RETURN_GENERATED_KEYS : Statement.NO_GENERATED_KEYS;
        try (Statement read = from.createStatement();
                ResultSet rows = read.executeQuery(select);
                PreparedStatement write = to.prepareStatement(insert, returned)) {
            List<Long> before = new ArrayList<>();
            for (int count = 1; !progress.stopAsked() && rows.next(); count++) {
                if (numbered) before.add(rows.getLong("id"));
                set(write, table, columns, numbered, rows);
                write.addBatch();
                moved++;
                if (count % AT_ONCE != 0) continue;
                flush(write, table, before);
                progress.report(moved, total);
                if (count % AT_ONE_GO == 0) to.commit();
            }
            flush(write, table, before);
        }
        to.commit();
    }

    private void set(PreparedStatement write, String table, List<Column> columns, boolean numbered, ResultSet row)
            throws SQLException {
        int at = 1;
        for (Column column : columns) {
            if (numbered && column.name.equals("id")) continue;
            write.setObject(at++, value(table, column, row));
        }
    }

    private Object value(String table, Column column, ResultSet row) throws SQLException {
        String name = column.name;
        Object value = switch (column.type) {
            case Types.CLOB -> row.getString(name);
            case Types.BLOB -> row.getBytes(name);
            default -> row.getObject(name);
        };
        if (value instanceof Long id) {
            Long moved = ids.moved(table, name, id);
            return moved == null && !column.nullable ? Long.valueOf(0) : moved;
        }
        if (table.equals("imported_rows") && name.equals("packed")) {
            return MovedPack.of((byte[]) value, ids::item, ids::capture);
        }
        if (table.equals("due_decision") && name.equals("due_key")) return MovedDueKey.of((String) value, ids);
        if (table.equals("item_set") && name.equals("conditions")) return MovedConditions.of((String) value, ids::item);
        return value;
    }

    private void flush(PreparedStatement write, String table, List<Long> before) throws SQLException {
        write.executeBatch();
        if (before.isEmpty()) return;
        try (ResultSet numbers = write.getGeneratedKeys()) {
            for (long id : before) {
                numbers.next();
                ids.put(table, id, numbers.getLong(1));
            }
        }
        before.clear();
    }

    private List<Column> columns(String table) throws SQLException {
        List<Column> columns = new ArrayList<>();
        try (ResultSet all = from.getMetaData().getColumns(null, "PUBLIC", table.toUpperCase(Locale.ROOT), null)) {
            while (all.next()) {
                if (all.getString("IS_GENERATEDCOLUMN").equals("YES")) continue;
                columns.add(new Column(
                        all.getString("COLUMN_NAME").toLowerCase(Locale.ROOT),
                        all.getInt("DATA_TYPE"),
                        all.getInt("NULLABLE") == DatabaseMetaData.columnNullable));
            }
        }
        return columns;
    }
}
