package lucidsweep.server.watch.course;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.server.aim.demand.WeeklyDemand;
import org.springframework.stereotype.Service;

/** How many queries stand at which positions over time, and which were won and lost. */
@Service
class PositionCounts {

    /** The last positions of the bands: 1, 2 to 3, 4 to 10, 11 to 20, beyond. */
    private static final double[] BANDS = {1.5, 3.5, 10.5, 20.5, Double.MAX_VALUE};

    private static final double FIRST_PAGE = 10.5;
    private static final int MONTH = 4;
    private static final int SHOWN = 100;

    private final WeeklyDemand demand;

    PositionCounts(WeeklyDemand demand) {
        this.demand = demand;
    }

    /** How many queries stood at 1, 2 to 3, 4 to 10, 11 to 20 and beyond in the week from this day on. */
    record PositionWeek(String first, int[] queries) {}

    /**
     * A query that came to the first page of results or left it.
     *
     * @param before, now its position in the four weeks before the last four, and in them; 0 where it was shown for nothing
     * @param impressions in the last four weeks, or before them where it is lost
     */
    record MovedQuery(String query, double before, double now, long impressions) {}

    /** The weeks, and the queries won and lost between the last four weeks and the four before; the most shown first. */
    record Positions(List<PositionWeek> weeks, List<MovedQuery> won, List<MovedQuery> lost) {}

    Positions of(long propertyId) {
        WeeklyDemand.Weeks weeks = demand.ofQueries(propertyId);
        WeeklyFigures figures = weeks.figures();
        List<PositionWeek> counted = new ArrayList<>();
        for (int week = 0; week < figures.weeks(); week++) {
            int[] counts = new int[BANDS.length];
            for (int query = 0; query < figures.series(); query++) {
                double position = figures.position(query, week);
                if (position < 1) continue;
                int band = 0;
                while (position > BANDS[band]) band++;
                counts[band]++;
            }
            counted.add(new PositionWeek(
                    LocalDate.ofEpochDay(figures.firstDay(week)).toString(), counts));
        }
        List<MovedQuery> won = new ArrayList<>();
        List<MovedQuery> lost = new ArrayList<>();
        int last = figures.weeks();
        for (int query = 0; last >= 2 * MONTH && query < figures.series(); query++) {
            Month before = month(figures, query, last - 2 * MONTH);
            Month now = month(figures, query, last - MONTH);
            boolean was = before.isOnFirstPage();
            if (was == now.isOnFirstPage()) continue;
            (was ? lost : won)
                    .add(new MovedQuery(
                            weeks.names()[query],
                            before.position,
                            now.position,
                            was ? before.impressions : now.impressions));
        }
        return new Positions(counted, first(won), first(lost));
    }

    private record Month(double position, long impressions) {

        private boolean isOnFirstPage() {
            return position >= 1 && position <= FIRST_PAGE;
        }
    }

    private static Month month(WeeklyFigures figures, int query, int from) {
        double places = 0;
        double placed = 0;
        double shown = 0;
        for (int week = from; week < from + MONTH; week++) {
            places += figures.logPositions(query, week);
            placed += figures.placedImpressions(query, week);
            shown += figures.impressions(query, week);
        }
        return new Month(placed <= 0 ? 0 : Math.exp(places / placed), Math.round(shown));
    }

    private static List<MovedQuery> first(List<MovedQuery> queries) {
        return queries.stream()
                .sorted(Comparator.comparingLong(MovedQuery::impressions)
                        .reversed()
                        .thenComparing(MovedQuery::query))
                .limit(SHOWN)
                .toList();
    }
}
