package lucidsweep.server.aim;

import java.util.Arrays;
import java.util.List;
import lucidsweep.core.demand.Season;

/**
 * A keyword and its home.
 *
 * @param volume monthly searches; null where not known
 * @param monthly searches by month, the latest last, -1 where not known; empty where none are
 * @param lastMonth the month of the last of them, such as "2026-10"
 * @param peaks the months it is searched most in, in words; "" for none
 * @param intent navigational, transactional, commercial or informational
 * @param clicks, impressions what was reported in the last thirteen weeks
 * @param position the mean position in them; 0 where not known
 * @param items how many items aim at it first of all
 * @param itemId its home; null where it has none
 * @param role whether it is the home's primary keyword or a secondary one; null where it has none
 */
public record KeywordRow(
        long id,
        String phrase,
        Long volume,
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
        Long itemId,
        String address,
        String role,
        Boolean byHand,
        Double score,
        String reason) {

    static KeywordRow of(KeywordLine line) {
        long[] monthly = line.monthly().isEmpty()
                ? new long[0]
                : Arrays.stream(line.monthly().split(","))
                        .mapToLong(Long::parseLong)
                        .toArray();
        boolean dated = line.lastMonth().length() == 7;
        String peaks = dated
                ? Season.of(monthly, Integer.parseInt(line.lastMonth().substring(5)))
                        .words()
                : "";
        return new KeywordRow(
                line.id(),
                line.phrase(),
                line.volume(),
                line.competition(),
                line.country(),
                Arrays.stream(monthly).boxed().toList(),
                line.lastMonth(),
                peaks,
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
}
