package lucidsweep.server.aim.tags;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.demand.Course;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.Season;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.TagSurvey;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.aim.targets.PreparedProperties;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** The tags of listings and videos, with what is searched of them. */
@Service
public class Tags {

    private static final int KEPT = 8;

    private static final Map<String, Predicate<TagRow>> KINDS = Map.of(
            "", row -> true,
            "one-word", TagRow::oneWord,
            "never-searched",
                    row -> row.searched().searches() == null && row.reported().impressions() == 0,
            "twins", row -> !row.twins().isEmpty(),
            "seasonal", row -> !row.searched().peaks().isEmpty(),
            "rising", row -> row.course() == Course.RISING,
            "falling", row -> row.course() == Course.FALLING);

    private static final Map<String, Comparator<TagRow>> ORDERS = Map.of(
            "tag", Comparator.comparing(TagRow::tag),
            "items", Comparator.comparingInt(TagRow::items),
            "searches",
                    Comparator.comparing(
                            row -> row.searched().searches(), Comparator.nullsFirst(Comparator.naturalOrder())),
            "rate", Comparator.comparingDouble(row -> row.reported().rate()),
            "clicks", Comparator.comparingLong(row -> row.reported().clicks()),
            "impressions", Comparator.comparingLong(row -> row.reported().impressions()));

    private final KeywordTables keywords;
    private final PreparedProperties prepared;
    private final Items items;
    private final Clients clients;

    private record Version(long propertyId, long revision) {}

    private final RecentlyUsed<Version, List<TagRow>> kept = new RecentlyUsed<>(KEPT);

    Tags(KeywordTables keywords, PreparedProperties prepared, Items items, Clients clients) {
        this.keywords = keywords;
        this.prepared = prepared;
        this.items = items;
        this.clients = clients;
    }

    /**
     * The tags of a property in an order.
     *
     * @param kind one-word, never-searched, twins, seasonal, rising, falling; null or "" for all
     * @param text that they hold; null or "" for any
     */
    List<TagRow> rows(long propertyId, String kind, String text, String sort, boolean descending) {
        Property property = clients.property(propertyId);
        Predicate<TagRow> wanted = KINDS.get(kind == null ? "" : kind);
        if (wanted == null) throw Refusal.badInput("expected one of " + KINDS.keySet() + ", got \"" + kind + "\"");
        Comparator<TagRow> order = ORDERS.get(sort);
        if (order == null) throw Refusal.badInput("tags cannot be sorted by \"" + sort + "\"");
        String part = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
        return kept.get(new Version(propertyId, property.revision()), any -> survey(property)).stream()
                .filter(wanted)
                .filter(row -> row.tag().toLowerCase(Locale.ROOT).contains(part))
                .sorted((descending ? order.reversed() : order).thenComparing(TagRow::tag))
                .toList();
    }

    /** The keys of tags that nobody searches for; none where no searches are known. */
    public Set<String> unsearched(Property property) {
        List<TagRow> all = rows(property.id(), "", "", "items", true);
        boolean anySearches = all.stream()
                .anyMatch(row ->
                        row.searched().searches() != null && row.searched().searches() > 0);
        if (!anySearches) return Set.of();
        return all.stream()
                .filter(KINDS.get("never-searched"))
                .map(row -> TextKey.key(row.tag()))
                .collect(Collectors.toSet());
    }

    /** What is searched for a month, by phrase: as a list says, or how often items were shown for it where that is more. */
    public Map<String, Double> searches(Property property) {
        Map<String, Double> searches =
                new HashMap<>(prepared.of(property.id()).mapper().shownForQueries());
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL)) {
            Long volume = row.figures().volume();
            searches.merge(row.phrase(), volume == null ? 0.0 : volume, Math::max);
        }
        return searches;
    }

    /**
     * Phrases that are searched far more in some months than in the others.
     *
     * @param now those whose season a month belongs to, with their searches in it
     * @param others those whose season it is not
     */
    public record Seasonal(Map<String, Double> now, List<String> others) {}

    /** The seasonal phrases of a property as they stand in a month of the year, 1 to 12. */
    public Seasonal seasonal(Property property, int month) {
        Map<String, Double> now = new HashMap<>();
        List<String> others = new ArrayList<>();
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL)) {
            Season season = row.season();
            double searches = row.figures().in(month);
            if (season.peaks().isEmpty()) continue;
            if (season.includes(month)) now.put(row.phrase(), Double.isNaN(searches) ? 0 : searches);
            else others.add(row.phrase());
        }
        return new Seasonal(now, others);
    }

    private List<TagRow> survey(Property property) {
        Words language = Words.in(property.language());
        TagSurvey survey = new TagSurvey(language);
        items.forEachTags(property.id(), tags -> survey.item(TagList.of(tags)));
        Map<String, Long> phrases = new HashMap<>();
        Map<String, KeywordRow> byKey = new HashMap<>();
        PreparedProperties.Ready ready = prepared.of(property.id());
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL)) {
            phrases.put(row.phrase(), row.figures().volume());
            byKey.putIfAbsent(Phrase.of(row.phrase(), language).key(), row);
        }
        return survey.tags(phrases, ready.mapper().shownForQueries()).stream()
                .map(tag ->
                        row(tag, ready, byKey.get(Phrase.of(tag.tag(), language).key())))
                .toList();
    }

    /** A tag with the keyword that says the same; null where there is none. */
    private static TagRow row(TagSurvey.Tag tag, PreparedProperties.Ready ready, KeywordRow keyword) {
        DemandTally.Line demand = ready.mapper().demandOf(tag.tag());
        return new TagRow(
                tag.tag(),
                tag.items(),
                new TagRow.Searched(
                        tag.searches(),
                        keyword == null ? List.of() : keyword.figures().monthly(),
                        keyword == null ? "" : keyword.figures().lastMonth(),
                        keyword == null ? "" : keyword.peaks()),
                new TagRow.TagDemand(
                        demand.now().clicks(),
                        demand.now().impressions(),
                        demand.before().impressions(),
                        demand.now().rate()),
                Course.of(demand.now().impressions(), demand.before().impressions()),
                tag.oneWord(),
                tag.twins(),
                tag.longer());
    }
}
