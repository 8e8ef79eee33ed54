package lucidsweep.server.aim;

import java.util.List;
import lucidsweep.core.keyword.TagSurvey;

/**
 * A tag of the items of a property.
 *
 * @param items how many use it
 * @param searches a month; null where no list knows it
 * @param clicks, impressions what was reported of it as a query in the last thirteen weeks, over all items
 * @param impressionsBefore in the thirteen weeks before
 * @param twins other tags in use that say the same in another form of words
 * @param longer known phrases that hold its words and more, the most searched first
 */
public record TagRow(
        String tag,
        int items,
        Long searches,
        long clicks,
        long impressions,
        long impressionsBefore,
        boolean oneWord,
        List<String> twins,
        List<TagSurvey.Longer> longer) {}
