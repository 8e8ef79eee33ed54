package lucidsweep.core.keyword;

/** The texts of an item that say what it is about; each "" where the item has none. */
public record ItemTexts(String title, String h1, String slug, String headings, String linkTexts, String copy) {}
