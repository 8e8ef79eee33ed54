package lucidsweep.server.gather.imports;

import java.util.List;

/**
 * What an import would do.
 *
 * @param added rows that are not there yet
 * @param gone items that the file does not have any more
 * @param unreadable how many rows cannot be read
 * @param examples some of those, with line and reason
 * @param leftOut lines that are no rows, and what they are, such as a total
 */
record ImportTrial(
        int added,
        int changed,
        int unchanged,
        int gone,
        int unreadable,
        List<Unreadable> examples,
        List<Unreadable> leftOut) {

    /** A line that is not taken in. */
    record Unreadable(long line, String reason) {}
}
