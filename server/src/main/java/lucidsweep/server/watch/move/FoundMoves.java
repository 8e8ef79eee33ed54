package lucidsweep.server.watch.move;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.move.Move;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.watch.move.MoveRow.Level;
import lucidsweep.server.watch.move.MoveRow.MovedSeries;
import lucidsweep.server.watch.move.MoveRow.NearEvent;
import org.springframework.stereotype.Service;

/** The sudden moves of a property's items and queries, with what happened near them. */
@Service
public class FoundMoves {

    private static final int SHOWN = 100;
    private static final int SERIES_SHOWN = 20;

    private final PropertyMoves moves;
    private final Clients clients;
    private final NearEvents near;
    private final MarketMoves market;
    private final MoveAsideMapper mapper;

    FoundMoves(PropertyMoves moves, Clients clients, NearEvents near, MarketMoves market, MoveAsideMapper mapper) {
        this.moves = moves;
        this.clients = clients;
        this.near = near;
        this.market = market;
        this.mapper = mapper;
    }

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
        List<SidedMove> shown = moves.of(property).stream()
                .filter(sided -> sided.move().week() >= sided.weeks().figures().weeks() - weeks)
                .filter(sided -> setAside.containsKey(shortened(sided.key())) == aside)
                .limit(SHOWN)
                .toList();
        MarketMoves.Others others = market.beside(property, shown);
        return shown.stream()
                .map(sided -> row(history, others, sided, setAside.get(shortened(sided.key()))))
                .toList();
    }

    /** How many there are that nobody has set aside. */
    public int count(long propertyId, int weeks) {
        Set<String> setAside = mapper.all(propertyId).stream()
                .map(MoveAsideMapper.AsideLine::moveKey)
                .collect(Collectors.toSet());
        return (int) moves.of(clients.property(propertyId)).stream()
                .filter(sided -> sided.move().week() >= sided.weeks().figures().weeks() - weeks)
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

    private static MoveRow row(NearEvents.History history, MarketMoves.Others others, SidedMove sided, String aside) {
        Move move = sided.move();
        List<MovedSeries> moved = move.series().stream()
                .limit(SERIES_SHOWN)
                .map(one -> new MovedSeries(
                        sided.weeks().names()[one],
                        sided.weeks().itemIds()[one] == 0 ? null : sided.weeks().itemIds()[one]))
                .toList();
        return new MoveRow(
                sided.key(),
                sided.side(),
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
                near(history, others, sided),
                aside);
    }

    private static List<NearEvent> near(NearEvents.History history, MarketMoves.Others others, SidedMove sided) {
        boolean one = sided.move().spread() == Move.Spread.ONE;
        Set<Long> ids = new HashSet<>();
        if (sided.side().equals("items"))
            for (int series : sided.move().series())
                if (sided.weeks().itemIds()[series] != 0) ids.add(sided.weeks().itemIds()[series]);
        String query = one && sided.side().equals("queries") ? sided.name() : "";
        return Stream.concat(others.movedLike(sided).stream(), history.near(sided.day(), ids, query).stream())
                .toList();
    }
}
