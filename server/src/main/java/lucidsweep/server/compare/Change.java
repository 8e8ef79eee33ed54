package lucidsweep.server.compare;

import java.util.List;
import java.util.Locale;
import lucidsweep.core.text.WordDifference;

/**
 * What became of an item between two sweeps.
 *
 * @param movedTo where it leads on now; "" where nowhere
 * @param fields those that differ
 */
public record Change(long itemId, String address, Kind kind, String movedTo, List<FieldChange> fields) {

    /** What may become of an item; one whose texts are the same has changed where its copy or links have. */
    public enum Kind {
        NEW,
        GONE,
        MOVED,
        CHANGED;

        String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A field that differs.
     *
     * @param drafted whether somebody here proposed a text for it
     */
    public record FieldChange(String field, List<WordDifference.WordRun> pieces, boolean drafted) {}
}
