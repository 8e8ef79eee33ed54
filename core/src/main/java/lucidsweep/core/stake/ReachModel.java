package lucidsweep.core.stake;

import java.util.Arrays;

/**
 * How high items stand, by what their titles say. The position of an item for a query is held to be
 * log position = item + query + β₁ · words + β₂ · leads + β₃ · about, with words the share of the query's words in the title,
 * leads 1 where the title begins with them, and about the share of them in its H1 and slug. The last one takes up that a page
 * stands high for what it is about, whatever its title; nothing is promised from it.
 *
 * <p>Items and queries have effects of their own that are drawn towards 0 (a mixed model, fitted by turns: Bates and DebRoy,
 * "Linear mixed models and penalized least squares", 2004). The covariance of the βs is robust within items (Liang and Zeger,
 * 1986); each is then drawn towards what is assumed of it.
 */
public final class ReachModel {

    private final Cost words;
    private final Cost leads;
    private final int pairs;

    /**
     * A model that was fitted before.
     *
     * @param words what all words of a query in the title do to the log of the position, against none of them
     * @param leads what it does that the title begins with them
     * @param pairs how many items with a query it was fitted to
     */
    public ReachModel(Cost words, Cost leads, int pairs) {
        this.words = words;
        this.leads = leads;
        this.pairs = pairs;
    }

    public Cost words() {
        return words;
    }

    public Cost leads() {
        return leads;
    }

    public int pairs() {
        return pairs;
    }

    /**
     * What becomes of a position.
     *
     * @param moreWords by how much the share of the query's words in the title grows, 0 to 1
     * @param willLead whether the title begins with them then and did not before
     * @param end which end of the interval of the effects is taken: -1 for the strongest, 0 for what is likeliest, 1 for the weakest
     * @return 1 or more, and never worse than it was
     */
    double position(double position, double moreWords, boolean willLead, int end) {
        double log = moreWords * at(words, end) + (willLead ? at(leads, end) : 0);
        return Math.max(1, position * Math.exp(Math.min(0, log)));
    }

    private static double at(Cost cost, int end) {
        return Math.min(0, end < 0 ? cost.low() : end > 0 ? cost.high() : cost.effect());
    }

    /** Takes the items of a property with their queries, then fits. */
    public static final class Fitter {

        /** What is assumed: a title with all words stands about a sixth higher than one without any. Ours, and cautious. */
        private static final AppealModel.Prior WORDS = new AppealModel.Prior(-0.18, 0.15);

        private static final AppealModel.Prior LEADS = new AppealModel.Prior(-0.05, 0.06);
        private static final AppealModel.Prior ABOUT = new AppealModel.Prior(0, 1);

        private static final int EFFECTS = 3;
        private static final int MIN_ITEMS = 20;
        private static final int ROUNDS = 50;
        private static final double CLOSE = 1e-7;
        private static final double LEANING = 0.5;
        private static final double NO_SPREAD = 1e-6;

        private int[] items = new int[256];
        private int[] queries = new int[256];
        private double[] weights = new double[256];
        private double[][] columns = new double[1 + EFFECTS][256];
        private int size;
        private int itemCount;
        private int queryCount;

        /**
         * Adds an item and a query that it was shown for.
         *
         * @param item, query numbers of 0 or more, without many gaps
         * @param position the mean over the impressions, 1 or more
         * @param impressions one of few says less
         * @param words, about shares, 0 to 1
         */
        public void add(
                int item, int query, double position, double impressions, double words, boolean leads, double about) {
            if (!(position >= 1) || !(impressions > 0)) return;
            if (size == items.length) grow();
            items[size] = item;
            queries[size] = query;
            weights[size] = impressions / (impressions + 10);
            columns[0][size] = Math.log(position);
            columns[1][size] = words;
            columns[2][size] = leads ? 1 : 0;
            columns[3][size++] = about;
            itemCount = Math.max(itemCount, item + 1);
            queryCount = Math.max(queryCount, query + 1);
        }

        private void grow() {
            int wider = size * 2;
            items = Arrays.copyOf(items, wider);
            queries = Arrays.copyOf(queries, wider);
            weights = Arrays.copyOf(weights, wider);
            for (int i = 0; i < columns.length; i++) columns[i] = Arrays.copyOf(columns[i], wider);
        }

        public ReachModel fit() {
            int[] pairsOf = new int[itemCount];
            for (int i = 0; i < size; i++) pairsOf[items[i]]++;
            long several = Arrays.stream(pairsOf).filter(pairs -> pairs > 1).count();
            if (several < MIN_ITEMS) return assumed();
            double[][] left = new double[columns.length][];
            for (int i = 0; i < columns.length; i++) left[i] = withoutEffects(columns[i]);
            double[][] bread = new double[EFFECTS][EFFECTS];
            double[] towards = new double[EFFECTS];
            for (int k = 0; k < EFFECTS; k++) {
                for (int l = 0; l < EFFECTS; l++) {
                    // Both ways round they are the same but for the rounds that the effects were found in.
                    bread[k][l] = (product(columns[k + 1], left[l + 1]) + product(columns[l + 1], left[k + 1])) / 2;
                }
                towards[k] = product(columns[k + 1], left[0]);
                bread[k][k] += NO_SPREAD * (1 + size);
            }
            double[] found = PositiveMatrix.solve(bread, towards);
            double[][] covariance = covariance(bread, left, found);
            return drawn(found, covariance);
        }

        private ReachModel assumed() {
            return new ReachModel(
                    new Cost(WORDS.mean(), WORDS.deviation(), 0, Cost.Source.ASSUMED),
                    new Cost(LEADS.mean(), LEADS.deviation(), 0, Cost.Source.ASSUMED),
                    size);
        }

        private double product(double[] one, double[] other) {
            double sum = 0;
            for (int i = 0; i < size; i++) sum += weights[i] * one[i] * other[i];
            return sum;
        }

        /** What is left of a column once the items and queries have had their share of it, and its mean is gone. */
        private double[] withoutEffects(double[] column) {
            double mean = 0;
            double weight = 0;
            for (int i = 0; i < size; i++) {
                mean += weights[i] * column[i];
                weight += weights[i];
            }
            mean /= weight;
            double[] ofItems = new double[itemCount];
            double[] ofQueries = new double[queryCount];
            double[] left = new double[size];
            for (int i = 0; i < size; i++) left[i] = column[i] - mean;
            for (int round = 0; round < ROUNDS; round++) {
                double moved = Math.max(take(left, items, ofItems), take(left, queries, ofQueries));
                if (moved < CLOSE) break;
            }
            return left;
        }

        /** Sets the effects of one kind to what fits what is left, and takes them off; returns the largest change. */
        private double take(double[] left, int[] numbers, double[] effects) {
            double[] sums = new double[effects.length];
            double[] sumsOfWeights = new double[effects.length];
            for (int i = 0; i < size; i++) {
                sums[numbers[i]] += weights[i] * (left[i] + effects[numbers[i]]);
                sumsOfWeights[numbers[i]] += weights[i];
            }
            double moved = 0;
            for (int k = 0; k < effects.length; k++) {
                double next = sums[k] / (sumsOfWeights[k] + LEANING);
                moved = Math.max(moved, Math.abs(next - effects[k]));
                sums[k] = next - effects[k];
                effects[k] = next;
            }
            for (int i = 0; i < size; i++) left[i] -= sums[numbers[i]];
            return moved;
        }

        /** Robust within items and within queries at once (Cameron, Gelbach and Miller, 2011). */
        private double[][] covariance(double[][] bread, double[][] left, double[] found) {
            double[] residuals = residuals(found);
            double[][] ofItems = filling(items, itemCount, left, residuals);
            double[][] ofQueries = filling(queries, queryCount, left, residuals);
            double[][] ofPairs = filling(null, size, left, residuals);
            double[][] inverse = PositiveMatrix.inverse(bread);
            double[][] covariance = new double[EFFECTS][EFFECTS];
            for (int i = 0; i < EFFECTS; i++)
                for (int j = 0; j < EFFECTS; j++)
                    for (int k = 0; k < EFFECTS; k++)
                        for (int l = 0; l < EFFECTS; l++) {
                            // Queries can only add to what items leave uncertain.
                            double more = k == l ? Math.max(0, ofQueries[k][k] - ofPairs[k][k]) : 0;
                            covariance[i][j] += inverse[i][k] * (ofItems[k][l] + more) * inverse[l][j];
                        }
            for (int k = 0; k < EFFECTS; k++) {
                // A column that never differs within an item says nothing.
                boolean silent = product(left[k + 1], left[k + 1]) < NO_SPREAD * size;
                covariance[k][k] += silent ? 1e6 : 1e-9;
            }
            return covariance;
        }

        /** What the effects leave of the positions; that of items and queries stays in it, since it is uncertain. */
        private double[] residuals(double[] found) {
            double[] residuals = columns[0].clone();
            double mean = 0;
            double weight = 0;
            for (int i = 0; i < size; i++) {
                for (int k = 0; k < EFFECTS; k++) residuals[i] -= found[k] * columns[k + 1][i];
                mean += weights[i] * residuals[i];
                weight += weights[i];
            }
            for (int i = 0; i < size; i++) residuals[i] -= mean / weight;
            return residuals;
        }

        /** Sums over groups of the products of their scores; each pair is a group where no numbers are given. */
        private double[][] filling(int[] numbers, int count, double[][] left, double[] residuals) {
            double[][] scores = new double[EFFECTS][count];
            for (int i = 0; i < size; i++) {
                int group = numbers == null ? i : numbers[i];
                for (int k = 0; k < EFFECTS; k++) scores[k][group] += weights[i] * left[k + 1][i] * residuals[i];
            }
            double[][] filling = new double[EFFECTS][EFFECTS];
            for (int k = 0; k < EFFECTS; k++)
                for (int l = 0; l < EFFECTS; l++)
                    for (int group = 0; group < count; group++) filling[k][l] += scores[k][group] * scores[l][group];
            return filling;
        }

        private ReachModel drawn(double[] found, double[][] covariance) {
            AppealModel.Prior[] priors = {WORDS, LEADS, ABOUT};
            double[][] precision = PositiveMatrix.inverse(covariance);
            double[] towards = new double[EFFECTS];
            for (int k = 0; k < EFFECTS; k++) {
                for (int l = 0; l < EFFECTS; l++) towards[k] += precision[k][l] * found[l];
                towards[k] += priors[k].mean() / square(priors[k].deviation());
            }
            for (int k = 0; k < EFFECTS; k++) precision[k][k] += 1 / square(priors[k].deviation());
            double[] effects = PositiveMatrix.solve(precision, towards);
            double[][] inverse = PositiveMatrix.inverse(precision);
            return new ReachModel(cost(effects[0], inverse[0][0], WORDS), cost(effects[1], inverse[1][1], LEADS), size);
        }

        private Cost cost(double effect, double variance, AppealModel.Prior prior) {
            double error = Math.sqrt(variance);
            return new Cost(effect, error, itemCount, Cost.Source.of(itemCount, error / prior.deviation()));
        }

        private static double square(double value) {
            return value * value;
        }
    }
}
