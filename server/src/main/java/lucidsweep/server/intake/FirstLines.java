package lucidsweep.server.intake;

/** In which line each of many rows stood first, by a hash of what tells them apart; 12 to 24 bytes a row. */
final class FirstLines {

    private long[] keys = new long[1 << 12];
    private int[] lines = new int[1 << 12];
    private int size;

    /** The line in which a key stood first; 0 where this is the first time. A key is never 0. */
    int seen(long key, long line) {
        if (size * 2 >= keys.length) grow();
        int slot = slot(key);
        if (keys[slot] == key) return lines[slot];
        keys[slot] = key;
        lines[slot] = (int) line;
        size++;
        return 0;
    }

    private int slot(long key) {
        int slot = (int) (key >>> 20) & keys.length - 1;
        while (keys[slot] != 0 && keys[slot] != key) slot = slot + 1 & keys.length - 1;
        return slot;
    }

    private void grow() {
        long[] oldKeys = keys;
        int[] oldLines = lines;
        keys = new long[oldKeys.length * 2];
        lines = new int[oldLines.length * 2];
        for (int i = 0; i < oldKeys.length; i++) {
            if (oldKeys[i] == 0) continue;
            int slot = slot(oldKeys[i]);
            keys[slot] = oldKeys[i];
            lines[slot] = oldLines[i];
        }
    }
}
