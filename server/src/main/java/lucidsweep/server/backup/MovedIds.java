package lucidsweep.server.backup;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;

/**
 * The ids that rows get when they move to another database, where the old ones are taken. Tables that number their rows
 * themselves give new numbers; all other ids are made of those, and follow them.
 */
final class MovedIds {

    /** Tables whose rows get a number of their own. Those that others refer to come first. */
    static final Set<String> NUMBERED = Set.of(
            "client",
            "property",
            "job",
            "sweep",
            "batch",
            "handover",
            "keyword",
            "recipe",
            "writer_column",
            "saved_edit",
            "text_block",
            "review",
            "watch_note",
            "item_set");

    private static final int FIELD_BITS = Integer.numberOfTrailingZeros(FieldId.STEP);

    /** Captures are numbered in blocks of so many. */
    private static final long BLOCK = 1_000;

    private final Map<String, Map<Long, Long>> numbers = new HashMap<>();
    private final Map<Long, Long> blocks = new HashMap<>();
    private final LongSupplier nextBlock;

    /** The supplier gives the first id of a new block of captures. */
    MovedIds(LongSupplier nextBlock) {
        this.nextBlock = nextBlock;
    }

    void put(String table, long before, long after) {
        numbers.computeIfAbsent(table, any -> new HashMap<>()).put(before, after);
    }

    /** What a number in a column becomes; the same where it is no id, and null where it is the id of a row that is gone. */
    Long moved(String table, String column, long value) {
        return switch (column) {
            case "client_id" -> number("client", value);
            case "property_id" -> number("property", value);
            case "job_id" -> number("job", value);
            case "sweep_id", "first_sweep", "last_sweep" -> number("sweep", value);
            case "batch_id", "before_batch" -> number("batch", value);
            case "handover_id" -> handover(value);
            case "set_id" -> number("item_set", value);
            case "keyword_id" -> number("keyword", value);
            case "column_id" -> number("writer_column", value);
            case "item_id", "twin_of", "last_item" -> item(value);
            case "field_id" -> field(value);
            case "capture_id" -> capture(value);
            case "id" -> row(table, value);
            default -> value;
        };
    }

    Long item(long id) {
        return within("property", id);
    }

    Long handover(long id) {
        return number("handover", id);
    }

    Long capture(long id) {
        if (id == 0) return id;
        if (IdRange.owner(id) > 0) return within("sweep", id);
        return blocks.computeIfAbsent(id / BLOCK, any -> nextBlock.getAsLong()) + id % BLOCK;
    }

    private Long row(String table, long id) {
        return switch (table) {
            case "item", "item_before" -> item(id);
            case "draft" -> field(id);
            case "change" -> within("batch", id);
            case "capture" -> capture(id);
            case "visit", "imported_rows", "demand", "demand_before", "result", "result_before" -> within("sweep", id);
            default -> id;
        };
    }

    private Long field(long id) {
        Long item = item(id >> FIELD_BITS);
        return item == null ? null : Long.valueOf(item << FIELD_BITS | id & (1 << FIELD_BITS) - 1);
    }

    /** A row that is numbered within its owner keeps its place there. */
    private Long within(String owners, long id) {
        if (id == 0) return id;
        long before = IdRange.owner(id);
        Long owner = number(owners, before);
        return owner == null ? null : Long.valueOf(IdRange.id(owner, id - IdRange.id(before, 0)));
    }

    private Long number(String table, long id) {
        return id == 0 ? Long.valueOf(0) : numbers.getOrDefault(table, Map.of()).get(id);
    }
}
