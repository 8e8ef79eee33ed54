package lucidsweep.core.keyword;

/** The texts of an item that say what it is about; each "" where the item has none. */
public record ItemTexts(String title, String h1, String slug, String headings, String linkTexts, String copy) {

    public ItemTexts withTitle(String other) {
        return new ItemTexts(other, h1, slug, headings, linkTexts, copy);
    }
}
