package lucidsweep.server.release;

import java.util.Locale;

/** What the last sweep saw of a text that was delivered. */
enum LiveState {
    /** It is there as it was delivered. */
    LIVE,
    /** Something else is there than before, but not the text. */
    OTHERWISE,
    /** What was there before is still there. */
    NOT_YET,
    /** It was there once, and is not any longer. */
    CHANGED_BACK,
    /** The item is gone. */
    GONE;

    /** As it stands in the database and the API: "not-yet". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
