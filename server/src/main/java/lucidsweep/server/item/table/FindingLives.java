package lucidsweep.server.item.table;

import java.util.Map;

/** How many findings came after a moment, how many came back after it, and how many were there before. */
public record FindingLives(int fresh, int back, int old) {

    /** @param foundAt how many findings came at each moment of {@link LifeParts} */
    static FindingLives since(int moment, Map<Integer, Integer> foundAt) {
        int fresh = 0;
        int back = 0;
        int old = 0;
        for (Map.Entry<Integer, Integer> each : foundAt.entrySet()) {
            if (Math.abs(each.getKey()) <= moment) old += each.getValue();
            else if (each.getKey() < 0) back += each.getValue();
            else fresh += each.getValue();
        }
        return new FindingLives(fresh, back, old);
    }
}
