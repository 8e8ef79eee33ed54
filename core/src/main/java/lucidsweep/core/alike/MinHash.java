package lucidsweep.core.alike;

import java.util.Random;

/**
 * The least of the hashes of a text's shingles, under each of 64 hash functions: two texts agree in as large a share of them as
 * they share of their shingles (Broder, "On the resemblance and containment of documents", 1997).
 */
final class MinHash {

    static final int FUNCTIONS = 64;

    /** So many numbers a packed signature takes. */
    static final int PACKED = FUNCTIONS / Long.BYTES;

    private static final long LOW_BITS = 0x7f7f7f7f7f7f7f7fL;

    private static final int[] FACTORS = new int[FUNCTIONS];
    private static final int[] SHIFTS = new int[FUNCTIONS];

    static {
        Random random = new Random(20);
        for (int i = 0; i < FUNCTIONS; i++) {
            FACTORS[i] = random.nextInt() | 1;
            SHIFTS[i] = random.nextInt();
        }
    }

    private MinHash() {}

    static int[] of(int[] shingles) {
        int[] least = new int[FUNCTIONS];
        for (int i = 0; i < FUNCTIONS; i++) least[i] = Integer.MAX_VALUE;
        for (int shingle : shingles) {
            for (int i = 0; i < FUNCTIONS; i++) least[i] = Math.min(least[i], shingle * FACTORS[i] + SHIFTS[i]);
        }
        return least;
    }

    /** The hashes of the bands of a signature: equal bands, likely the same texts. */
    static int[] bands(int[] signature, int bands, int rows) {
        int[] hashes = new int[bands];
        for (int band = 0; band < bands; band++) {
            int hash = band;
            for (int row = 0; row < rows; row++) hash = hash * 0x01000193 ^ mixed(signature[band * rows + row]);
            hashes[band] = mixed(hash);
        }
        return hashes;
    }

    /** Writes a byte of each, eight to a number: different ones are taken for equal once in 256 times. */
    static void pack(int[] signature, long[] into, int at) {
        for (int i = 0; i < PACKED; i++) {
            long eight = 0;
            for (int k = 0; k < Long.BYTES; k++)
                eight = eight << Byte.SIZE | mixed(signature[i * Long.BYTES + k]) & 0xff;
            into[at + i] = eight;
        }
    }

    /** In how many bytes two packed signatures agree, which begin at two places. */
    static int agreeing(long[] packed, int one, int other) {
        int agreeing = 0;
        for (int i = 0; i < PACKED; i++) {
            long differing = packed[one + i] ^ packed[other + i];
            // The highest bit of each byte that is not 0.
            long marked = ((differing & LOW_BITS) + LOW_BITS | differing) & ~LOW_BITS;
            agreeing += Long.BYTES - Long.bitCount(marked);
        }
        return agreeing;
    }

    /** One bit of each: texts that share s of their shingles agree in 32 + 32·s bits (Li and König, "b-bit minwise hashing", 2010). */
    static long sketch(int[] signature) {
        long sketch = 0;
        for (int i = 0; i < FUNCTIONS; i++) sketch |= (mixed(signature[i]) & 1L) << i;
        return sketch;
    }

    private static int mixed(int value) {
        int hash = (value ^ (value >>> 16)) * 0x7feb352d;
        hash = (hash ^ (hash >>> 15)) * 0x846ca68b;
        return hash ^ (hash >>> 16);
    }
}
