package lucidsweep.core.alike;

import java.util.Arrays;

/** Texts by number that are nearly the same: each with its nearest one, and in the group that those make. */
final class NearGroups {

    static final int NONE = -1;

    private final int[] partners;
    private final float[] likeness;
    private final int[] parents;
    private final long[] sketches;

    /** @param sketches of the texts, as {@link MinHash#sketch} has them */
    NearGroups(long[] sketches) {
        this.sketches = sketches;
        partners = new int[sketches.length];
        likeness = new float[sketches.length];
        parents = new int[sketches.length];
        Arrays.fill(partners, NONE);
        Arrays.setAll(parents, i -> i);
    }

    void join(int one, int other, double share) {
        note(one, other, (float) share);
        note(other, one, (float) share);
        int first = Math.min(group(one), group(other));
        int second = Math.max(group(one), group(other));
        parents[second] = first;
    }

    private void note(int text, int partner, float share) {
        if (partners[text] != NONE && likeness[text] >= share) return;
        partners[text] = partner;
        likeness[text] = share;
    }

    /** The first text of the group that a text is in. */
    int group(int text) {
        int at = text;
        while (parents[at] != at) at = parents[at] = parents[parents[at]];
        return at;
    }

    /** The text that is nearest to one of those it was compared with; {@link #NONE} where none is near. */
    int partner(int text) {
        return partners[text];
    }

    double likeness(int text) {
        return likeness[text];
    }

    long sketch(int text) {
        return sketches[text];
    }
}
