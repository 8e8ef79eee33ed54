package lucidsweep.server.release;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Rows;
import org.springframework.stereotype.Component;

/** The drafts of a property as a table: a row a text, with its state, before and after. */
@Component
class DraftTable {

    private static final int CHUNK = 500;

    private final Drafts drafts;
    private final Items items;

    DraftTable(Drafts drafts, Items items) {
        this.drafts = drafts;
        this.items = items;
    }

    /** @param state null for drafts in any */
    void write(long propertyId, DraftState state, Rows rows) {
        Set<DraftState> states = state == null ? EnumSet.allOf(DraftState.class) : EnumSet.of(state);
        rows.row("address", "field", "state", "before", "after");
        for (Map.Entry<Field, long[]> each : drafts.inState(propertyId, states).entrySet()) {
            long[] ids = each.getValue();
            for (int start = 0; start < ids.length; start += CHUNK) {
                write(Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK)), each.getKey(), rows);
            }
        }
    }

    private void write(long[] ids, Field field, Rows rows) {
        Map<Long, String> addresses = items.addresses(Arrays.stream(ids).boxed().toList());
        for (FieldLine line : drafts.fields(ids, field)) {
            String address = addresses.getOrDefault(line.itemId(), "");
            if (!PartTexts.areOf(field)) {
                rows.row(address, field.code(), line.state().code(), line.captured(), line.draft());
                continue;
            }
            for (PartTexts.Change part : PartTexts.changes(line.captured(), line.draft())) {
                rows.row(
                        address,
                        field.code() + " " + part.address(),
                        line.state().code(),
                        part.before(),
                        part.after());
            }
        }
    }
}
