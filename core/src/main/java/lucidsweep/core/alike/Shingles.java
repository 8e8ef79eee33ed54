package lucidsweep.core.alike;

import java.util.Arrays;

/** The runs of four letters of a text, hashed: texts that share most of them are nearly the same. */
final class Shingles {

    private static final int LETTERS = 4;

    private Shingles() {}

    /** All of them in the order of the text, some perhaps twice; one for a text that is shorter. */
    static int[] of(String text) {
        int count = Math.max(1, text.length() - LETTERS + 1);
        int[] shingles = new int[count];
        for (int i = 0; i < count; i++) {
            int hash = 0;
            int end = Math.min(text.length(), i + LETTERS);
            for (int at = i; at < end; at++) hash = hash * 0x01000193 ^ text.charAt(at);
            shingles[i] = mixed(hash);
        }
        return shingles;
    }

    /** Each once, in the order of their numbers. */
    static int[] distinct(String text) {
        int[] shingles = of(text);
        Arrays.sort(shingles);
        int size = 0;
        for (int i = 0; i < shingles.length; i++) {
            if (i == 0 || shingles[i] != shingles[i - 1]) shingles[size++] = shingles[i];
        }
        return Arrays.copyOf(shingles, size);
    }

    /** The share of all shingles of two texts that both have (Jaccard), 0 to 1; of distinct ones. */
    static double likeness(int[] one, int[] other) {
        int both = 0;
        for (int i = 0, k = 0; i < one.length && k < other.length; ) {
            if (one[i] == other[k]) {
                both++;
                i++;
                k++;
            } else if (one[i] < other[k]) {
                i++;
            } else {
                k++;
            }
        }
        return both / (double) (one.length + other.length - both);
    }

    /** The same where it is at least so much, else less than that: it stops as soon as that is clear. */
    static double likeness(int[] one, int[] other, double least) {
        int all = one.length + other.length;
        // Each that only one of them has adds to the whole: with so many of them, what both have is too little.
        int most = (int) (all * (1 - least) / (1 + least));
        int alone = Math.abs(one.length - other.length);
        if (alone > most) return 0;
        alone = 0;
        int i = 0;
        int k = 0;
        while (i < one.length && k < other.length && alone <= most) {
            int apart = Integer.compare(one[i], other[k]);
            if (apart <= 0) i++;
            if (apart >= 0) k++;
            if (apart != 0) alone++;
        }
        if (alone > most) return 0;
        alone += one.length - i + other.length - k;
        int both = (all - alone) / 2;
        return both / (double) (all - both);
    }

    private static int mixed(int value) {
        int hash = (value ^ (value >>> 16)) * 0x85ebca6b;
        hash = (hash ^ (hash >>> 13)) * 0xc2b2ae35;
        return hash ^ (hash >>> 16);
    }
}
