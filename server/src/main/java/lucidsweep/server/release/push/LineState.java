package lucidsweep.server.release.push;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** Where one text of a release stands on its way to the content system, or back. */
enum LineState {
    WAITING,
    /** It is being stored; where the application ended meanwhile, reading tells whether it was. */
    SENDING,
    PUSHED,
    /** The item said it before anything was pushed. */
    IN_PLACE,
    /** The item says something that nobody here knows; a person decides. */
    CHANGED,
    REFUSED,
    FAILED,
    /** It is not pushed: its draft was changed or sent back, or a person kept what is there. */
    LEFT,
    /** It is to be taken back. */
    RETURNING,
    /** What was there before is being stored. */
    RESTORING,
    RETURNED,
    /** It is to be taken back, but the item says something else by now; a person decides. */
    CHANGED_SINCE;

    /** What is still to be pushed. */
    static final Set<LineState> TO_PUSH = EnumSet.of(WAITING, SENDING);

    /** What is still to be taken back. */
    static final Set<LineState> TO_RETURN = EnumSet.of(RETURNING, RESTORING);

    /** What waits for a person. */
    static final Set<LineState> OPEN = EnumSet.of(CHANGED, REFUSED, FAILED);

    /** Whether it is on its way back. */
    boolean isBack() {
        return this == RETURNING || this == RESTORING;
    }

    /** As it stands in the database and the API: "in-place". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static Object[] codes(Set<LineState> states) {
        return states.stream().map(LineState::toString).toArray();
    }
}
