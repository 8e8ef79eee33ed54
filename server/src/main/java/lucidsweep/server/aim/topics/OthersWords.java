package lucidsweep.server.aim.topics;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import lucidsweep.core.keyword.TargetFinder;
import lucidsweep.core.keyword.TellingWords;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.targets.PreparedProperties;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Packed;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Service;

/** The words that go with a topic in the property's own pages and queries, and those that an item lacks. */
@Service
class OthersWords {

    private static final int MAX_WORDS = 24;
    private static final int STRONGEST = 12;
    private static final int HOMES_OF_ONE = 3;
    private static final int MAX_PAGES = 40;
    private static final int OTHER_PAGES = 240;
    private static final int OTHER_RESULTS = 500;

    private final TopicTables topics;
    private final PreparedProperties prepared;
    private final Demands demand;
    private final Reports reports;
    private final Items items;
    private final Clients clients;

    OthersWords(
            TopicTables topics,
            PreparedProperties prepared,
            Demands demand,
            Reports reports,
            Items items,
            Clients clients) {
        this.topics = topics;
        this.prepared = prepared;
        this.demand = demand;
        this.reports = reports;
        this.items = items;
        this.clients = clients;
    }

    /** The words that go with a topic and are in none of its keywords. */
    RelatedWords ofTopic(long propertyId, String topic) {
        Words language = Words.in(clients.property(propertyId).language());
        List<KeywordRow> keywords = topics.keywords(propertyId, topic);
        Set<String> known = new HashSet<>();
        keywords.forEach(row -> addStems(row.phrase(), language, known));
        return words(propertyId, pagesOf(propertyId, keywords), known, language, "");
    }

    /** The words that the pages of an item's topic and its rivals use and it does not. */
    RelatedWords lackingIn(long itemId) {
        Property property = clients.property(items.propertyOf(itemId));
        Words language = Words.in(property.language());
        ItemDetail item = items.detailWithCapture(itemId);
        Set<String> known = new HashSet<>();
        addStems(text(item), language, known);
        String target = item.keyword() == null ? "" : item.keyword();
        Set<Long> pages = new LinkedHashSet<>();
        if (!target.isEmpty()) {
            topics.topicOf(property.id(), target)
                    .ifPresent(topic -> pages.addAll(pagesOf(property.id(), topics.keywords(property.id(), topic))));
        }
        pages.remove(itemId);
        return words(property.id(), pages, known, language, target);
    }

    private RelatedWords words(long propertyId, Set<Long> pages, Set<String> known, Words language, String query) {
        TellingWords inPages = new TellingWords(language);
        items.detailsWithCapture(List.copyOf(pages)).forEach(item -> inPages.about(text(item)));
        items.detailsWithCapture(others(propertyId, pages)).forEach(item -> inPages.other(text(item)));
        TellingWords inQueries = new TellingWords(language);
        Demands.Queries queries = demand.queriesOf(propertyId, pages);
        queries.theirs().forEach(inQueries::about);
        queries.others().forEach(inQueries::other);
        TellingWords inResults = new TellingWords(language);
        if (!query.isEmpty()) addResults(propertyId, query, inResults);
        return new RelatedWords(
                inPages.texts(),
                inPages.strongest(MAX_WORDS, known),
                inQueries.texts(),
                inQueries.strongest(MAX_WORDS, known),
                inResults.texts(),
                inResults.strongest(MAX_WORDS, known));
    }

    private void addResults(long propertyId, String query, TellingWords words) {
        String own = PageAddress.host(clients.property(propertyId).address());
        for (Reports.Result result : reports.results(propertyId, query)) {
            if (own.isEmpty() || !PageAddress.host(result.address()).equals(own)) words.about(text(result));
        }
        reports.otherResults(propertyId, query, OTHER_RESULTS).forEach(result -> words.other(text(result)));
    }

    private static String text(Reports.Result result) {
        return result.title() + " . " + result.description();
    }

    /** The items that the strongest keywords live with, or could. */
    private Set<Long> pagesOf(long propertyId, List<KeywordRow> keywords) {
        PreparedProperties.Ready ready = prepared.of(propertyId);
        Set<Long> pages = new LinkedHashSet<>();
        keywords.stream()
                .map(row -> row.item().itemId())
                .filter(id -> id != null)
                .limit(MAX_PAGES)
                .forEach(pages::add);
        keywords.stream()
                .sorted(TopicTables.STRONGEST.reversed())
                .limit(STRONGEST)
                .forEach(row -> {
                    Integer place = ready.places().get(row.id());
                    if (place == null) return;
                    ready.mapper().candidates(place).stream()
                            .limit(HOMES_OF_ONE)
                            .map(TargetFinder.Candidate::item)
                            .forEach(pages::add);
                });
        return pages;
    }

    /** Pages from all over the property, the same ones each time. */
    private List<Long> others(long propertyId, Set<Long> pages) {
        long[] all = items.allIds(propertyId);
        int step = Math.max(1, all.length / OTHER_PAGES);
        List<Long> some = new ArrayList<>();
        IntStream.range(0, all.length)
                .filter(i -> i % step == 0 && !pages.contains(all[i]))
                .limit(OTHER_PAGES)
                .forEach(i -> some.add(all[i]));
        return some;
    }

    private static String text(ItemDetail item) {
        String tags = item.tags() == null ? "" : item.tags().captured();
        return String.join(
                " . ",
                item.title().captured(),
                item.seen().h1(),
                item.description().captured(),
                tags,
                Packed.text(item.captured().copy()));
    }

    private static void addStems(String text, Words language, Set<String> stems) {
        language.of(text).stream().map(Word::stem).forEach(stems::add);
    }
}
