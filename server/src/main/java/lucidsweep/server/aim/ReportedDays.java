package lucidsweep.server.aim;

import java.time.LocalDate;
import java.time.ZoneOffset;
import lucidsweep.server.gather.Reports;

/** The first and last day that a row of demand covers, counted from 1970-01-01 on. */
record ReportedDays(int first, int last) {

    private static final int MONTH = 30;

    /**
     * The days of a row; one that names none is taken to be of the last month.
     *
     * @param today the last day that is reported of
     */
    static ReportedDays of(Reports.Demand row, int today) {
        int last = row.toDay().isEmpty() ? today : day(row.toDay());
        int first = row.fromDay().isEmpty() ? last - MONTH + 1 : day(row.fromDay());
        return new ReportedDays(first, Math.max(first, last));
    }

    static int day(String iso) {
        return (int) LocalDate.parse(iso).toEpochDay();
    }

    /** The last day that is reported of a property; where nothing is, this day. */
    static LocalDate today(Reports reports, long propertyId) {
        String last = reports.lastDay(propertyId);
        return last.isEmpty() ? LocalDate.now(ZoneOffset.UTC) : LocalDate.parse(last);
    }
}
