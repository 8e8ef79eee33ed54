package lucidsweep.core.column;

/** How sure the name of a column makes a meaning, as far as its cells do not contradict it; from 0 to 1. */
final class ByName {

    /** An item of a report may be named by its id alone. */
    private static final double BY_ID = 0.8;

    private static final double CONTRADICTED = 0.2;

    private ByName() {}

    static double sure(RowKind kind, String name, CellProfile cells, Meaning meaning) {
        double named = named(kind, name, meaning);
        if (named == 0) return 0;
        double fit = CellFit.of(cells, meaning);
        // What the cells contradict is not believed, whatever the name says.
        return fit < CONTRADICTED ? 0 : named * Math.min(1, 0.6 + 0.5 * fit);
    }

    private static double named(RowKind kind, String name, Meaning meaning) {
        if (meaning == Meaning.MONTH) return GuessedColumns.month(name).isPresent() ? 1 : 0;
        double named = KnownNames.ALL.fit(name, meaning);
        boolean itemOfReport = kind == RowKind.DEMAND && meaning == Meaning.ADDRESS;
        return itemOfReport ? Math.max(named, BY_ID * KnownNames.ALL.fit(name, Meaning.ID)) : named;
    }
}
