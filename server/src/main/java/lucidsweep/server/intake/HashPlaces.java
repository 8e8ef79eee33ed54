package lucidsweep.server.intake;

/** Where each of many rows stands, by a hash of what tells it from the others; 16 to 32 bytes a row. Hashes are never 0. */
public final class HashPlaces {

    private long[] hashes = new long[1 << 12];
    private long[] places = new long[1 << 12];
    private int size;

    /** Puts a row at a place unless it has one; returns the place it had before, 0 where it had none. */
    public long put(long hash, long place) {
        if (size * 2 >= hashes.length) grow();
        int slot = slot(hash);
        if (hashes[slot] == hash) return places[slot];
        hashes[slot] = hash;
        places[slot] = place;
        size++;
        return 0;
    }

    /** The place of a row; 0 where it has none. */
    public long get(long hash) {
        int slot = slot(hash);
        return hashes[slot] == hash ? places[slot] : 0;
    }

    private int slot(long hash) {
        int slot = (int) (hash >>> 20) & hashes.length - 1;
        while (hashes[slot] != 0 && hashes[slot] != hash) slot = slot + 1 & hashes.length - 1;
        return slot;
    }

    private void grow() {
        long[] oldHashes = hashes;
        long[] oldPlaces = places;
        hashes = new long[oldHashes.length * 2];
        places = new long[oldHashes.length * 2];
        for (int i = 0; i < oldHashes.length; i++) {
            if (oldHashes[i] == 0) continue;
            int slot = slot(oldHashes[i]);
            hashes[slot] = oldHashes[i];
            places[slot] = oldPlaces[i];
        }
    }
}
