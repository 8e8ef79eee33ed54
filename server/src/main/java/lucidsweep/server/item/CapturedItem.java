package lucidsweep.server.item;

import java.util.List;

/**
 * An item as a sweep saw it.
 *
 * @param identity what tells it from the others: its address or id
 * @param obstacle why it is not indexable; null where it is
 * @param h1Count -1 where the item has none by nature
 * @param facts everything that was captured, as JSON
 * @param copy the visible text
 * @param links one a line: address, tab, link text
 */
public record CapturedItem(
        long propertyId,
        long sweepId,
        String address,
        String identity,
        String section,
        int status,
        String contentType,
        String obstacle,
        String h1,
        int h1Count,
        String canonical,
        String robots,
        String language,
        String opening,
        String price,
        int depth,
        List<Text> texts,
        String facts,
        String copy,
        String links) {

    /** A field: its name, how many such elements there were, and the text of the first. */
    public record Text(String name, int count, String text) {}
}
