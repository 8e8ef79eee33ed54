package lucidsweep.server.item.table;

import java.util.EnumMap;
import java.util.Map;

/**
 * What became of findings since a moment.
 *
 * @param fresh how many came for the first time
 * @param back how many came back
 * @param old how many were there before
 * @param drafted how many ended by a draft that is not delivered yet
 * @param delivered by a draft that was
 * @param fixed otherwise
 */
public record FindingLives(int fresh, int back, int old, int drafted, int delivered, int fixed) {

    /** How a finding ended. */
    enum Ending {
        DRAFTED,
        DELIVERED,
        FIXED
    }

    /** When a finding ended, in seconds since 1970, and how. */
    record End(int moment, Ending ending) {}

    /**
     * Counts.
     *
     * @param moment in seconds since 1970
     * @param foundAt how many findings came at each moment of {@link LifeParts}
     * @param ended how many ended so
     */
    static FindingLives since(int moment, Map<Integer, Integer> foundAt, Map<End, Integer> ended) {
        int fresh = 0;
        int back = 0;
        int old = 0;
        for (Map.Entry<Integer, Integer> each : foundAt.entrySet()) {
            if (Math.abs(each.getKey()) <= moment) old += each.getValue();
            else if (each.getKey() < 0) back += each.getValue();
            else fresh += each.getValue();
        }
        Map<Ending, Integer> since = new EnumMap<>(Ending.class);
        ended.forEach((end, count) -> {
            if (end.moment() > moment) since.merge(end.ending(), count, Integer::sum);
        });
        return new FindingLives(
                fresh,
                back,
                old,
                since.getOrDefault(Ending.DRAFTED, 0),
                since.getOrDefault(Ending.DELIVERED, 0),
                since.getOrDefault(Ending.FIXED, 0));
    }
}
