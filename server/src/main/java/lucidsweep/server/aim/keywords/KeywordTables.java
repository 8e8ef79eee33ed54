package lucidsweep.server.aim.keywords;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.client.Clients;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** The keywords of properties, filtered and sorted by any of their figures. */
@Service
public class KeywordTables {

    private static final int MAX_VALUES = 1_000;
    private static final long MAX_KEPT = 400_000;
    private static final int CHOICES_KEPT = 50;

    private static final Map<String, Comparator<KeywordRow>> ORDERS = Map.ofEntries(
            Map.entry("phrase", Comparator.comparing(KeywordRow::phrase)),
            Map.entry(
                    "volume",
                    Comparator.comparing(
                            row -> row.figures().volume(), Comparator.nullsFirst(Comparator.naturalOrder()))),
            Map.entry(
                    "broad",
                    Comparator.comparing(
                            row -> row.figures().broad(), Comparator.nullsFirst(Comparator.naturalOrder()))),
            Map.entry("competition", Comparator.comparing(row -> row.figures().competition())),
            Map.entry("peaks", Comparator.comparing(KeywordRow::peaks)),
            Map.entry("intent", Comparator.comparing(row -> row.intention().intent())),
            Map.entry("topic", Comparator.comparing(KeywordRow::topic)),
            Map.entry("place", Comparator.comparing(KeywordRow::place)),
            Map.entry(
                    "address",
                    Comparator.comparing(
                            row -> row.item().address(), Comparator.nullsFirst(Comparator.naturalOrder()))),
            Map.entry(
                    "position",
                    Comparator.comparingDouble(row -> row.reported().position() < 1
                            ? Double.MAX_VALUE
                            : row.reported().position())),
            Map.entry("clicks", Comparator.comparingLong(row -> row.reported().clicks())),
            Map.entry(
                    "impressions",
                    Comparator.comparingLong(row -> row.reported().impressions())));

    private final KeywordRowMapper mapper;
    private final Clients clients;
    private final FigureStore figures;
    private final Demands demand;
    private final Reports reports;

    private record Version(long propertyId, long revision, String country) {}

    private record View(Version version, KeywordFilter filter, String sort, boolean descending) {}

    private final RecentlyUsed<Version, List<KeywordRow>> rows = new RecentlyUsed<>(MAX_KEPT, some -> some.size() + 1);
    private final RecentlyUsed<Version, Choices> choices = new RecentlyUsed<>(CHOICES_KEPT);
    private final RecentlyUsed<View, List<KeywordRow>> views = new RecentlyUsed<>(MAX_KEPT, some -> some.size() + 1);

    KeywordTables(KeywordRowMapper mapper, Clients clients, FigureStore figures, Demands demand, Reports reports) {
        this.mapper = mapper;
        this.clients = clients;
        this.figures = figures;
        this.demand = demand;
        this.reports = reports;
    }

    /** A value of a column and how many keywords have it. */
    public record Value(String value, int keywords) {}

    /** What the table can be narrowed to; the most frequent first. */
    public record Choices(
            List<Value> intents,
            List<Value> topics,
            List<Value> places,
            int brand,
            int seasonal,
            List<Value> competition,
            boolean broad,
            List<String> countries) {}

    Page<KeywordRow> page(long propertyId, KeywordFilter filter, String sort, boolean descending, int from, int count) {
        return Page.of(view(propertyId, filter, sort, descending), from, count);
    }

    List<KeywordRow> view(long propertyId, KeywordFilter filter, String sort, boolean descending) {
        Comparator<KeywordRow> order = ORDERS.get(sort);
        if (order == null) throw Refusal.badInput("keywords cannot be sorted by \"" + sort + "\"");
        View view = new View(version(propertyId, filter.country()), filter, sort, descending);
        return views.get(view, any -> {
            Comparator<KeywordRow> directed = descending ? order.reversed() : order;
            return all(view.version).stream()
                    .filter(filter::takes)
                    .sorted(directed.thenComparingLong(KeywordRow::id))
                    .toList();
        });
    }

    /** The keywords that are meant, in the order of their ids; what a filter means is what the table shows of it. */
    public List<KeywordRow> rows(long propertyId, KeywordSelection selection) {
        if (selection.ids() != null) {
            Set<Long> listed = new HashSet<>(selection.ids());
            return all(version(propertyId, null)).stream()
                    .filter(row -> listed.contains(row.id()))
                    .toList();
        }
        KeywordFilter filter = selection.filter();
        Set<Long> out = selection.except() == null ? Set.of() : new HashSet<>(selection.except());
        return all(version(propertyId, filter == null ? null : filter.country())).stream()
                .filter(row -> !out.contains(row.id()) && (filter == null || filter.takes(row)))
                .toList();
    }

    List<Long> ids(long propertyId, KeywordSelection selection) {
        return rows(propertyId, selection).stream().map(KeywordRow::id).toList();
    }

    Choices choices(long propertyId) {
        return choices.get(version(propertyId, null), any -> choicesOf(propertyId));
    }

    private Choices choicesOf(long propertyId) {
        List<KeywordRow> all = all(version(propertyId, null));
        Map<String, Integer> intents = new TreeMap<>();
        Map<String, Integer> topics = new TreeMap<>();
        Map<String, Integer> places = new TreeMap<>();
        Map<String, Integer> competition = new TreeMap<>();
        int brand = 0;
        int seasonal = 0;
        for (KeywordRow row : all) {
            intents.merge(row.intention().intent(), 1, Integer::sum);
            topics.merge(row.topic(), 1, Integer::sum);
            if (!row.place().isEmpty()) places.merge(row.place(), 1, Integer::sum);
            if (!row.figures().competition().isEmpty())
                competition.merge(row.figures().competition(), 1, Integer::sum);
            if (row.brand()) brand++;
            if (!row.peaks().isEmpty()) seasonal++;
        }
        topics.values().removeIf(count -> count < 2);
        Set<String> countries = new TreeSet<>(figures.countries(propertyId));
        countries.addAll(reports.countries(propertyId));
        boolean broad = all.stream().anyMatch(row -> row.figures().broad() != null);
        return new Choices(
                values(intents),
                values(topics),
                values(places),
                brand,
                seasonal,
                values(competition),
                broad,
                List.copyOf(countries));
    }

    private static List<Value> values(Map<String, Integer> counts) {
        return counts.entrySet().stream()
                .map(each -> new Value(each.getKey(), each.getValue()))
                .sorted(Comparator.comparingInt((Value value) -> -value.keywords))
                .limit(MAX_VALUES)
                .toList();
    }

    private Version version(long propertyId, String country) {
        return new Version(propertyId, clients.property(propertyId).revision(), country == null ? "" : country);
    }

    private List<KeywordRow> all(Version version) {
        if (version.country.isEmpty()) {
            return rows.get(
                    version,
                    any -> mapper.lines(version.propertyId).stream()
                            .map(KeywordRow::of)
                            .toList());
        }
        Version everywhere = new Version(version.propertyId, version.revision, "");
        return rows.get(version, any -> in(version, all(everywhere)));
    }

    /** Those of which anything is known in a country, with what that is. */
    private List<KeywordRow> in(Version version, List<KeywordRow> everywhere) {
        Words language = Words.in(clients.property(version.propertyId).language());
        Map<Long, SearchFigures> listed = figures.in(version.propertyId, version.country);
        Map<String, DemandTally.Sum> reported = demand.sumsByKey(version.propertyId, version.country, language);
        SearchFigures nothing = new SearchFigures(version.country, null, null, "", List.of(), "");
        DemandTally.Sum none = DemandTally.Sum.NONE;
        List<KeywordRow> found = new ArrayList<>();
        for (KeywordRow row : everywhere) {
            SearchFigures own = listed.get(row.id());
            DemandTally.Sum sum = reported.get(Phrase.of(row.phrase(), language).key());
            if (own == null && sum == null) continue;
            found.add(row.in(own == null ? nothing : own, sum == null ? none : sum));
        }
        return found;
    }
}
