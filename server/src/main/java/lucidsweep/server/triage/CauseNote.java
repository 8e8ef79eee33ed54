package lucidsweep.server.triage;

import java.time.YearMonth;

/**
 * What a person says of a cause, which keeps it from sweep to sweep.
 *
 * @param name another than its own sentence; "" for none
 * @param merged the name under which it is merged with others; "" where it is not
 * @param aside whether it is set aside
 * @param untilMonth when it comes back: "2027-03"; "" for never
 */
record CauseNote(
        long propertyId, CauseKey cause, String name, String merged, boolean aside, String reason, String untilMonth) {

    /** Nothing said of a cause yet. */
    static CauseNote blank(long propertyId, CauseKey cause) {
        return new CauseNote(propertyId, cause, "", "", false, "", "");
    }

    boolean isAside(YearMonth now) {
        return aside && (untilMonth.isEmpty() || YearMonth.parse(untilMonth).isAfter(now));
    }

    CauseNote named(String other) {
        return new CauseNote(propertyId, cause, other, merged, aside, reason, untilMonth);
    }

    CauseNote merged(String group) {
        return new CauseNote(propertyId, cause, name, group, aside, reason, untilMonth);
    }

    CauseNote setAside(String why, String until) {
        return new CauseNote(propertyId, cause, name, merged, true, why, until);
    }

    CauseNote broughtBack() {
        return new CauseNote(propertyId, cause, name, merged, false, "", "");
    }

    boolean saysNothing() {
        return name.isEmpty() && merged.isEmpty() && !aside;
    }
}
