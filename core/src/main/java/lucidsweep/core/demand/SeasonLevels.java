package lucidsweep.core.demand;

import java.util.HashMap;
import java.util.Map;

/**
 * How many times as often pages are shown in the months of a window as in an average month of the year: by the same weeks a
 * year before, as a share of the 52 weeks that began with them. By section, since tours and gifts have other seasons; a section
 * that was shown little is drawn towards the whole.
 *
 * @param sections the level of each, 1 for an average month
 * @param whole that of all of them
 */
public record SeasonLevels(Map<String, Double> sections, double whole) {

    /** Nothing is known of a year before. */
    public static final SeasonLevels UNKNOWN = new SeasonLevels(Map.of(), 1);

    /** So many impressions of a year weigh as much as what the whole says. */
    private static final double DRAWN = 2_000;

    /** A level beyond it says more of a beginning or an end than of a season. */
    private static final double MOST = 4;

    /** The level of a section. */
    public double of(String section) {
        return sections.getOrDefault(section, whole);
    }

    /** Adds up the impressions of pages. */
    public static final class Adder {

        private final double share;
        private final Map<String, double[]> sums = new HashMap<>();
        private final double[] all = new double[2];

        /** @param share of the year that the window is, such as 13 weeks of 52 */
        public Adder(double share) {
            this.share = share;
        }

        /** Adds impressions of the weeks of the window, a year before. */
        public void window(String section, double impressions) {
            add(section, 0, impressions);
        }

        /** Adds impressions of the 52 weeks that began with those. */
        public void year(String section, double impressions) {
            add(section, 1, impressions);
        }

        private void add(String section, int which, double impressions) {
            sums.computeIfAbsent(section, any -> new double[2])[which] += impressions;
            all[which] += impressions;
        }

        public SeasonLevels levels() {
            if (all[0] == 0) return UNKNOWN;
            double usual = all[0] / all[1];
            Map<String, Double> sections = new HashMap<>();
            sums.forEach((section, sum) ->
                    sections.put(section, bounded((sum[0] + DRAWN * usual) / (sum[1] + DRAWN) / share)));
            return new SeasonLevels(sections, bounded(usual / share));
        }

        private static double bounded(double level) {
            return Math.max(1 / MOST, Math.min(MOST, level));
        }
    }
}
