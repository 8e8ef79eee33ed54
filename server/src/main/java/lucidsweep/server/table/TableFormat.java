package lucidsweep.server.table;

/** One way of writing a table; what is read can be read again. */
interface TableFormat {

    /** What follows no encoding or delimiter of its own has none. */
    String NONE = "none";

    /** The name of the encoding, or {@link #NONE}. */
    String encoding();

    /** What separates the cells; 0 where the format does that by other means. */
    char delimiter();

    /**
     * Whether people write such tables by hand or for the eye: other lines may stand above and below, and rows may have more or
     * fewer cells than the first. Otherwise every row has as many cells as the first, which holds the names.
     */
    default boolean isLoose() {
        return false;
    }

    /** Whether empty cells at the end of a row are not written. */
    default boolean endsRowsEarly() {
        return false;
    }

    /** Reads all rows as they stand; empty ones too where the format is loose. */
    void read(RowReader reader);
}
