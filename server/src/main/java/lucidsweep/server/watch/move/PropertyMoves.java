package lucidsweep.server.watch.move;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Stream;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.move.Moves;
import lucidsweep.server.aim.demand.WeeklyDemand;
import lucidsweep.server.aim.demand.WeeklyDemand.Weeks;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;

/** The sudden moves of each property, worked out once for all who ask. */
@Component
class PropertyMoves {

    /** A move with fewer clicks a month at stake needs nobody. */
    private static final double LEAST_CLICKS = 2;

    private final WeeklyDemand demand;
    private final KeywordTables keywords;
    private final Items items;

    /** The moves of items and of queries, as long as the demand is the same. */
    private final Cache<Long, Found> kept = Caffeine.newBuilder().softValues().build();

    PropertyMoves(WeeklyDemand demand, KeywordTables keywords, Items items) {
        this.demand = demand;
        this.keywords = keywords;
        this.items = items;
    }

    private record Found(Object version, List<SidedMove> moves) {}

    /** The one with the most clicks at stake first. */
    List<SidedMove> of(Property property) {
        Weeks ofItems = demand.ofItems(property.id());
        return kept.asMap()
                .compute(
                        property.id(),
                        (id, found) -> found != null && found.version == ofItems.version()
                                ? found
                                : new Found(ofItems.version(), moves(property, ofItems)))
                .moves;
    }

    private List<SidedMove> moves(Property property, Weeks ofItems) {
        return Stream.concat(
                        items(property, ofItems).stream(), queries(property, demand.ofQueries(property.id())).stream())
                .filter(sided -> Math.abs(sided.move().clicksPerMonth()) >= LEAST_CLICKS)
                .sorted(Comparator.comparingDouble(
                        sided -> -Math.abs(sided.move().clicksPerMonth())))
                .toList();
    }

    private List<SidedMove> items(Property property, Weeks weeks) {
        Map<Long, String> sections = items.sections(
                Arrays.stream(weeks.itemIds()).filter(id -> id != 0).boxed().toList());
        List<String> names = new ArrayList<>();
        int[] groups = groups(weeks.names().length, names, one -> sections.getOrDefault(weeks.itemIds()[one], ""));
        return sided("items", weeks, names, groups);
    }

    private List<SidedMove> queries(Property property, Weeks weeks) {
        Words language = Words.in(property.language());
        Map<String, String> topics = new HashMap<>();
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL))
            topics.put(Phrase.of(row.phrase(), language).key(), row.topic());
        List<String> names = new ArrayList<>();
        int[] groups = groups(
                weeks.names().length,
                names,
                one -> topics.getOrDefault(
                        Phrase.of(weeks.names()[one], language).key(), ""));
        return sided("queries", weeks, names, groups);
    }

    private static int[] groups(int count, List<String> names, IntFunction<String> nameOf) {
        Map<String, Integer> numbers = new HashMap<>();
        int[] groups = new int[count];
        for (int one = 0; one < count; one++) {
            String name = nameOf.apply(one);
            groups[one] = name.isEmpty()
                    ? -1
                    : numbers.computeIfAbsent(name, any -> {
                        names.add(name);
                        return names.size() - 1;
                    });
        }
        return groups;
    }

    private static List<SidedMove> sided(String side, Weeks weeks, List<String> names, int[] groups) {
        return Moves.of(weeks.figures(), groups, weeks.rates()).stream()
                .map(move -> new SidedMove(side, weeks, names, move))
                .toList();
    }
}
