package lucidsweep.server.compare;

import java.util.List;
import java.util.Map;

/**
 * Two sweeps side by side, without the items that are the same in both.
 *
 * @param counts how many items of each kind, and "unchanged"
 * @param fields how many of those that changed did so in a field
 * @param undrafted how many of those changed in a field that nobody here proposed a text for
 */
record Comparison(List<Entry> entries, Map<String, Integer> counts, Map<String, Integer> fields, int undrafted) {

    /**
     * An item that differs.
     *
     * @param fields those that differ, as bits in the order of {@link CapturedFields#NAMES}
     * @param undrafted those of them that nobody here proposed a text for
     */
    record Entry(
            long itemId,
            Change.Kind kind,
            String movedTo,
            long captureBefore,
            long captureAfter,
            int fields,
            int undrafted) {

        boolean fits(ComparisonFilter filter) {
            if (filter.kind() != null && kind != filter.kind()) return false;
            int wanted = filter.undrafted() ? undrafted : fields;
            if (filter.field() == null) return !filter.undrafted() || wanted != 0;
            int at = CapturedFields.NAMES.indexOf(filter.field());
            return at >= 0 && (wanted & 1 << at) != 0;
        }
    }
}
