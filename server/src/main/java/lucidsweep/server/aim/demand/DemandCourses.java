package lucidsweep.server.aim.demand;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.demand.DemandWindow.Reported;
import lucidsweep.server.client.Clients;
import org.springframework.stereotype.Service;

/** What is reported of parts of a property by day, week or month, over all the time that there is. */
@Service
public class DemandCourses {

    private static final int WEEK = 7;
    private static final int YEAR = 364;
    private static final int WINDOW = 91;

    private final Demands demands;
    private final Clients clients;

    DemandCourses(Demands demands, Clients clients) {
        this.demands = demands;
        this.clients = clients;
    }

    /** How long the stretches are that figures are added up over. */
    public enum Grain {
        DAY,
        WEEK,
        MONTH;

        /** As it stands in the API: "week". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A part of a property; null does not narrow.
     *
     * @param items these items
     * @param phrases queries that say the same as one of these
     * @param brand queries with the brand, or without
     */
    public record Part(
            @Nullable Collection<Long> items,
            @Nullable Collection<String> phrases,
            @Nullable Boolean brand) {

        public static final Part ALL = new Part(null, null, null);
    }

    /**
     * A stretch of days.
     *
     * @param first its first day, as "2026-11-25"
     * @param figures null where nothing at all is reported
     * @param whole whether reports cover its end; the last one often is not
     */
    public record CoursePoint(String first, @Nullable Reported figures, boolean whole) {}

    /**
     * How a part goes on.
     *
     * @param now, before, yearBefore the last thirteen weeks, those before, and those a year before; null where not reported
     */
    public record Course(
            List<CoursePoint> points,
            @Nullable Reported now,
            @Nullable Reported before,
            @Nullable Reported yearBefore) {}

    /** One for each part; empty where nothing is reported. */
    public List<Course> of(long propertyId, List<Part> parts, Grain grain) {
        ReadDemand demand = demands.of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return List.of();
        int[] starts = starts(rows, grain);
        Only[] only = parts.stream().map(part -> only(propertyId, demand, part)).toArray(Only[]::new);
        DemandRows.Period[][] periods = rows.periods(only, starts);
        int end = rows.lastWholeDay() + 1;
        DemandRows.Period[][] windows =
                rows.periods(only, new int[] {end - YEAR - WINDOW, end - YEAR, end - 2 * WINDOW, end - WINDOW, end});
        List<Course> courses = new ArrayList<>();
        for (int i = 0; i < only.length; i++) courses.add(course(rows, periods[i], windows[i], starts));
        return courses;
    }

    /** How many days most rows are of: a finer grain than that shows nothing. */
    public int usualDays(long propertyId) {
        return demands.of(propertyId).rows().usualDays();
    }

    /**
     * An item that a query was shown with most for some weeks.
     *
     * @param first the first day of the first week, as "2026-11-25"
     */
    public record Holder(String address, @Nullable Long itemId, String first, int weeks, double position) {}

    /** Which item stood for a query, and when that changed hands; the earliest first. */
    public List<Holder> holders(long propertyId, String phrase) {
        ReadDemand demand = demands.of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return List.of();
        Only only = only(propertyId, demand, new Part(null, List.of(phrase), null));
        return rows.holders(only).stream()
                .map(holder -> new Holder(
                        demand.address(holder.item()),
                        demand.item(holder.item()),
                        LocalDate.ofEpochDay(holder.firstWeekDay()).toString(),
                        holder.weeks(),
                        holder.position()))
                .toList();
    }

    private static Course course(
            DemandRows rows, DemandRows.Period[] periods, DemandRows.Period[] windows, int[] starts) {
        List<CoursePoint> points = new ArrayList<>();
        for (DemandRows.Period period : periods) {
            int end = starts[points.size() + 1] - 1;
            points.add(new CoursePoint(
                    LocalDate.ofEpochDay(period.first()).toString(), reported(period), end <= rows.lastWholeDay()));
        }
        return new Course(points, reported(windows[3]), reported(windows[2]), reported(windows[0]));
    }

    private static Reported reported(DemandRows.Period period) {
        return period.sum() == null ? null : Reported.of(period.sum());
    }

    /** The first days of all stretches, and the day after the last. */
    private static int[] starts(DemandRows rows, Grain grain) {
        List<Integer> starts = new ArrayList<>();
        if (grain == Grain.MONTH) {
            LocalDate month = LocalDate.ofEpochDay(rows.firstDay()).withDayOfMonth(1);
            for (; month.toEpochDay() <= rows.lastDay(); month = month.plusMonths(1))
                starts.add((int) month.toEpochDay());
            starts.add((int) month.toEpochDay());
        } else {
            int step = grain == Grain.DAY ? 1 : WEEK;
            int last = grain == Grain.DAY ? rows.lastDay() : rows.lastWholeDay();
            int count = (last - rows.firstDay()) / step + 1;
            for (int i = 0; i <= count; i++) starts.add(last + 1 - step * (count - i));
        }
        return starts.stream().mapToInt(Integer::intValue).toArray();
    }

    private Only only(long propertyId, ReadDemand demand, Part part) {
        BitSet items = null;
        if (part.items() != null) {
            items = new BitSet();
            for (long id : part.items()) demand.numberOfItem(id).ifPresent(items::set);
        }
        BitSet queries = part.brand() == null ? null : demands.queries(propertyId, demand, part.brand());
        if (part.phrases() != null) {
            Words language = Words.in(clients.property(propertyId).language());
            BitSet like = new BitSet();
            for (String phrase : part.phrases()) like.or(demand.queriesLike(phrase, language));
            if (queries == null) queries = like;
            else queries.and(like);
        }
        return new Only(items, queries, -1);
    }
}
