package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The share of searchers who click a result at each position, fitted to a property's own demand.
 *
 * <p>Rows are gathered in bins by position and weigh by their impressions. The rates of the bins fall in steps ({@link
 * Monotone}) or with a power of the position ({@link PowerLaw}), whichever says better what the other half of the queries
 * did. A bin with little data leans on the power law through the others, and where there is hardly a click at all the
 * documented default stands in; every point says which. Low and high are 1.96 standard errors of the ratio of clicks to
 * impressions over groups of queries (Cochran: "Sampling Techniques", 3rd edition, 1977, 6.4), so that a few odd queries
 * widen it.
 */
public final class ClickCurve {

    /** Positions 1 to 20 have a point each. */
    public static final int POSITIONS = 20;

    private static final int GROUPS = 20;
    private static final double PRIOR_CLICKS = 12;
    private static final double SOLID_CLICKS = 20;
    private static final int MIN_BINS = 4;
    private static final double MIN_CLICKS = 40;
    private static final double CERTAIN = 1.96;

    private final Shape shape;
    private final List<Point> points;
    private final ClickRates rates;

    private ClickCurve(Shape shape, List<Point> points, PowerLaw tail) {
        this.shape = shape;
        this.points = points;
        rates = new ClickRates(points.stream().map(Point::rate).toList(), tail.fall());
    }

    /** What the curve was made of. */
    public enum Shape {
        STEPS("steps fitted to this property’s own clicks"),
        POWER("a power law fitted to this property’s own clicks"),
        SCALED("the default curve, scaled to this property’s own clicks"),
        DEFAULT("the default curve; there are too few clicks to fit one");

        private final String words;

        Shape(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * One position of the curve.
     *
     * @param rate clicks an impression, 0 to 1
     * @param low, high where it lies, with 95% certainty
     * @param impressions, clicks what was reported near this position
     * @param thin whether there was too little data to stand on its own
     */
    public record Point(
            int position, double rate, double low, double high, double impressions, double clicks, boolean thin) {}

    /** Fitted to what was reported of items by query in one window. */
    public static ClickCurve of(List<DemandTally.Line> lines) {
        Fitter fitter = new Fitter();
        for (DemandTally.Line line : lines) {
            DemandTally.Sum sum = line.now();
            fitter.add(line.query(), sum.position(), sum.impressions(), sum.clicks());
        }
        return fitter.fit();
    }

    public Shape shape() {
        return shape;
    }

    /** The positions 1 to 20. */
    public List<Point> points() {
        return points;
    }

    /** The expected rate at any position of 1 or more; between two positions it falls evenly. */
    public double rate(double position) {
        return rates.at(position);
    }

    public ClickRates rates() {
        return rates;
    }

    /** Gathers the rows of a property that a curve is fitted to; queries for its brand stay out. */
    public static final class Fitter {

        private final double[][] impressions = new double[GROUPS][POSITIONS];
        private final double[][] clicks = new double[GROUPS][POSITIONS];
        private final double[] places = new double[POSITIONS];

        /**
         * Adds what is reported of a query.
         *
         * @param query any number that is the same for the same query
         * @param position the mean over the impressions; below 1 it is not known and the row is passed over
         */
        public void add(long query, double position, long shown, long clicked) {
            int bin = (int) Math.round(position) - 1;
            if (position < 1 || bin >= POSITIONS || shown <= 0) return;
            int group = (int) Math.floorMod(query * 0x9E3779B97F4A7C15L >>> 33, GROUPS);
            impressions[group][bin] += shown;
            clicks[group][bin] += Math.min(clicked, shown);
            places[bin] += position * shown;
        }

        public ClickCurve fit() {
            Bins all = bins(group -> true);
            double total = Arrays.stream(all.clicks).sum();
            long solid =
                    Arrays.stream(all.clicks).filter(c -> c >= SOLID_CLICKS).count();
            if (total < MIN_CLICKS) return curve(Shape.DEFAULT, all, PowerLaw.DEFAULT, false);
            if (solid < MIN_BINS) return curve(Shape.SCALED, all, all.scaledDefault(), false);
            PowerLaw power = all.power();
            boolean steps = saysBetter();
            return curve(steps ? Shape.STEPS : Shape.POWER, all, power, steps);
        }

        private interface Choice {
            boolean takes(int group);
        }

        private Bins bins(Choice choice) {
            Bins bins = new Bins(new double[POSITIONS], new double[POSITIONS], new double[POSITIONS]);
            for (int bin = 0; bin < POSITIONS; bin++) {
                double shown = 0;
                for (int group = 0; group < GROUPS; group++) {
                    shown += impressions[group][bin];
                    if (!choice.takes(group)) continue;
                    bins.impressions[bin] += impressions[group][bin];
                    bins.clicks[bin] += clicks[group][bin];
                }
                bins.places[bin] = shown == 0 ? bin + 1 : places[bin] / shown;
            }
            return bins;
        }

        /** Whether steps fitted to one half of the queries say better what the other half did than a power law does. */
        private boolean saysBetter() {
            double steps = 0;
            double power = 0;
            for (int half = 0; half < 2; half++) {
                int taken = half;
                Bins learnt = bins(group -> group % 2 == taken);
                Bins held = bins(group -> group % 2 != taken);
                if (Arrays.stream(learnt.clicks).sum() == 0) return false;
                PowerLaw law = learnt.power();
                steps += held.likelihood(learnt.steps(law));
                power += held.likelihood(learnt.along(law));
            }
            return steps > power;
        }

        private ClickCurve curve(Shape shape, Bins bins, PowerLaw law, boolean steps) {
            double[] rates = steps ? bins.steps(law) : bins.along(law);
            double[] atPositions = new double[POSITIONS];
            double[] low = new double[POSITIONS];
            double[] high = new double[POSITIONS];
            for (int bin = 0; bin < POSITIONS; bin++) {
                // A bin's rate is that of its mean position, which is seldom the whole number it is named after.
                double rate = Math.min(1, rates[bin] * law.at(bin + 1) / law.at(bins.places[bin]));
                atPositions[bin] = rate;
                double error = CERTAIN * error(bin, bins, rate, law);
                low[bin] = Math.max(0, rate - error);
                high[bin] = Math.min(1, rate + error);
            }
            for (int bin = 1; bin < POSITIONS; bin++) {
                atPositions[bin] = Math.min(atPositions[bin], atPositions[bin - 1]);
                low[bin] = Math.min(low[bin], low[bin - 1]);
                high[bin] = Math.min(Math.max(high[bin], atPositions[bin]), high[bin - 1]);
            }
            List<Point> points = new ArrayList<>();
            for (int bin = 0; bin < POSITIONS; bin++) {
                points.add(new Point(
                        bin + 1,
                        atPositions[bin],
                        Math.min(low[bin], atPositions[bin]),
                        high[bin],
                        bins.impressions[bin],
                        bins.clicks[bin],
                        bins.clicks[bin] < SOLID_CLICKS));
            }
            return new ClickCurve(shape, List.copyOf(points), law);
        }

        /** The standard error of a bin's rate; what leans on the power law is taken to be no surer than so many clicks. */
        private double error(int bin, Bins bins, double rate, PowerLaw law) {
            double squares = 0;
            for (int group = 0; group < GROUPS; group++) {
                double off = clicks[group][bin] - rate * impressions[group][bin];
                squares += off * off;
            }
            double leaning = PRIOR_CLICKS / law.at(bin + 1);
            double weight = bins.impressions[bin] + leaning;
            double ofLeaning = rate * leaning * rate * leaning / 4;
            return Math.sqrt(squares * GROUPS / (GROUPS - 1) + ofLeaning) / weight;
        }
    }

    private record Bins(double[] places, double[] impressions, double[] clicks) {

        PowerLaw power() {
            return PowerLaw.through(places, impressions, clicks);
        }

        PowerLaw scaledDefault() {
            double expected = 0;
            for (int bin = 0; bin < POSITIONS; bin++) expected += impressions[bin] * PowerLaw.DEFAULT.at(places[bin]);
            return PowerLaw.DEFAULT.times(Arrays.stream(clicks).sum() / expected);
        }

        /** Falling steps; each bin leans on the law with so many impressions as would bring it a dozen clicks. */
        double[] steps(PowerLaw law) {
            double[] rates = new double[POSITIONS];
            double[] weights = new double[POSITIONS];
            for (int bin = 0; bin < POSITIONS; bin++) {
                double prior = Math.max(1e-6, law.at(places[bin]));
                double leaning = PRIOR_CLICKS / prior;
                weights[bin] = impressions[bin] + leaning;
                rates[bin] = (clicks[bin] + PRIOR_CLICKS) / weights[bin];
            }
            return Monotone.falling(rates, weights);
        }

        double[] along(PowerLaw law) {
            return Arrays.stream(places).map(law::at).toArray();
        }

        double likelihood(double[] rates) {
            double sum = 0;
            for (int bin = 0; bin < POSITIONS; bin++) {
                double rate = Math.max(1e-9, rates[bin]);
                sum += clicks[bin] * Math.log(rate) - impressions[bin] * rate;
            }
            return sum;
        }
    }
}
