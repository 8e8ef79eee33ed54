package lucidsweep.core.demand;

import java.util.List;

/**
 * The clicks an impression brings at each position, and nothing of how they were found.
 *
 * @param first those of the positions 1 to 20, falling
 * @param fall beyond them the rate falls with this power of the position
 */
public record ClickRates(List<Double> first, double fall) {

    /** The rate at a position of 1 or more; between two positions it falls evenly. */
    public double at(double position) {
        int last = first.size();
        if (position <= 1) return first.get(0);
        if (position >= last) return first.get(last - 1) * Math.pow(position / last, -fall);
        int before = (int) position;
        double share = position - before;
        return first.get(before - 1) * (1 - share) + first.get(before) * share;
    }
}
