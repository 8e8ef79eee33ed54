package lucidsweep.server.aim.demand;

import java.time.LocalDate;
import java.time.ZoneOffset;
import lucidsweep.server.gather.imports.Reports;

/** The first and last day that a row of demand covers, counted from 1970-01-01 on. */
public record ReportedDays(int first, int last) {

    private static final int MONTH = 30;

    /**
     * The days of a row; one that names none is taken to be of the last month.
     *
     * @param today the last day that is reported of
     */
    public static ReportedDays of(Reports.Demand row, int today) {
        int last = row.toDay().isEmpty() ? today : day(row.toDay());
        int first = row.fromDay().isEmpty() ? last - MONTH + 1 : day(row.fromDay());
        return new ReportedDays(first, Math.max(first, last));
    }

    /** Of a day that is stored as "2026-11-25"; quick, since there are two in every row of demand. */
    public static int day(String iso) {
        return (int)
                LocalDate.of(part(iso, 0, 4), part(iso, 5, 7), part(iso, 8, 10)).toEpochDay();
    }

    private static int part(String iso, int from, int to) {
        return Integer.parseInt(iso, from, to, 10);
    }

    /** The last day that is reported of a property; where nothing is, this day. */
    public static LocalDate today(Reports reports, long propertyId) {
        String last = reports.lastDay(propertyId);
        return last.isEmpty() ? LocalDate.now(ZoneOffset.UTC) : LocalDate.parse(last);
    }
}
