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
 */
public record Part(List<Source> sources, String before, LetterCase letterCase, int rank, boolean shortenable) {

    public Part {
        if (sources.isEmpty()) throw new IllegalArgumentException("a part needs at least one source");
        if (rank < 1 || rank > Recipe.MAX_PARTS) {
            throw new IllegalArgumentException("expected a rank from 1 to " + Recipe.MAX_PARTS + ", got " + rank);
        }
    }
}
