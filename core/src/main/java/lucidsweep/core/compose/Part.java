package lucidsweep.core.compose;

import java.util.List;

/**
 * A part of a recipe.
 *
 * @param sources in falling order: the first that has a text is used
 * @param before what stands between this part and the one before it, such as " | "
 * @param letterCase the letter case it is put in
 * @param rank 1 for the part that goes last when the line is too long, higher for those that go sooner
 * @param shortenable whether it may be shortened, at a word
 * @param encloses what stands around it, in two halves, such as "()" or "“”"; "" for nothing
 * @param onlyIf what all has to hold for it to be used
 */
public record Part(
        List<Source> sources,
        String before,
        LetterCase letterCase,
        int rank,
        boolean shortenable,
        String encloses,
        List<Condition> onlyIf) {

    private static final int LONGEST_ENCLOSED = 8;

    public Part {
        if (sources == null || sources.isEmpty())
            throw new IllegalArgumentException("a part needs at least one source");
        if (rank < 1 || rank > Recipe.MAX_PARTS) {
            throw new IllegalArgumentException("expected a rank from 1 to " + Recipe.MAX_PARTS + ", got " + rank);
        }
        before = before == null ? "" : before;
        letterCase = letterCase == null ? LetterCase.AS_IS : letterCase;
        encloses = encloses == null ? "" : encloses;
        onlyIf = onlyIf == null ? List.of() : onlyIf;
        if (encloses.length() % 2 != 0 || encloses.length() > LONGEST_ENCLOSED) {
            throw new IllegalArgumentException(
                    "expected what encloses a part as two halves of one length, such as (), got \"" + encloses + "\"");
        }
    }

    public Part(List<Source> sources, String before, LetterCase letterCase, int rank, boolean shortenable) {
        this(sources, before, letterCase, rank, shortenable, "", List.of());
    }

    boolean isFor(ItemSources item) {
        for (Condition condition : onlyIf) {
            if (item.holds(condition.what(), condition.value() == null ? "" : condition.value()) == condition.not())
                return false;
        }
        return true;
    }

    boolean isBrand() {
        return sources.stream().anyMatch(Source::isBrand);
    }

    /** The text in what encloses it. */
    String enclosed(String text) {
        int half = encloses.length() / 2;
        return encloses.substring(0, half) + text + encloses.substring(half);
    }
}
