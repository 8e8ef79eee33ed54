package lucidsweep.server.aim.keywords;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.Season;
import lucidsweep.core.keyword.SearchFigures;

/**
 * A keyword and its item.
 *
 * @param figures what lists say of it; of several countries, joined by commas
 * @param peaks the months it is searched most in, in words; "" for none
 * @param items how many items aim at it first of all
 */
public record KeywordRow(
        long id,
        String phrase,
        @JsonUnwrapped SearchFigures figures,
        String peaks,
        String topic,
        boolean topicByHand,
        @JsonUnwrapped Intention intention,
        boolean brand,
        String place,
        @JsonUnwrapped KeywordDemand reported,
        int items,
        @JsonUnwrapped AimedItem item) {

    /**
     * What its searchers are after.
     *
     * @param intent navigational, transactional, commercial or informational
     */
    public record Intention(String intent, String intentReason, boolean intentByHand) {}

    /**
     * What was reported in the last thirteen weeks.
     *
     * @param position the mean position in them; 0 where not known
     */
    public record KeywordDemand(long clicks, long impressions, double position) {}

    /**
     * The item it has; all parts are null where it has none.
     *
     * @param role whether it is the primary keyword or a secondary one
     */
    public record AimedItem(
            @Nullable Long itemId,
            @Nullable String address,
            @Nullable String role,
            @Nullable Boolean byHand,
            @Nullable Double score,
            @Nullable String reason) {}

    static KeywordRow of(KeywordLine line) {
        KeywordLine.Figures figures = line.figures();
        SearchFigures read = new SearchFigures(
                figures.country(),
                figures.volume(),
                figures.broad(),
                figures.competition(),
                FigureStore.months(figures.monthly()),
                figures.lastMonth());
        return new KeywordRow(
                line.id(),
                line.phrase(),
                read,
                season(read).words(),
                line.topic(),
                line.topicByHand(),
                line.intention(),
                line.brand(),
                line.place(),
                line.reported(),
                line.items(),
                line.item());
    }

    /** When it is searched most. */
    public Season season() {
        return season(figures);
    }

    private static Season season(SearchFigures figures) {
        if (figures.lastMonth().length() != 7) return new Season(List.of(), Season.Evidence.NONE);
        long[] volumes = figures.monthly().stream().mapToLong(month -> month).toArray();
        return Season.of(volumes, Integer.parseInt(figures.lastMonth().substring(5)));
    }

    /** The same with what is known of one country. */
    KeywordRow in(SearchFigures ofCountry, DemandTally.Sum sum) {
        return new KeywordRow(
                id,
                phrase,
                ofCountry,
                season(ofCountry).words(),
                topic,
                topicByHand,
                intention,
                brand,
                place,
                new KeywordDemand(sum.clicks(), sum.impressions(), sum.position()),
                items,
                item);
    }
}
