package lucidsweep.server.gather;

import java.util.List;

/**
 * How a file was understood, to be looked at and put right before it is read.
 *
 * @param token names the file in what follows
 * @param delimiter in words: comma, tab, semicolon, bar
 * @param notes what should be looked at, in sentences
 */
record ImportPlan(
        String token, String fileName, String encoding, String delimiter, List<Column> columns, List<String> notes) {

    /** A column: its name, what it is taken for, and its first cells. */
    record Column(String name, ListingColumn meaning, List<String> samples) {}
}
