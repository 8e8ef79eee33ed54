package lucidsweep.core.finding;

/**
 * What fixing something could win, with its 95% interval.
 *
 * @param clicks, low, high clicks a month, 0 or more
 */
public record Stake(double clicks, double low, double high) {

    /** Nothing. */
    public static final Stake NONE = new Stake(0, 0, 0);

    /** Both together; the interval is that of faults of one kind, which are wrong together if they are wrong. */
    public Stake plus(Stake other) {
        return new Stake(clicks + other.clicks, low + other.low, high + other.high);
    }
}
