package lucidsweep.server.rewrite.writer;

import java.util.Locale;

/** Where an answer stands. */
enum CellState {
    WAITING,
    DONE,
    FAILED;

    /** As it stands in the database and the API: "waiting". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
