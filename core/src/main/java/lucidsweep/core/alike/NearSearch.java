package lucidsweep.core.alike;

import java.util.stream.IntStream;

/**
 * Finds texts that are nearly the same: candidates by MinHash with banding, confirmed by the exact share of their shingles.
 * Two texts that share 80% of them meet in a band with a chance of 99.1%.
 */
final class NearSearch {

    private static final int BANDS = 12;
    private static final int ROWS = 5;

    /** With so many of a band each text is compared; more would cost the square where thousands meet. */
    private static final int MAX_LEADERS = 4;

    /** So many shingles are kept at hand; those of further texts are worked out whenever they are needed. */
    private static final long MAX_KEPT = 4_000_000;

    private static final double DEVIATIONS = 2.5;

    private final double near;
    private final int minAgreeing;
    private final Compared texts;
    private final NearGroups groups;
    private final long[] signatures;
    private final int[][] bands;
    private final int[][] kept;
    private long keptShingles;

    interface Compared {
        String of(int number);
    }

    private NearSearch(int size, Compared texts, double near) {
        this.near = near;
        this.texts = texts;
        double deviation = Math.sqrt(MinHash.SIZE * near * (1 - near));
        minAgreeing = (int) Math.floor(MinHash.SIZE * near - DEVIATIONS * deviation);
        signatures = new long[size * MinHash.PACKED];
        bands = new int[BANDS][size];
        kept = new int[size][];
        long[] sketches = new long[size];
        IntStream.range(0, size).parallel().forEach(i -> sketches[i] = sign(i));
        groups = new NearGroups(sketches);
    }

    private long sign(int text) {
        int[] signature = MinHash.of(Shingles.of(texts.of(text)));
        MinHash.pack(signature, signatures, text * MinHash.PACKED);
        int[] own = MinHash.bands(signature, BANDS, ROWS);
        for (int band = 0; band < BANDS; band++) bands[band][text] = own[band];
        return MinHash.sketch(signature);
    }

    /**
     * Groups texts, all different.
     *
     * @param near the least share of shingles, 0 to 1
     */
    static NearGroups of(int size, Compared texts, double near) {
        NearSearch search = new NearSearch(size, texts, near);
        for (int[] band : search.bands) search.join(band);
        return search.groups;
    }

    private void join(int[] band) {
        int[] order = RadixOrder.of(band);
        int[] leaders = new int[MAX_LEADERS];
        for (int start = 0, end; start < order.length; start = end) {
            end = start + 1;
            while (end < order.length && band[order[end]] == band[order[start]]) end++;
            if (end - start < 2) continue;
            int count = 0;
            for (int i = start; i < end; i++) {
                int text = order[i];
                if (isJoined(text, leaders, count)) continue;
                for (int k = 0; k < count; k++) compare(text, leaders[k]);
                if (count < MAX_LEADERS && !isJoined(text, leaders, count)) leaders[count++] = text;
            }
        }
    }

    private boolean isJoined(int text, int[] leaders, int count) {
        for (int k = 0; k < count; k++) if (groups.group(text) == groups.group(leaders[k])) return true;
        return false;
    }

    private void compare(int one, int other) {
        if (!mayBeNear(one, other)) return;
        double share = Shingles.likeness(shingles(one), shingles(other), near);
        if (share >= near) groups.join(one, other, share);
    }

    private boolean mayBeNear(int one, int other) {
        return MinHash.agreeing(signatures, one * MinHash.PACKED, other * MinHash.PACKED) >= minAgreeing;
    }

    /** Those of a text, each once and in order. */
    private int[] shingles(int text) {
        if (kept[text] != null) return kept[text];
        int[] shingles = Shingles.distinct(texts.of(text));
        keptShingles += shingles.length;
        if (keptShingles < MAX_KEPT) kept[text] = shingles;
        return shingles;
    }
}
