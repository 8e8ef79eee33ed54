package lucidsweep.server.aim.tags;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.demand.Course;
import lucidsweep.core.keyword.TagSurvey;

/**
 * A tag of the items of a property.
 *
 * @param items how many use it
 * @param course whether it is shown more or less than before
 * @param twins other tags in use that say the same in another form of words
 * @param longer known phrases that hold its words and more, the most searched first
 */
public record TagRow(
        String tag,
        int items,
        @JsonUnwrapped Searched searched,
        @JsonUnwrapped TagDemand reported,
        Course course,
        boolean oneWord,
        List<String> twins,
        List<TagSurvey.Longer> longer) {

    /**
     * What lists say of it as a keyword.
     *
     * @param searches a month; null where no list knows it
     * @param monthly searches by month, the latest last, -1 where not known; empty where none are
     * @param lastMonth the month of the last of them; "" where not known
     * @param peaks the months it is searched most in, in words; "" for none
     */
    public record Searched(@Nullable Long searches, List<Long> monthly, String lastMonth, String peaks) {}

    /**
     * What was reported of it as a query in the last thirteen weeks, over all items.
     *
     * @param impressionsBefore in the thirteen weeks before
     * @param rate clicks an impression
     */
    public record TagDemand(long clicks, long impressions, long impressionsBefore, double rate) {}
}
