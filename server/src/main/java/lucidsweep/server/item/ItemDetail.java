package lucidsweep.server.item;

/**
 * An item as rules, recipes and the search for targets need it; texts of a field are null where the item has no such
 * field.
 *
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
        String title,
        String titleCaptured,
        Integer titleCount,
        Long titleAlike,
        String titleKept,
        String description,
        String descriptionCaptured,
        Integer descriptionCount,
        Long descriptionAlike,
        String descriptionKept,
        String tags,
        String tagsKept,
        String keyword,
        String facts,
        byte[] copy) {

    /** Which of the bulky parts are wanted. */
    public record Parts(boolean facts, boolean copy) {
        public static final Parts NONE = new Parts(false, false);
        public static final Parts BOTH = new Parts(true, true);
    }
}
