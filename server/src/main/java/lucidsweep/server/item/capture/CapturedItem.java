package lucidsweep.server.item.capture;

import java.nio.charset.StandardCharsets;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.database.Packed;
import lucidsweep.server.item.draft.TextMeasure;

/**
 * An item as a sweep saw it.
 *
 * @param identity what tells it from the others: its address or id
 * @param noindex why it is not indexable; null where it is
 * @param tags null where it has none by nature
 */
public record CapturedItem(
        long propertyId,
        long sweepId,
        String address,
        String identity,
        String section,
        Noindex noindex,
        Page page,
        Listing listing,
        Text title,
        Text description,
        Text tags,
        Content content) {

    /**
     * What a page says and how it was reached.
     *
     * @param h1Count -1 where the item has none by nature
     * @param opening the first words of its copy
     * @param notes what checks noted of its markup, as {@link lucidsweep.core.finding.PageNotes} has it
     * @param depth links away from the start; -1 where no link leads there
     */
    public record Page(
            int status,
            String contentType,
            String h1,
            int h1Count,
            String canonical,
            String robots,
            String language,
            String opening,
            String notes,
            int depth) {

        private static final int OK = 200;

        /** Nothing: a file was read, no page. */
        public static Page ofFile() {
            return new Page(OK, "", "", -1, "", "", "", "", "", -1);
        }
    }

    /**
     * What the row of a file says of an item.
     *
     * @param published the day it was published, "" where that is not known
     * @param modified the day it was changed last as it says itself, "" where that is not known
     * @param views how often it was looked at; null where that is not known
     */
    public record Listing(String price, String published, String modified, Long views, Long favourites) {}

    /** A text: how many such elements there were, the first of them, and its measure. */
    public record Text(int count, String text, TextMeasure measure) {

        public static Text of(Field field, int count, String text, Standard standard) {
            return new Text(count, text, TextMeasure.of(field, text, standard));
        }
    }

    /**
     * The bulk of it, ready to be stored.
     *
     * @param facts everything that was captured, as JSON
     * @param copy the visible text, packed; null of a row of a file, whose texts are in its facts
     * @param links packed, null likewise; one a line: address, tab, link text, tab, where it stands (c copy, n navigation, f footer), "-" where it is not to be followed
     * @param hash the same for the same content
     * @param textHash the same for pages that say the same; 0 where that does not matter
     * @param source the markup as it came, packed; null where it is not kept
     */
    public record Content(String facts, byte[] copy, byte[] links, long hash, long textHash, byte[] source) {

        /** What a crawl saw of a page; said are the texts that stand out in it. */
        public static Content ofPage(String facts, String said, String copy, String links, byte[] source) {
            byte[] copyBytes = copy.getBytes(StandardCharsets.UTF_8);
            byte[] linkBytes = links.getBytes(StandardCharsets.UTF_8);
            long textHash = Packed.hash(copyBytes, TextKey.exactHash(said));
            long hash = Packed.hash(linkBytes, textHash ^ TextKey.exactHash(facts));
            byte[] packed = source == null ? null : Packed.of(source);
            return new Content(facts, Packed.of(copyBytes), Packed.of(linkBytes), hash, textHash, packed);
        }

        /** What a file said of an item. */
        public static Content ofRow(String facts, String copy) {
            byte[] copyBytes = copy.getBytes(StandardCharsets.UTF_8);
            long hash = Packed.hash(copyBytes, TextKey.exactHash(facts));
            return new Content(facts, null, null, hash, 0, null);
        }
    }
}
