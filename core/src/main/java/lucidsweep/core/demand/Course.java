package lucidsweep.core.demand;

/** Whether something is shown more or less than before. */
public enum Course {
    RISING,
    STEADY,
    FALLING;

    private static final double MORE = 1.3;
    private static final double LESS = 0.7;
    private static final double DEVIATIONS = 3;

    /**
     * How the impressions of a window go on from those of the one before. They rise or fall where they are more than 1.3
     * times or less than 0.7 times as many, and where the difference is more than three standard deviations of counts as
     * small as these (Poisson), so that a handful is neither.
     */
    public static Course of(long now, long before) {
        if (Math.abs(now - before) <= DEVIATIONS * Math.sqrt(now + (double) before)) return STEADY;
        if (now > MORE * before) return RISING;
        return now < LESS * before ? FALLING : STEADY;
    }
}
