package lucidsweep.server.table;

import java.util.List;

/** One way of writing a table; what is read can be read again. */
interface TableFormat {

    /** What follows no encoding or delimiter of its own has none. */
    String NONE = "none";

    /** The name of the encoding, or {@link #NONE}. */
    String encoding();

    /** What parts the cells; 0 where the format does that by other means. */
    char delimiter();

    /** The first rows as they stand, however many cells they have. */
    List<List<String>> first(int rows);

    /** Reads all rows. */
    void read(RowReader reader);
}
