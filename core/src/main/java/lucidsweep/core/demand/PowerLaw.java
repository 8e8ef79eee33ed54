package lucidsweep.core.demand;

/**
 * A rate that falls with a power of the position: rate = first × position<sup>-fall</sup>.
 *
 * @param first the rate at position 1, 0 to 1
 * @param fall 0 or more
 */
record PowerLaw(double first, double fall) {

    /** What is taken where a property's own data says nothing: of 100 searches 28 click the first, 2 to 3 the tenth result. */
    static final PowerLaw DEFAULT = new PowerLaw(0.28, 1.05);

    private static final int ROUNDS = 60;
    private static final double MAX_FALL = 4;

    double at(double position) {
        return Math.min(1, first * Math.pow(position, -fall));
    }

    /** The same fall, with rates so many times as high. */
    PowerLaw times(double factor) {
        return new PowerLaw(Math.min(0.95, first * factor), fall);
    }

    /**
     * The one under which the clicks are likeliest (Poisson, with the first rate set for each fall so that the clicks add
     * up); the best fall is found by golden section.
     *
     * @param positions one a bin, 1 or more
     * @param impressions, clicks of each bin; at least one click in all
     */
    static PowerLaw through(double[] positions, double[] impressions, double[] clicks) {
        double low = 0;
        double high = MAX_FALL;
        double section = (Math.sqrt(5) - 1) / 2;
        for (int round = 0; round < ROUNDS; round++) {
            double left = high - section * (high - low);
            double right = low + section * (high - low);
            if (likelihood(left, positions, impressions, clicks) >= likelihood(right, positions, impressions, clicks)) {
                high = right;
            } else {
                low = left;
            }
        }
        double fall = (low + high) / 2;
        return new PowerLaw(first(fall, positions, impressions, clicks), fall);
    }

    private static double first(double fall, double[] positions, double[] impressions, double[] clicks) {
        double got = 0;
        double expected = 0;
        for (int i = 0; i < positions.length; i++) {
            got += clicks[i];
            expected += impressions[i] * Math.pow(positions[i], -fall);
        }
        return Math.min(0.95, got / expected);
    }

    private static double likelihood(double fall, double[] positions, double[] impressions, double[] clicks) {
        double first = first(fall, positions, impressions, clicks);
        double sum = 0;
        for (int i = 0; i < positions.length; i++) {
            double rate = first * Math.pow(positions[i], -fall);
            sum += clicks[i] * Math.log(rate) - impressions[i] * rate;
        }
        return sum;
    }
}
