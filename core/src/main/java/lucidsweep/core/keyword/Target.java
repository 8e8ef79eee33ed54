package lucidsweep.core.keyword;

/**
 * An item that aims at a keyword.
 *
 * @param item the item's id
 * @param keyword the keyword's place in the list
 * @param score relevance, 0 to 1
 * @param reason in words
 */
public record Target(long item, int keyword, double score, String reason) {}
