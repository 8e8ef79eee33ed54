package lucidsweep.server.triage;

import java.time.YearMonth;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.item.Field;

/**
 * What a person says of a cause, which keeps it from sweep to sweep.
 *
 * @param shared, section, trait what tells the cause from others of its check
 * @param name another than its own sentence; "" for none
 * @param aside whether it is set aside
 * @param untilMonth when it comes back: "2027-03"; "" for never
 */
record CauseNote(
        long propertyId,
        Field field,
        String checkCode,
        String shared,
        String section,
        String trait,
        String name,
        boolean aside,
        String reason,
        String untilMonth) {

    /** Nothing said of a cause yet. */
    static CauseNote blank(
            long propertyId, Field field, String checkCode, String shared, String section, String trait) {
        return new CauseNote(propertyId, field, checkCode, shared, section, trait, "", false, "", "");
    }

    boolean isOf(Cause cause) {
        return isOfSame(blank(
                propertyId,
                cause.check().field(),
                cause.check().code(),
                cause.shared(),
                cause.section(),
                cause.having()));
    }

    boolean isOfSame(CauseNote other) {
        return other.field == field
                && other.checkCode.equals(checkCode)
                && other.shared.equals(shared)
                && other.section.equals(section)
                && other.trait.equals(trait);
    }

    boolean isAside(YearMonth now) {
        return aside && (untilMonth.isEmpty() || YearMonth.parse(untilMonth).isAfter(now));
    }

    CauseNote named(String other) {
        return new CauseNote(propertyId, field, checkCode, shared, section, trait, other, aside, reason, untilMonth);
    }

    CauseNote setAside(String why, String until) {
        return new CauseNote(propertyId, field, checkCode, shared, section, trait, name, true, why, until);
    }

    CauseNote broughtBack() {
        return new CauseNote(propertyId, field, checkCode, shared, section, trait, name, false, "", "");
    }

    boolean saysNothing() {
        return name.isEmpty() && !aside;
    }
}
