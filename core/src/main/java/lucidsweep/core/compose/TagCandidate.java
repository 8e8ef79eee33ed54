package lucidsweep.core.compose;

/**
 * A tag that an item could carry.
 *
 * @param chars its length in grapheme clusters
 * @param value what it is worth to the item, such as searches a month times relevance; 0 or less is never chosen
 * @param brand whether it names the client
 */
public record TagCandidate(String tag, int chars, double value, boolean brand) {}
