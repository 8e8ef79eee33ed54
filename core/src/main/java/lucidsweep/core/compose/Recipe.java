package lucidsweep.core.compose;

import java.util.List;

/** How to compose a field: parts in the order in which they stand. */
public record Recipe(List<Part> parts) {

    static final int MAX_PARTS = 8;

    public Recipe {
        if (parts.isEmpty() || parts.size() > MAX_PARTS) {
            throw new IllegalArgumentException(
                    "expected a recipe of 1 to " + MAX_PARTS + " parts, got " + parts.size());
        }
    }
}
