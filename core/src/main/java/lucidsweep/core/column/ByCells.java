package lucidsweep.core.column;

import java.util.EnumSet;
import java.util.Set;
import lucidsweep.core.column.CellProfile.Look;

/**
 * How sure the cells of a column alone make a meaning, where its name says nothing; from 0 to {@link #SUREST}, since cells tell
 * less than a name does. Without names of columns more is dared: a bare list has one meaning at most for each.
 */
final class ByCells {

    static final double SUREST = 0.55;

    /** What names cannot be missed for: these look like nothing else. */
    private static final Set<Meaning> TELLING = EnumSet.of(
            Meaning.ADDRESS, Meaning.TITLE, Meaning.DESCRIPTION, Meaning.TAGS, Meaning.PUBLISHED, Meaning.FROM);

    private static final double JUST_SO = 0.8;
    private static final double LIKELY = 0.6;
    private static final double POSSIBLY = 0.55;
    private static final int LONGEST_TITLE = 110;
    private static final int SHORTEST_DESCRIPTION = 80;
    private static final int SHORTEST_UNNAMED_DESCRIPTION = 45;

    private ByCells() {}

    /** For a column that has a name. */
    static double ofNamed(String name, CellProfile cells, Meaning meaning, int column) {
        if (cells.count() == 0 || KnownNames.ALL.denies(name, meaning)) return 0;
        double fit = CellFit.of(cells, meaning);
        if (isPhrase(meaning)) return phrase(fit, cells, column);
        if (meaning == Meaning.ID) return isKeyOfTable(cells) ? SUREST * fit : 0;
        if (!TELLING.contains(meaning)) return 0;
        if (meaning == Meaning.TITLE && cells.length() > LONGEST_TITLE) return 0;
        if (meaning == Meaning.DESCRIPTION && cells.length() < SHORTEST_DESCRIPTION) return 0;
        return atLeast(JUST_SO, fit);
    }

    /** For a column of a table without names. */
    static double ofUnnamed(RowKind kind, CellProfile cells, Meaning meaning, int column) {
        if (cells.count() == 0) return 0;
        double fit = CellFit.of(cells, meaning);
        if (isPhrase(meaning)) return Math.max(phrase(fit, cells, column), column == 0 ? GuessedColumns.ENOUGH : 0);
        return switch (meaning) {
            case VOLUME -> atLeast(LIKELY, fit);
            case COMPETITION -> column > 0 ? GuessedColumns.ENOUGH + 0.01 : 0;
            case ID -> isKeyOfTable(cells) ? SUREST * fit : 0;
            case ADDRESS -> fit >= 0.5 ? SUREST * Math.max(fit, JUST_SO) : 0;
            case TITLE -> cells.length() > LONGEST_TITLE ? 0 : atLeast(kind.isItem() ? POSSIBLY : JUST_SO, fit);
            case DESCRIPTION -> cells.length() < SHORTEST_UNNAMED_DESCRIPTION ? 0 : atLeast(POSSIBLY, fit);
            default -> TELLING.contains(meaning) ? atLeast(JUST_SO, fit) : 0;
        };
    }

    private static boolean isPhrase(Meaning meaning) {
        return meaning == Meaning.KEYWORD || meaning == Meaning.QUERY;
    }

    private static double phrase(double fit, CellProfile cells, int column) {
        return column == 0 || cells.share(Look.SPACED) > 0.5 ? atLeast(LIKELY, fit) : 0;
    }

    private static double atLeast(double enough, double fit) {
        return fit >= enough ? SUREST * fit : 0;
    }

    /** Whether cells tell their rows apart as numbers of articles do. */
    private static boolean isKeyOfTable(CellProfile cells) {
        return cells.count() > 1
                && cells.share(Look.ID) > 0.9
                && cells.distinct() == 1
                && cells.share(Look.NUMBER) < 0.5;
    }
}
