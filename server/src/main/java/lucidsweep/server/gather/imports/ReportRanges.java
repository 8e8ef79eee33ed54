package lucidsweep.server.gather.imports;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.ToLongFunction;
import java.util.stream.Stream;
import lucidsweep.server.database.IdRange;

/**
 * Where the rows of a property's reports lie: those of one import follow upon each other, and those of other properties may lie
 * before, between and after them. Whoever reads by these ranges does not come past what others have.
 */
final class ReportRanges {

    private static final int AT_ONCE = 5_000;

    private final List<IdRange> ranges;

    private ReportRanges(List<IdRange> ranges) {
        this.ranges = ranges;
    }

    static ReportRanges of(ReportMapper mapper, long propertyId) {
        return new ReportRanges(
                mapper.imports(propertyId).stream().map(IdRange::of).toList());
    }

    /** Reads the rows of a range that follow upon an id, so many at most, in the order of their ids. */
    @FunctionalInterface
    interface RowReader<T> {
        List<T> some(long after, long last, int limit);
    }

    Stream<IdRange> stream() {
        return ranges.stream();
    }

    /** Walks over all rows in the order of their ids, some thousands at a time. */
    <T> void forEach(RowReader<T> reader, ToLongFunction<T> id, Consumer<T> visit) {
        for (IdRange range : ranges) {
            long after = range.first() - 1;
            List<T> some;
            do {
                some = reader.some(after, range.last(), AT_ONCE);
                some.forEach(visit);
                if (!some.isEmpty()) after = id.applyAsLong(some.get(some.size() - 1));
            } while (some.size() == AT_ONCE);
        }
    }
}
