package lucidsweep.core.compose;

/**
 * Where a part takes its text from. FILE_WORDS are those of an image's or a link's address, LINKED_ what the page has that a
 * link leads to.
 *
 * @param text of FIXED the text, or several wordings, one a line; of SECONDARY the number of the keyword, from 1; of COLUMN the
 *     name of an imported column; of RECIPE the name of another recipe; "" for the other kinds
 */
public record Source(Kind kind, String text) {

    /** What can be taken of an item. */
    public enum Kind {
        KEYWORD,
        SECONDARY,
        PLACE,
        TITLE,
        DESCRIPTION,
        H1,
        SLUG,
        SECTION,
        TAG,
        COPY_OPENING,
        COPY_SENTENCE,
        TELLING_PHRASE,
        PRICE,
        YEAR,
        FILE_WORDS,
        LINKED_KEYWORD,
        LINKED_H1,
        BRAND,
        COLUMN,
        RECIPE,
        FIXED
    }

    /** Whether the text is the client's name, so that no other part needs to say it. */
    boolean isBrand() {
        return kind == Kind.BRAND;
    }
}
