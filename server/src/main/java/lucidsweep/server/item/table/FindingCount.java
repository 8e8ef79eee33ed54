package lucidsweep.server.item.table;

import java.util.Comparator;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;

/**
 * How many items have a finding, how many links lead to them, and what fixing it could win.
 *
 * @param firstItem the first of them
 */
public record FindingCount(Key key, int items, long links, Stake stake, long firstItem) {

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
