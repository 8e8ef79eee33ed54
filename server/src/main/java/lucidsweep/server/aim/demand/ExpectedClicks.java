package lucidsweep.server.aim.demand;

import java.util.Map;

/**
 * What the positions of items let expect in the last thirteen weeks, queries for the brand left out.
 *
 * @param byItem the items that were shown, by id
 * @param from, to the first and last day that count, from 1970-01-01 on
 * @param months how many months of these days are reported
 */
public record ExpectedClicks(Map<Long, Item> byItem, int from, int to, double months) {

    /**
     * Of one item, in all these days.
     *
     * @param expected the clicks that the positions of its queries let expect
     * @param clicked those that there were
     */
    public record Item(double expected, double clicked) {

        Item plus(Item other) {
            return new Item(expected + other.expected, clicked + other.clicked);
        }
    }
}
