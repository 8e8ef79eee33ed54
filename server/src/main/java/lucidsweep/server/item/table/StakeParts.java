package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.finding.Stake;

/**
 * What fixing the findings of an item could win, one after the other: clicks, low and high of each. Stored as a list of
 * numbers, since most findings are worth nothing that can be told.
 *
 * <pre>{@code "1.42 0.3 2.9;;0.2 0 0.7"   // of three findings, nothing is known of the second }</pre>
 */
public final class StakeParts {

    private static final int PARTS = 3;
    private static final double PRECISION = 1_000;

    private StakeParts() {}

    /** As it is stored; "" where nothing is at stake. */
    public static String text(List<Stake> stakes) {
        if (stakes.stream().noneMatch(stake -> stake.high() > 0)) return "";
        StringBuilder text = new StringBuilder();
        for (Stake stake : stakes) {
            if (stake.high() > 0) {
                text.append(rounded(stake.clicks()))
                        .append(' ')
                        .append(rounded(stake.low()))
                        .append(' ')
                        .append(rounded(stake.high()));
            }
            text.append(';');
        }
        return text.toString();
    }

    private static float rounded(double clicks) {
        return (float) (Math.rint(clicks * PRECISION) / PRECISION);
    }

    /** Three numbers a finding; null where nothing is at stake, or where the findings are others by now. */
    static float[] of(String text, int findings) {
        if (text == null || text.isEmpty()) return null;
        String[] each = text.split(";", -1);
        if (each.length != findings + 1) return null;
        float[] parts = new float[PARTS * findings];
        for (int i = 0; i < findings; i++) {
            if (each[i].isEmpty()) continue;
            String[] numbers = each[i].split(" ");
            for (int k = 0; k < PARTS; k++) parts[PARTS * i + k] = Float.parseFloat(numbers[k]);
        }
        return parts;
    }

    /** What one finding could win. */
    static Stake stake(float[] parts, int finding) {
        if (parts == null) return Stake.NONE;
        int at = PARTS * finding;
        return new Stake(parts[at], parts[at + 1], parts[at + 2]);
    }

    /** What they could win together. */
    static Stake sum(float[] parts) {
        Stake sum = Stake.NONE;
        for (int i = 0; parts != null && i < parts.length / PARTS; i++) sum = sum.plus(stake(parts, i));
        return sum;
    }

    /** For each finding what it could win. */
    public static List<Stake> list(String text, int findings) {
        float[] parts = of(text, findings);
        List<Stake> stakes = new ArrayList<>(findings);
        for (int i = 0; i < findings; i++) stakes.add(stake(parts, i));
        return stakes;
    }
}
