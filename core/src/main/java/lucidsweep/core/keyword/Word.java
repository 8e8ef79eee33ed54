package lucidsweep.core.keyword;

/**
 * One word of a text.
 *
 * @param text as written
 * @param stem what it is compared by
 * @param stop whether it carries no meaning of its own ("the", "in")
 * @param start where it begins in the text, in UTF-16 units
 * @param end where it ends, exclusive
 */
public record Word(String text, String stem, boolean stop, int start, int end) {}
