package lucidsweep.core.acceptance;

import lucidsweep.core.item.Field;

/**
 * A text of ours, and what one result page showed in its place.
 *
 * @param field {@link Field#TITLE} or {@link Field#DESCRIPTION}
 * @param ours the text of the item
 * @param query what was searched
 * @param section where the item stands: "/tours/"
 * @param px how wide ours is, at the size of the result page
 * @param limitPx how wide it may be by the standard; 0 where that has no limit
 * @param items how many items have the same text
 * @param month the month in which the result page was looked at: "2026-11"
 * @param latest whether it is the last look at this query
 */
public record ShownText(
        Field field,
        String ours,
        ShownWording wording,
        String query,
        String section,
        double px,
        double limitPx,
        int items,
        String month,
        boolean latest) {

    boolean isReplaced() {
        return wording == ShownWording.ITS_OWN;
    }
}
