package lucidsweep.server.web;

import java.util.List;

/**
 * A stretch of a table.
 *
 * @param total how many rows the whole table has
 */
public record Page<T>(long total, List<T> rows) {

    private static final int MAX_AT_ONCE = 1_000;

    /** A stretch of rows that are all there; one that lies outside them is empty, and none is longer than 1,000 rows. */
    public static <T> Page<T> of(List<T> all, int from, int count) {
        int start = Math.min(Math.max(0, from), all.size());
        int end = Math.min(all.size(), start + Math.max(0, Math.min(count, MAX_AT_ONCE)));
        return new Page<>(all.size(), all.subList(start, end));
    }
}
