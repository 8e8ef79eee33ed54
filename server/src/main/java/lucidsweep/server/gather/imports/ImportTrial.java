package lucidsweep.server.gather.imports;

import java.util.List;

/**
 * What an import would do.
 *
 * @param added rows that are not there yet
 * @param gone items that the file does not have any more
 * @param unreadable how many rows cannot be read
 * @param examples some of those, with line and reason
 */
record ImportTrial(int added, int changed, int unchanged, int gone, int unreadable, List<Unreadable> examples) {

    /** A row that cannot be read. */
    record Unreadable(long line, String reason) {}
}
