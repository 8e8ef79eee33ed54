package lucidsweep.core.alike;

import lucidsweep.core.text.TextKey;

/** How alike two texts are. */
public final class Likeness {

    private Likeness() {}

    /** The share of their runs of four letters that both have (Jaccard), 0 to 1; case and punctuation do not count. */
    public static double of(String one, String other) {
        String key = TextKey.key(one);
        String otherKey = TextKey.key(other);
        if (key.isEmpty() || otherKey.isEmpty()) return key.equals(otherKey) ? 1 : 0;
        return Shingles.likeness(Shingles.distinct(key), Shingles.distinct(otherKey));
    }
}
