package lucidsweep.core.page;

import java.util.List;

/**
 * What one page says of itself. Texts are collapsed to single spaces and stripped; lists are in the order of the page.
 *
 * @param titles the title elements of the page, not those of drawings in it
 * @param descriptions the contents of every meta description
 * @param h1s the texts of the H1 elements
 * @param headings the texts of the H2 and H3 elements, at most 40
 * @param head what stands in the head only
 * @param images at most 500
 * @param links at most 5,000, those with an address only
 * @param copy the visible text, at most 100,000 characters
 * @param opening the first paragraph of the page's own text that is a sentence or more, at most 500 characters
 * @param shared what the page asks to be shown as where it is shared (Open Graph)
 * @param alternates the same page in other languages (hreflang), at most 100
 * @param structured the JSON-LD of the page as written, at most 5 pieces
 */
public record PageFacts(
        List<String> titles,
        List<String> descriptions,
        List<String> h1s,
        List<String> headings,
        Head head,
        List<Image> images,
        List<Link> links,
        String copy,
        String opening,
        Shared shared,
        List<Alternate> alternates,
        List<String> structured) {

    /**
     * What the head says besides titles and descriptions; "" where it says nothing.
     *
     * @param canonical the canonical address as written
     * @param robots the contents of the meta robots elements, joined by ", "
     * @param metaKeywords the content of the obsolete meta keywords
     * @param language the lang attribute of the root
     * @param published the publishing date as the page gives it
     * @param modified the date of the last change as the page gives it
     * @param refresh the target of a meta refresh
     */
    public record Head(
            String canonical,
            String robots,
            String metaKeywords,
            String language,
            String published,
            String modified,
            String refresh) {}

    /** A picture and its alternative text; {@code alt} is null where the attribute is missing. */
    public record Image(String address, String alt) {}

    /** Where on a page a link stands. */
    public enum Place {
        NAVIGATION,
        COPY,
        FOOTER
    }

    /**
     * A link to another page.
     *
     * @param text its words, or the alternative text of its picture where it has none
     * @param shows what a reader sees of it
     * @param nofollow whether it asks not to be followed
     * @param place where it stands
     */
    public record Link(PageAddress.Destination to, String text, Shows shows, boolean nofollow, Place place) {

        /** What a link shows: a label is what only screen readers are told. */
        public enum Shows {
            WORDS,
            PICTURE,
            LABEL,
            NOTHING
        }

        /** The normal form of the address that it leads to. */
        public String address() {
            return to.address();
        }
    }

    /** A title and a description for where a page is shared; "" where it has none. */
    public record Shared(String title, String description) {}

    /** The address of the page in another language, as written. */
    public record Alternate(String language, String address) {}
}
