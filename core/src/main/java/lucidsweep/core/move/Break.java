package lucidsweep.core.move;

/**
 * A sudden and lasting change of a weekly series.
 *
 * @param week the first week of the new level
 * @param before what was to be expected in the weeks after it, on the log scale
 * @param after what came
 * @param noises how many times the change is as large as chance makes such a difference look (its standard error)
 */
public record Break(int week, double before, double after, double noises) {

    /** How many times as much as before: 0.7 for 30% less. */
    public double ratio() {
        return Math.exp(after - before);
    }
}
