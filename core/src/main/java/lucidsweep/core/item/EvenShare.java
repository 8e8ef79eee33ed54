package lucidsweep.core.item;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** A few of many, chosen evenly over the groups that they are in: of a group with a third of all comes a third of the few. */
public final class EvenShare {

    private EvenShare() {}

    /**
     * Chooses, the same ones each time.
     *
     * @param groups the group of each
     * @param wanted how many; all where there are fewer
     * @return their places in the list, ascending
     */
    public static int[] of(List<String> groups, int wanted) {
        int[] byGroup = IntStream.range(0, groups.size())
                .boxed()
                .sorted(Comparator.comparing(groups::get))
                .mapToInt(Integer::intValue)
                .toArray();
        int count = Math.min(wanted, byGroup.length);
        return IntStream.range(0, count)
                .map(i -> byGroup[(int) ((2L * i + 1) * byGroup.length / (2L * count))])
                .sorted()
                .toArray();
    }
}
