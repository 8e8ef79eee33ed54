package lucidsweep.core.alike;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;

/**
 * Finds texts that are nearly the same: candidates by MinHash with banding, confirmed by the exact share of their shingles.
 * Two texts that share 80% of them meet in a band with a chance of 99.1%.
 */
final class NearGroups {

    static final int NONE = -1;

    private static final int BANDS = 12;
    private static final int ROWS = 5;

    /** With so many of a band each text is compared; more would cost the square where thousands meet. */
    private static final int MAX_LEADERS = 4;

    /** So many shingles are kept at hand; those of further texts are worked out whenever they are needed. */
    private static final long MAX_KEPT = 16_000_000;

    private static final double DEVIATIONS = 2.5;

    private final double near;
    private final int minAgreeing;
    private final Compared texts;
    private final int[] partners;
    private final float[] likeness;
    private final int[] parents;
    private final long[] sketches;
    private final byte[] signatures;
    private final int[][] kept;

    interface Compared {
        String of(int number);
    }

    private NearGroups(int size, Compared texts, double near) {
        this.near = near;
        this.texts = texts;
        double deviation = Math.sqrt(MinHash.FUNCTIONS * near * (1 - near));
        minAgreeing = (int) Math.floor(MinHash.FUNCTIONS * near - DEVIATIONS * deviation);
        signatures = new byte[size * MinHash.FUNCTIONS];
        kept = new int[size][];
        partners = new int[size];
        likeness = new float[size];
        parents = new int[size];
        sketches = new long[size];
        Arrays.fill(partners, NONE);
        Arrays.setAll(parents, i -> i);
    }

    /**
     * Groups texts, all different.
     *
     * @param near the least share of shingles, 0 to 1
     */
    static NearGroups of(int size, Compared texts, double near) {
        NearGroups groups = new NearGroups(size, texts, near);
        int[][] bands = new int[BANDS][size];
        AtomicLong keptShingles = new AtomicLong();
        IntStream.range(0, size).parallel().forEach(i -> {
            int[] shingles = Shingles.distinct(texts.of(i));
            if (keptShingles.addAndGet(shingles.length) < MAX_KEPT) groups.kept[i] = shingles;
            int[] signature = MinHash.of(shingles);
            groups.sketches[i] = MinHash.sketch(signature);
            MinHash.putBytes(signature, groups.signatures, i * MinHash.FUNCTIONS);
            int[] own = MinHash.bands(signature, BANDS, ROWS);
            for (int band = 0; band < BANDS; band++) bands[band][i] = own[band];
        });
        for (int[] band : bands) groups.join(band);
        return groups;
    }

    private void join(int[] band) {
        long[] order = new long[band.length];
        for (int i = 0; i < order.length; i++) order[i] = (long) band[i] << 32 | i;
        Arrays.parallelSort(order);
        int[] leaders = new int[MAX_LEADERS];
        for (int start = 0, end; start < order.length; start = end) {
            end = start + 1;
            while (end < order.length && order[end] >> 32 == order[start] >> 32) end++;
            if (end - start < 2) continue;
            int count = 0;
            for (int i = start; i < end; i++) {
                int text = (int) order[i];
                if (isJoined(text, leaders, count)) continue;
                for (int k = 0; k < count; k++) join(text, leaders[k]);
                if (count < MAX_LEADERS && !isJoined(text, leaders, count)) leaders[count++] = text;
            }
        }
    }

    private int[] shingles(int text) {
        return kept[text] != null ? kept[text] : Shingles.distinct(texts.of(text));
    }

    private boolean mayBeNear(int one, int other) {
        int agreeing = 0;
        int atOne = one * MinHash.FUNCTIONS;
        int atOther = other * MinHash.FUNCTIONS;
        for (int i = 0; i < MinHash.FUNCTIONS; i++) {
            if (signatures[atOne + i] == signatures[atOther + i]) agreeing++;
        }
        return agreeing >= minAgreeing;
    }

    private boolean isJoined(int text, int[] leaders, int count) {
        for (int k = 0; k < count; k++) if (group(text) == group(leaders[k])) return true;
        return false;
    }

    private void join(int one, int other) {
        if (!mayBeNear(one, other)) return;
        double share = Shingles.likeness(shingles(one), shingles(other), near);
        if (share < near) return;
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
