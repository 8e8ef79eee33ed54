package lucidsweep.server.watch.move;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.move.Move;
import lucidsweep.core.move.Moves;
import lucidsweep.server.aim.demand.WeeklyDemand;
import lucidsweep.server.aim.demand.WeeklyDemand.Weeks;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.watch.move.MoveRow.Level;
import lucidsweep.server.watch.move.MoveRow.MovedSeries;
import lucidsweep.server.watch.move.MoveRow.NearEvent;
import org.springframework.stereotype.Service;

/** The sudden moves of a property's items and queries, with what happened near them. */
@Service
public class FoundMoves {

    private static final int SHOWN = 100;
    private static final int SERIES_SHOWN = 20;

    /** A move with fewer clicks a month at stake needs nobody. */
    private static final double LEAST_CLICKS = 2;

    private final WeeklyDemand demand;
    private final KeywordTables keywords;
    private final Items items;
    private final Clients clients;
    private final NearEvents near;
    private final MoveAsideMapper mapper;

    /** The moves of items and of queries, as long as the demand is the same. */
    private final Cache<Long, Found> kept = Caffeine.newBuilder().softValues().build();

    FoundMoves(
            WeeklyDemand demand,
            KeywordTables keywords,
            Items items,
            Clients clients,
            NearEvents near,
            MoveAsideMapper mapper) {
        this.demand = demand;
        this.keywords = keywords;
        this.items = items;
        this.clients = clients;
        this.near = near;
        this.mapper = mapper;
    }

    /** A move of items or queries, whose names and ids are in the weeks. */
    private record Sided(String side, Weeks weeks, List<String> groups, Move move) {

        private LocalDate day() {
            return LocalDate.ofEpochDay(weeks.figures().firstDay(move.week()));
        }

        private String name() {
            return switch (move.spread()) {
                case ONE -> weeks.names()[move.series().get(0)];
                case GROUP -> groups.get(move.group());
                case ALL -> "";
            };
        }

        private String key() {
            return String.join("|", side, move.what().toString(), move.spread().toString(), day().toString(), name());
        }
    }

    private record Found(Object version, List<Sided> moves) {}

    /**
     * The moves of the last weeks, the ones with the most clicks at stake first.
     *
     * @param weeks how far back
     * @param aside whether those that were set aside are meant, or all others
     */
    public List<MoveRow> of(long propertyId, int weeks, boolean aside) {
        Property property = clients.property(propertyId);
        Map<String, String> setAside = mapper.all(propertyId).stream()
                .collect(Collectors.toMap(MoveAsideMapper.AsideLine::moveKey, MoveAsideMapper.AsideLine::reason));
        NearEvents.History history = near.of(property);
        return found(property).stream()
                .filter(sided -> sided.move.week() >= sided.weeks.figures().weeks() - weeks)
                .filter(sided -> setAside.containsKey(shortened(sided.key())) == aside)
                .limit(SHOWN)
                .map(sided -> row(history, sided, setAside.get(shortened(sided.key()))))
                .toList();
    }

    /** How many there are that nobody has set aside. */
    public int count(long propertyId, int weeks) {
        Set<String> setAside = mapper.all(propertyId).stream()
                .map(MoveAsideMapper.AsideLine::moveKey)
                .collect(Collectors.toSet());
        return (int) found(clients.property(propertyId)).stream()
                .filter(sided -> sided.move.week() >= sided.weeks.figures().weeks() - weeks)
                .filter(sided -> !setAside.contains(shortened(sided.key())))
                .count();
    }

    void setAside(long propertyId, String key, String reason) {
        clients.property(propertyId);
        mapper.put(propertyId, shortened(key), reason);
    }

    void takeUp(long propertyId, String key) {
        mapper.remove(propertyId, shortened(key));
    }

    private static String shortened(String key) {
        return key.length() <= 500 ? key : key.substring(0, 500);
    }

    private List<Sided> found(Property property) {
        Weeks ofItems = demand.ofItems(property.id());
        return kept.asMap()
                .compute(
                        property.id(),
                        (id, found) -> found != null && found.version == ofItems.version()
                                ? found
                                : new Found(ofItems.version(), moves(property, ofItems)))
                .moves;
    }

    private List<Sided> moves(Property property, Weeks ofItems) {
        return Stream.concat(
                        items(property, ofItems).stream(), queries(property, demand.ofQueries(property.id())).stream())
                .filter(sided -> Math.abs(sided.move.clicksPerMonth()) >= LEAST_CLICKS)
                .sorted(Comparator.comparingDouble(sided -> -Math.abs(sided.move.clicksPerMonth())))
                .toList();
    }

    private List<Sided> items(Property property, Weeks weeks) {
        Map<Long, String> sections = items.sections(
                Arrays.stream(weeks.itemIds()).filter(id -> id != 0).boxed().toList());
        List<String> names = new ArrayList<>();
        int[] groups = groups(weeks.names().length, names, one -> sections.getOrDefault(weeks.itemIds()[one], ""));
        return sided("items", weeks, names, groups);
    }

    private List<Sided> queries(Property property, Weeks weeks) {
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

    private static List<Sided> sided(String side, Weeks weeks, List<String> names, int[] groups) {
        return Moves.of(weeks.figures(), groups, weeks.rates()).stream()
                .map(move -> new Sided(side, weeks, names, move))
                .toList();
    }

    private MoveRow row(NearEvents.History history, Sided sided, String aside) {
        Move move = sided.move;
        List<MovedSeries> moved = move.series().stream()
                .limit(SERIES_SHOWN)
                .map(one -> new MovedSeries(
                        sided.weeks.names()[one],
                        sided.weeks.itemIds()[one] == 0 ? null : sided.weeks.itemIds()[one]))
                .toList();
        return new MoveRow(
                sided.key(),
                sided.side,
                move.what(),
                move.spread(),
                sided.name(),
                sided.day().toString(),
                move.isBetter(),
                move.words(),
                new Level(
                        move.before(),
                        move.after(),
                        move.ratio(),
                        move.noises(),
                        move.clicksPerMonth(),
                        move.series().size(),
                        move.of()),
                moved,
                near(history, sided),
                aside);
    }

    private static List<NearEvent> near(NearEvents.History history, Sided sided) {
        boolean one = sided.move.spread() == Move.Spread.ONE;
        Set<Long> ids = new HashSet<>();
        if (sided.side.equals("items"))
            for (int series : sided.move.series())
                if (sided.weeks.itemIds()[series] != 0) ids.add(sided.weeks.itemIds()[series]);
        String query = one && sided.side.equals("queries") ? sided.name() : "";
        return history.near(sided.day(), ids, query);
    }
}
