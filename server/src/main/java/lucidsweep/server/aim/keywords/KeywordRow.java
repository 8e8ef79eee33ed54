package lucidsweep.server.aim.keywords;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.Season;
import lucidsweep.core.keyword.SearchFigures;

/**
 * A keyword and its home.
 *
 * @param volume monthly searches of exactly this phrase; null where not known
 * @param broad monthly searches of this phrase and others that hold it; null where not known
 * @param country the countries that these figures are of, joined by commas; "" where the list named none
 * @param monthly searches by month, the latest last, -1 where not known; empty where none are
 * @param lastMonth the month of the last of them, such as "2026-10"
 * @param peaks the months it is searched most in, in words; "" for none
 * @param intent navigational, transactional, commercial or informational
 * @param clicks, impressions what was reported in the last thirteen weeks
 * @param position the mean position in them; 0 where not known
 * @param items how many items aim at it first of all
 * @param itemId its item; null where it has none
 * @param role whether it is the primary keyword or a secondary one; null where it has none
 */
public record KeywordRow(
        long id,
        String phrase,
        @Nullable Long volume,
        @Nullable Long broad,
        String competition,
        String country,
        List<Long> monthly,
        String lastMonth,
        String peaks,
        String topic,
        boolean topicByHand,
        String intent,
        String intentReason,
        boolean intentByHand,
        boolean brand,
        String place,
        long clicks,
        long impressions,
        double position,
        int items,
        @Nullable Long itemId,
        @Nullable String address,
        @Nullable String role,
        @Nullable Boolean byHand,
        @Nullable Double score,
        @Nullable String reason) {

    static KeywordRow of(KeywordLine line) {
        List<Long> monthly = FigureStore.months(line.monthly());
        return new KeywordRow(
                line.id(),
                line.phrase(),
                line.volume(),
                line.broad(),
                line.competition(),
                line.country(),
                monthly,
                line.lastMonth(),
                peaks(monthly, line.lastMonth()),
                line.topic(),
                line.topicByHand(),
                line.intent(),
                line.intentReason(),
                line.intentByHand(),
                line.brand(),
                line.place(),
                line.clicks(),
                line.impressions(),
                line.position(),
                line.items(),
                line.itemId(),
                line.address(),
                line.role(),
                line.byHand(),
                line.score(),
                line.reason());
    }

    private static String peaks(List<Long> monthly, String lastMonth) {
        if (lastMonth.length() != 7) return "";
        long[] volumes = monthly.stream().mapToLong(month -> month).toArray();
        return Season.of(volumes, Integer.parseInt(lastMonth.substring(5))).words();
    }

    /** The same with what is known of one country. */
    KeywordRow in(SearchFigures figures, DemandTally.Sum reported) {
        return new KeywordRow(
                id,
                phrase,
                figures.volume(),
                figures.broad(),
                figures.competition(),
                figures.country(),
                figures.monthly(),
                figures.lastMonth(),
                peaks(figures.monthly(), figures.lastMonth()),
                topic,
                topicByHand,
                intent,
                intentReason,
                intentByHand,
                brand,
                place,
                reported.clicks(),
                reported.impressions(),
                reported.position(),
                items,
                itemId,
                address,
                role,
                byHand,
                score,
                reason);
    }
}
