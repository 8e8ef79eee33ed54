package lucidsweep.server.watch.move;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.move.Move;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.watch.move.MoveRow.NearEvent;
import org.springframework.stereotype.Component;

/** Whether other properties moved, too: then the search engine changed and not this property. */
@Component
class MarketMoves {

    /** So many other properties are asked at most, those that were added last. */
    private static final int MOST = 20;

    private static final int DAYS_APART = 7;

    private final PropertyMoves moves;
    private final Clients clients;

    MarketMoves(PropertyMoves moves, Clients clients) {
        this.moves = moves;
        this.clients = clients;
    }

    /** The wide moves of other properties, read once for all moves of one; none where no move of it is wide. */
    Others beside(Property property, List<SidedMove> own) {
        if (own.stream().noneMatch(MarketMoves::isWide)) return new Others(List.of());
        return new Others(clients.properties().stream()
                .filter(other -> other.id() != property.id())
                .sorted(Comparator.comparingLong(Property::id).reversed())
                .limit(MOST)
                .map(other ->
                        moves.of(other).stream().filter(MarketMoves::isWide).toList())
                .toList());
    }

    private static boolean isWide(SidedMove move) {
        return move.move().spread() != Move.Spread.ONE;
    }

    /** @param moves of each of the others that is wide */
    record Others(List<List<SidedMove>> moves) {

        /** How many of the others moved the same way in the same week; empty where none did, or where one item moved alone. */
        Optional<NearEvent> movedLike(SidedMove move) {
            if (!isWide(move)) return Optional.empty();
            int same = (int) moves.stream()
                    .filter(other -> other.stream().anyMatch(theirs -> isAlike(theirs, move)))
                    .count();
            if (same == 0) return Optional.empty();
            String what = (same == 1 ? "1 other property" : same + " other properties")
                    + " moved the same way in that week: the search engine may have changed";
            return Optional.of(new NearEvent("market", move.day().toString(), what, null));
        }

        private static boolean isAlike(SidedMove theirs, SidedMove ours) {
            return theirs.move().what() == ours.move().what()
                    && theirs.move().isBetter() == ours.move().isBetter()
                    && daysApart(theirs.day(), ours.day()) <= DAYS_APART;
        }

        private static long daysApart(LocalDate one, LocalDate other) {
            return Math.abs(ChronoUnit.DAYS.between(one, other));
        }
    }
}
