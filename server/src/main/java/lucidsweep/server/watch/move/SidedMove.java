package lucidsweep.server.watch.move;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.move.Move;
import lucidsweep.server.aim.demand.WeeklyDemand.Weeks;

/** A move of items or queries, whose names and ids are in the weeks. */
record SidedMove(String side, Weeks weeks, List<String> groups, Move move) {

    LocalDate day() {
        return LocalDate.ofEpochDay(weeks.figures().firstDay(move.week()));
    }

    String name() {
        return switch (move.spread()) {
            case ONE -> weeks.names()[move.series().get(0)];
            case GROUP -> groups.get(move.group());
            case ALL -> "";
        };
    }

    String key() {
        return String.join("|", side, move.what().toString(), move.spread().toString(), day().toString(), name());
    }
}
