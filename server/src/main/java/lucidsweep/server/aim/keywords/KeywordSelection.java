package lucidsweep.server.aim.keywords;

import java.util.List;

/**
 * The keywords that something shall be done with: those listed, or all that a filter means.
 *
 * @param ids exactly these; null for all of the filter
 * @param filter null for all
 * @param except left out of the filter's keywords; null for none
 */
public record KeywordSelection(List<Long> ids, KeywordFilter filter, List<Long> except) {

    /** All keywords. */
    public static final KeywordSelection ALL = new KeywordSelection(null, null, null);
}
