package lucidsweep.server.aim.topics;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.aim.targets.TargetDecisions;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** The topics of a property's keywords: looked at, merged, named and divided. */
@Service
class TopicTables {

    static final Comparator<KeywordRow> STRONGEST =
            Comparator.comparing(row -> row.figures().volume(), Comparator.nullsFirst(Comparator.naturalOrder()));

    private static final Map<String, Comparator<TopicRow>> ORDERS = Map.of(
            "topic", Comparator.comparing(TopicRow::topic),
            "keywords", Comparator.comparingInt(TopicRow::keywords),
            "volume", Comparator.comparingLong(TopicRow::volume),
            "clicks", Comparator.comparingLong(TopicRow::clicks),
            "impressions", Comparator.comparingLong(TopicRow::impressions),
            "items", Comparator.comparingInt(TopicRow::items),
            "without", Comparator.comparingInt((TopicRow row) -> row.keywords() - row.withItem()));

    private final KeywordTables tables;
    private final TargetDecisions aims;

    TopicTables(KeywordTables tables, TargetDecisions aims) {
        this.tables = tables;
        this.aims = aims;
    }

    /**
     * Topics in an order.
     *
     * @param text that their names or keywords hold; null or "" for any
     */
    Page<TopicRow> page(long propertyId, String text, String sort, boolean descending, int from, int count) {
        Comparator<TopicRow> order = ORDERS.get(sort);
        if (order == null) throw Refusal.badInput("topics cannot be sorted by \"" + sort + "\"");
        String part = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
        List<TopicRow> rows = byTopic(propertyId).entrySet().stream()
                .filter(each -> holds(each.getKey(), each.getValue(), part))
                .map(each -> row(each.getKey(), each.getValue()))
                .sorted((descending ? order.reversed() : order).thenComparing(TopicRow::topic))
                .toList();
        return Page.of(rows, from, count);
    }

    private Map<String, List<KeywordRow>> byTopic(long propertyId) {
        return tables.rows(propertyId, KeywordSelection.ALL).stream()
                .collect(Collectors.groupingBy(KeywordRow::topic, LinkedHashMap::new, Collectors.toList()));
    }

    private static boolean holds(String topic, List<KeywordRow> keywords, String part) {
        return topic.toLowerCase(Locale.ROOT).contains(part)
                || keywords.stream()
                        .anyMatch(row -> row.phrase().toLowerCase(Locale.ROOT).contains(part));
    }

    private static TopicRow row(String topic, List<KeywordRow> keywords) {
        KeywordRow strongest = keywords.stream().max(STRONGEST).orElseThrow();
        return new TopicRow(
                strongest.id(),
                topic,
                strongest.phrase(),
                keywords.size(),
                keywords.stream()
                        .map(row -> row.figures().volume())
                        .filter(Objects::nonNull)
                        .mapToLong(volume -> volume)
                        .sum(),
                keywords.stream().mapToLong(row -> row.reported().clicks()).sum(),
                keywords.stream().mapToLong(row -> row.reported().impressions()).sum(),
                (int) keywords.stream()
                        .filter(row -> row.item().itemId() != null)
                        .count(),
                (int) keywords.stream()
                        .map(row -> row.item().itemId())
                        .filter(Objects::nonNull)
                        .distinct()
                        .count(),
                (int) keywords.stream().filter(KeywordRow::topicByHand).count());
    }

    /** The keywords of a topic. */
    List<KeywordRow> keywords(long propertyId, String topic) {
        List<KeywordRow> found = byTopic(propertyId).get(topic);
        if (found == null) throw Refusal.notFound("there is no topic “" + topic + "” in this property");
        return found;
    }

    /** The topic of a keyword; empty where it is none of the property's. */
    Optional<String> topicOf(long propertyId, String phrase) {
        return tables.rows(propertyId, KeywordSelection.ALL).stream()
                .filter(row -> row.phrase().equals(phrase))
                .map(KeywordRow::topic)
                .findFirst();
    }

    /**
     * Puts all keywords of some topics under one name; of a single topic this gives it another name.
     *
     * @param ids of keywords whose topics are meant
     */
    void merge(long propertyId, List<Long> ids, String name) {
        if (name.isBlank()) throw Refusal.badInput("expected a name for the topic, got none");
        Set<Long> meant = new HashSet<>(ids);
        List<Long> all = byTopic(propertyId).values().stream()
                .filter(keywords -> keywords.stream().map(KeywordRow::id).anyMatch(meant::contains))
                .flatMap(List::stream)
                .map(KeywordRow::id)
                .toList();
        if (all.isEmpty()) throw Refusal.notFound("none of these keywords is in this property");
        aims.setTopic(propertyId, all, name);
    }

    /** Puts some keywords of a topic under a name of their own; the others stay under the old one. */
    void split(long propertyId, String topic, List<Long> ids, String name) {
        if (name.isBlank() || name.strip().equals(topic)) {
            throw Refusal.badInput("expected another name for the keywords to move, got \"" + name + "\"");
        }
        List<Long> all =
                keywords(propertyId, topic).stream().map(KeywordRow::id).toList();
        List<Long> out = all.stream().filter(new HashSet<>(ids)::contains).toList();
        if (out.isEmpty()) throw Refusal.badInput("none of these keywords is in the topic “" + topic + "”");
        List<Long> rest = all.stream().filter(id -> !out.contains(id)).toList();
        aims.setTopics(propertyId, Map.of(name, out, topic, rest));
    }
}
