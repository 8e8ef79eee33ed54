package lucidsweep.core.compose;

import java.util.List;

/** How to compose a field: parts in the order in which they stand. */
public record Recipe(List<Part> parts) {

    static final int MOST_PARTS = 8;

    public Recipe {
        if (parts.isEmpty() || parts.size() > MOST_PARTS) {
            throw new IllegalArgumentException(
                    "expected a recipe of 1 to " + MOST_PARTS + " parts, got " + parts.size());
        }
    }
}
