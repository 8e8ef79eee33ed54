package lucidsweep.core.effect;

import java.util.Arrays;
import java.util.Comparator;

/** Which of several effects may be called effects, so that no more than a share of those that are is none. */
public final class FalseDiscoveries {

    private FalseDiscoveries() {}

    /**
     * Picks them (Benjamini and Hochberg: "Controlling the false discovery rate", 1995).
     *
     * @param chances how likely each is by chance alone, from 0 to 1
     * @param share of the picked ones that may be none: 0.1 for a tenth
     * @return for each whether it is picked
     */
    public static boolean[] picked(double[] chances, double share) {
        Integer[] order = new Integer[chances.length];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, Comparator.comparingDouble(i -> chances[i]));
        int last = -1;
        for (int rank = 0; rank < order.length; rank++) {
            if (chances[order[rank]] <= share * (rank + 1) / order.length) last = rank;
        }
        boolean[] picked = new boolean[chances.length];
        for (int rank = 0; rank <= last; rank++) picked[order[rank]] = true;
        return picked;
    }
}
