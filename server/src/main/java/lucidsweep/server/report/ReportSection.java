package lucidsweep.server.report;

import java.util.Locale;

/** A part of a report that may be left out. */
public enum ReportSection {
    FOUND,
    COST,
    EXAMPLES,
    CHECKLIST,
    DONE,
    NEXT;

    /** As it stands in the API: "found". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
