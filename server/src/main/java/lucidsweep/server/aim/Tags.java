package lucidsweep.server.aim;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.TagSurvey;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** The tags of listings and videos, with what is searched of them. */
@Service
class Tags {

    private static final int KEPT = 8;

    private static final Map<String, Predicate<TagRow>> KINDS = Map.of(
            "", row -> true,
            "one-word", TagRow::oneWord,
            "never-searched", row -> row.searches() == null && row.impressions() == 0,
            "twins", row -> !row.twins().isEmpty(),
            "rising", row -> row.impressions() > 1.3 * row.impressionsBefore() && row.impressions() > 0,
            "falling", row -> row.impressions() < 0.7 * row.impressionsBefore());

    private static final Map<String, Comparator<TagRow>> ORDERS = Map.of(
            "tag", Comparator.comparing(TagRow::tag),
            "items", Comparator.comparingInt(TagRow::items),
            "searches", Comparator.comparing(TagRow::searches, Comparator.nullsFirst(Comparator.naturalOrder())),
            "clicks", Comparator.comparingLong(TagRow::clicks),
            "impressions", Comparator.comparingLong(TagRow::impressions));

    private final AimMapper mapper;
    private final Aimings aimings;
    private final Items items;
    private final Clients clients;

    private record Version(long propertyId, long revision) {}

    private final Cache<Version, List<TagRow>> kept =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    Tags(AimMapper mapper, Aimings aimings, Items items, Clients clients) {
        this.mapper = mapper;
        this.aimings = aimings;
        this.items = items;
        this.clients = clients;
    }

    /**
     * The tags of a property in an order.
     *
     * @param kind one-word, never-searched, twins, rising, falling; null or "" for all
     */
    List<TagRow> rows(long propertyId, String kind, String sort, boolean descending) {
        Property property = clients.property(propertyId);
        Predicate<TagRow> wanted = KINDS.get(kind == null ? "" : kind);
        if (wanted == null) throw Refusal.badInput("expected one of " + KINDS.keySet() + ", got \"" + kind + "\"");
        Comparator<TagRow> order = ORDERS.get(sort);
        if (order == null) throw Refusal.badInput("tags cannot be sorted by \"" + sort + "\"");
        return kept.get(new Version(propertyId, property.revision()), any -> survey(property)).stream()
                .filter(wanted)
                .sorted((descending ? order.reversed() : order).thenComparing(TagRow::tag))
                .toList();
    }

    private List<TagRow> survey(Property property) {
        TagSurvey survey = new TagSurvey(Words.in(property.language()));
        items.forEachTags(property.id(), tags -> survey.item(TagList.of(tags)));
        Map<String, Long> keywords = new HashMap<>();
        for (Keyword keyword : mapper.keywords(property.id())) keywords.put(keyword.phrase(), keyword.volume());
        Aimings.Ready ready = aimings.of(property.id());
        return survey.tags(keywords).stream().map(tag -> row(tag, ready)).toList();
    }

    private static TagRow row(TagSurvey.Tag tag, Aimings.Ready ready) {
        DemandTally.Line demand = ready.aiming().demandOf(tag.tag());
        return new TagRow(
                tag.tag(),
                tag.items(),
                tag.searches(),
                demand.now().clicks(),
                demand.now().impressions(),
                demand.before().impressions(),
                tag.oneWord(),
                tag.twins(),
                tag.longer());
    }
}
