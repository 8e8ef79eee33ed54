package lucidsweep.core.text;

/**
 * Numbers by 64-bit hashes such as {@link TextKey#exactHash}, none of them 0, in arrays: 24 to 48 bytes an entry. One thread
 * adds; others may ask meanwhile whether it contains a hash, and at worst miss one that was added a moment ago.
 *
 * <pre>{@code
 * numbers.add(hash, 7);   // true, and false the second time
 * numbers.get(hash);      // 7, and -1 where there is none
 * }</pre>
 */
public final class HashNumbers {

    private static final int FIRST_SIZE = 1_024;

    private volatile Table table = new Table(new long[FIRST_SIZE], new int[FIRST_SIZE]);
    private int count;

    /** Slots, a power of two of them; a hash is in the first free one from where it belongs on. */
    private record Table(long[] hashes, int[] numbers) {

        int slot(long hash) {
            int mask = hashes.length - 1;
            int slot = (int) hash & mask;
            while (hashes[slot] != 0 && hashes[slot] != hash) slot = (slot + 1) & mask;
            return slot;
        }

        void put(long hash, int number) {
            int slot = slot(hash);
            numbers[slot] = number;
            hashes[slot] = hash;
        }

        Table twice() {
            Table larger = new Table(new long[hashes.length * 2], new int[hashes.length * 2]);
            for (int i = 0; i < hashes.length; i++) if (hashes[i] != 0) larger.put(hashes[i], numbers[i]);
            return larger;
        }
    }

    /** Adds a number that is not negative unless there is one for the hash; returns whether it was added. */
    public boolean add(long hash, int number) {
        Table now = table;
        if (now.hashes[now.slot(hash)] == hash) return false;
        if (++count * 2 > now.hashes.length) {
            now = now.twice();
            table = now;
        }
        now.put(hash, number);
        return true;
    }

    /** The number for a hash; -1 where there is none. */
    public int get(long hash) {
        Table now = table;
        int slot = now.slot(hash);
        return now.hashes[slot] == hash ? now.numbers[slot] : -1;
    }

    public boolean contains(long hash) {
        return get(hash) >= 0;
    }
}
