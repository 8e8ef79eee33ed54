package lucidsweep.server.aim.reviews;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Clients;
import lucidsweep.server.database.Columns;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Named lists of keywords, tags and items to look at again, in a month or at leisure. */
@Service
public class Reviews {

    private static final int LONGEST_NAME = 100;
    private static final int LONGEST_PHRASE = 500;
    private static final int LONGEST_PLACE = 20_000;
    private static final int AT_ONCE = 1_000;

    private final ReviewMapper mapper;
    private final KeywordTables tables;
    private final Clients clients;
    private final Clock clock = Clock.systemUTC();

    Reviews(ReviewMapper mapper, KeywordTables tables, Clients clients) {
        this.mapper = mapper;
        this.tables = tables;
        this.clients = clients;
    }

    /** All of a property, those due first. */
    public List<Review> all(long propertyId) {
        List<ReviewMapper.ReviewLine> lines = mapper.all(propertyId);
        if (lines.isEmpty()) return List.of();
        Map<String, KeywordRow> keywords = new HashMap<>();
        for (KeywordRow row : tables.rows(propertyId, KeywordSelection.ALL)) {
            keywords.put(row.phrase(), row);
        }
        String now = YearMonth.now(clock).toString();
        return lines.stream()
                .map(line -> {
                    KeywordRow row = keywords.get(line.phrase());
                    return new Review(
                            line.id(),
                            line.list(),
                            Review.Kind.valueOf(line.kind()),
                            line.phrase(),
                            line.place(),
                            line.dueMonth(),
                            !line.dueMonth().isEmpty() && line.dueMonth().compareTo(now) <= 0,
                            row == null ? null : row.figures().volume(),
                            row == null ? null : row.item().address());
                })
                .toList();
    }

    /** How many of each of some properties are due in this month or were before; those without any are left out. */
    public Map<Long, Integer> due(Collection<Long> propertyIds) {
        return mapper.countDue(propertyIds.toArray(), YearMonth.now(clock).toString()).stream()
                .collect(Collectors.toMap(ReviewMapper.DueCount::propertyId, ReviewMapper.DueCount::reviews));
    }

    /**
     * Puts phrases on a list; those that stand on it get the month. Returns how many.
     *
     * @param month such as "2027-03"; "" for none
     */
    int put(long propertyId, String list, String month, Review.Kind kind, List<String> phrases) {
        return put(propertyId, list, month, kind, phrases, "");
    }

    /** Puts the items that a filter shows on a list, under a name. */
    void putItems(long propertyId, String list, String month, String name, String place) {
        if (place.isEmpty() || place.length() > LONGEST_PLACE)
            throw Refusal.badInput(
                    "expected a filter of 1 to " + LONGEST_PLACE + " characters, got one of " + place.length());
        put(propertyId, list, month, Review.Kind.ITEMS, List.of(name), place);
    }

    private int put(long propertyId, String list, String month, Review.Kind kind, List<String> phrases, String place) {
        clients.property(propertyId);
        String name = Spaces.closedUp(list == null ? "" : list);
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw Refusal.badInput(
                    "expected the name of a list of 1 to " + LONGEST_NAME + " characters, got " + name.length());
        }
        String checked = month(month);
        List<ReviewMapper.NewReview> rows = new ArrayList<>();
        for (String phrase : phrases.stream().distinct().toList()) {
            if (phrase.isBlank() || phrase.length() > LONGEST_PHRASE) {
                throw Refusal.badInput(
                        "expected phrases of 1 to " + LONGEST_PHRASE + " characters, got one of " + phrase.length());
            }
            rows.add(new ReviewMapper.NewReview(propertyId, name, kind.name(), phrase, place, checked));
        }
        for (int start = 0; start < rows.size(); start += AT_ONCE) {
            mapper.put(Columns.of(rows.subList(start, Math.min(rows.size(), start + AT_ONCE))));
        }
        return rows.size();
    }

    void setMonth(long propertyId, List<Long> ids, String month) {
        mapper.setMonth(propertyId, ids.toArray(), month(month));
    }

    void remove(long propertyId, List<Long> ids) {
        mapper.remove(propertyId, ids.toArray());
    }

    private static String month(String given) {
        if (given == null || given.isBlank()) return "";
        try {
            return YearMonth.parse(given.strip()).toString();
        } catch (DateTimeException e) {
            throw Refusal.badInput("expected a month such as 2027-03, got \"" + given + "\"");
        }
    }
}
