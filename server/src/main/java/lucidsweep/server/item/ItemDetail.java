package lucidsweep.server.item;

/**
 * An item as rules, recipes and the search for targets need it.
 *
 * @param tags null where the item has none by nature
 * @param keyword the keyword it aims at; null where it has none
 * @param facts the capture as JSON; null unless asked for
 * @param copy the visible text, compressed; null unless asked for
 */
public record ItemDetail(
        long id,
        String address,
        String obstacle,
        String section,
        String h1,
        int h1Count,
        int linksIn,
        String linkTexts,
        String opening,
        String price,
        Text title,
        Text description,
        Text tags,
        String keyword,
        String facts,
        byte[] copy) {

    /**
     * A field.
     *
     * @param count how many such elements were captured
     * @param text the text in force
     * @param alike the hash that alike texts share
     * @param kept why it stays as it is; null where it may change
     */
    public record Text(String captured, int count, String text, long alike, String kept) {

        static final Text NONE = new Text("", 0, "", 0, null);
    }
}
