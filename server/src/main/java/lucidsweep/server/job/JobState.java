package lucidsweep.server.job;

import java.util.Locale;

/** Where a piece of long work stands. */
public enum JobState {
    RUNNING,
    DONE,
    STOPPED,
    FAILED;

    /** As it stands in the database and the API: "running". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
