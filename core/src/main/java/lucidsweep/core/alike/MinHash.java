package lucidsweep.core.alike;

import java.util.Random;

/**
 * A signature of a text's shingles: two texts agree in as large a share of its 64 numbers as they share of their shingles
 * (Broder, "On the resemblance and containment of documents", 1997). Each of eight hash functions gives eight of them, the
 * least hash of each eighth of its range (Li, Owen and Zhang, "One permutation hashing", 2012), which takes a third of the
 * time of 64 functions and is as telling from ten shingles on.
 */
final class MinHash {

    static final int SIZE = 64;

    private static final int ORDERS = 8;
    private static final int PARTS = SIZE / ORDERS;

    /** A hash shifted by so many bits is the number of the part of the range that it is in. */
    private static final int TO_PART = Integer.SIZE - Integer.numberOfTrailingZeros(PARTS);

    private static final int NONE = Integer.MAX_VALUE;

    /** So many numbers a packed signature takes. */
    static final int PACKED = SIZE / Long.BYTES;

    private static final long LOW_BITS = 0x7f7f7f7f7f7f7f7fL;

    private static final int[] FACTORS = new int[ORDERS];
    private static final int[] SHIFTS = new int[ORDERS];

    static {
        Random random = new Random(20);
        for (int i = 0; i < ORDERS; i++) {
            FACTORS[i] = random.nextInt() | 1;
            SHIFTS[i] = random.nextInt();
        }
    }

    private MinHash() {}

    /** The signature of some shingles, at least one. */
    static int[] of(int[] shingles) {
        int[] least = new int[SIZE];
        for (int i = 0; i < SIZE; i++) least[i] = NONE;
        for (int order = 0; order < ORDERS; order++) {
            int factor = FACTORS[order];
            int shift = SHIFTS[order];
            for (int shingle : shingles) {
                int hash = shingle * factor + shift;
                // The mask changes nothing; it lets the compiler leave out the check of bounds.
                int at = at(hash >>> TO_PART, order) & SIZE - 1;
                least[at] = Math.min(least[at], hash);
            }
            fillIn(least, order);
        }
        return least;
    }

    private static int at(int part, int order) {
        return part * ORDERS + order;
    }

    /** Gives a part that no hash is in the number of the next part that has one. */
    private static void fillIn(int[] least, int order) {
        int next = NONE;
        for (int part = PARTS - 1; part >= 0; part--) if (least[at(part, order)] != NONE) next = least[at(part, order)];
        for (int part = PARTS - 1; part >= 0; part--) {
            int at = at(part, order);
            if (least[at] == NONE) least[at] = next;
            else next = least[at];
        }
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
        for (int i = 0; i < SIZE; i++) sketch |= (mixed(signature[i]) & 1L) << i;
        return sketch;
    }

    private static int mixed(int value) {
        int hash = (value ^ (value >>> 16)) * 0x7feb352d;
        hash = (hash ^ (hash >>> 15)) * 0x846ca68b;
        return hash ^ (hash >>> 16);
    }
}
