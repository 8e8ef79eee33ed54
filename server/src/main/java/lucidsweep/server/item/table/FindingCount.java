package lucidsweep.server.item.table;

import java.util.Comparator;
import lucidsweep.core.item.Field;

/**
 * How many items have a finding, and how many links lead to them.
 *
 * @param firstItem the first of them
 */
public record FindingCount(Key key, int items, long links, long firstItem) {

    /** What is counted together. */
    public record Key(Field field, String check, String shared, String section) implements Comparable<Key> {

        private static final Comparator<Key> ORDER = Comparator.comparing(Key::field)
                .thenComparing(Key::check)
                .thenComparing(Key::shared)
                .thenComparing(Key::section);

        @Override
        public int compareTo(Key other) {
            return ORDER.compare(this, other);
        }
    }
}
