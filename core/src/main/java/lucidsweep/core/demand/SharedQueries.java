package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds queries for which a search engine shows now one item of the property and now another, so that they stand in each other's way. */
public final class SharedQueries {

    private static final double MIN_SHOWN = 20;
    private static final double MIN_SHARE = 0.15;
    private static final double LAST_POSITION = 40;

    private SharedQueries() {}

    /**
     * A query and the items that are shown for it, the one to keep first.
     *
     * @param shown impressions a month of all of them
     */
    public record Shared(int query, double shown, List<Side> sides) {}

    /**
     * One of the items.
     *
     * @param share of the impressions, 0 to 1
     * @param position the mean
     * @param clicks a month
     * @param instead what else it could aim at: the query that brings it most and whose home is no other item; -1 for none
     */
    public record Side(long item, double share, double position, double clicks, int instead) {}

    /**
     * Finds them, the most shown first.
     *
     * @param ids the item of each number in the tally; -1 for an address that is no item
     * @param months how many months the window has
     * @param brand queries that are left out: several items may stand for the name
     * @param homes by query the item that is its home, which is kept; where there is none, the one with most clicks is
     */
    public static List<Shared> of(
            List<DemandTally.Line> lines, long[] ids, double months, Set<Integer> brand, Map<Integer, Long> homes) {
        Map<Integer, List<DemandTally.Line>> byQuery = new HashMap<>();
        Map<Integer, List<DemandTally.Line>> byItem = new HashMap<>();
        for (DemandTally.Line line : lines) {
            boolean counts = ids[line.item()] >= 0
                    && line.now().impressions() > 0
                    && line.now().position() >= 1
                    && line.now().position() <= LAST_POSITION;
            if (counts && !brand.contains(line.query())) {
                byQuery.computeIfAbsent(line.query(), any -> new ArrayList<>(2)).add(line);
                byItem.computeIfAbsent(line.item(), any -> new ArrayList<>()).add(line);
            }
        }
        List<Shared> found = new ArrayList<>();
        byQuery.forEach((query, some) -> {
            double all =
                    some.stream().mapToLong(line -> line.now().impressions()).sum();
            List<Side> sides = new ArrayList<>();
            for (DemandTally.Line line : some) {
                double share = line.now().impressions() / all;
                if (share < MIN_SHARE) continue;
                sides.add(new Side(
                        ids[line.item()],
                        share,
                        line.now().position(),
                        line.now().clicks() / months,
                        instead(byItem.get(line.item()), query, ids[line.item()], homes)));
            }
            if (sides.size() < 2 || all / months < MIN_SHOWN) return;
            long home = homes.getOrDefault(query, -1L);
            sides.sort(Comparator.comparing((Side side) -> side.item != home)
                    .thenComparingDouble(side -> -side.clicks)
                    .thenComparingDouble(Side::position)
                    .thenComparingLong(Side::item));
            found.add(new Shared(query, all / months, sides));
        });
        found.sort(Comparator.comparingDouble((Shared shared) -> -shared.shown).thenComparingInt(Shared::query));
        return found;
    }

    private static int instead(List<DemandTally.Line> own, int query, long item, Map<Integer, Long> homes) {
        return own.stream()
                .filter(line -> line.query() != query && homes.getOrDefault(line.query(), item) == item)
                .max(Comparator.comparingLong(
                                (DemandTally.Line line) -> line.now().clicks())
                        .thenComparingLong(line -> line.now().impressions())
                        .thenComparingInt(line -> -line.query()))
                .map(DemandTally.Line::query)
                .orElse(-1);
    }
}
