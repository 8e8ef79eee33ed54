package lucidsweep.core.alike;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What was found of many texts, without the texts: a few bytes for each, so that it can be kept until one of them changes. */
public final class AlikeResults {

    static final int NONE = -1;

    /** Bytes that a text of a group or a series takes, about. */
    private static final long BYTES_A_TEXT = 200;

    private final long[] ids;
    private final int[] nearOf;
    private final List<Near> near;
    private final int[] seriesOf;
    private final List<Series> series;

    /**
     * Takes what was found.
     *
     * @param ids of the items, ascending
     * @param nearOf for each item the place in the list of what it is near, or {@link #NONE}
     * @param seriesOf for each item the place in the list of the series it is of, or {@link #NONE}
     */
    AlikeResults(long[] ids, int[] nearOf, List<Near> near, int[] seriesOf, List<Series> series) {
        this.ids = ids;
        this.nearOf = nearOf;
        this.near = near;
        this.seriesOf = seriesOf;
        this.series = series;
    }

    /** The text that is nearest to an item's, if any is near. */
    public Optional<Near> near(long id) {
        return found(id, nearOf, near);
    }

    /** The series that an item's text is of, if any. */
    public Optional<Series> series(long id) {
        return found(id, seriesOf, series);
    }

    private <T> Optional<T> found(long id, int[] of, List<T> all) {
        int place = Arrays.binarySearch(ids, id);
        return place < 0 || of[place] == NONE ? Optional.empty() : Optional.of(all.get(of[place]));
    }

    /** About how many bytes of memory it takes. */
    public long bytes() {
        return 16L * ids.length + BYTES_A_TEXT * (near.size() + series.size());
    }
}
