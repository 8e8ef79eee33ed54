package lucidsweep.core.keyword;

import java.util.Arrays;

/** How like a thing is to some others, told by their numbers; 16 bytes for each of them. */
final class SimilarityMap {

    private static final int EMPTY = -1;
    private static final int GONE = -2;

    private int[] others = new int[8];
    private float[] values = new float[8];
    private int used;
    private int size;

    SimilarityMap() {
        Arrays.fill(others, EMPTY);
    }

    /** Receives them. */
    interface Visitor {
        void visit(int other, float value);
    }

    /** NaN where there is none. */
    float get(int other) {
        int slot = find(other);
        return others[slot] == other ? values[slot] : Float.NaN;
    }

    void put(int other, float value) {
        if (used * 2 >= others.length) grow();
        int slot = find(other);
        if (others[slot] != other) {
            others[slot] = other;
            used++;
            size++;
        }
        values[slot] = value;
    }

    void add(int other, float value) {
        float before = get(other);
        put(other, Float.isNaN(before) ? value : before + value);
    }

    void remove(int other) {
        int slot = find(other);
        if (others[slot] != other) return;
        others[slot] = GONE;
        size--;
    }

    int size() {
        return size;
    }

    void forEach(Visitor visitor) {
        for (int slot = 0; slot < others.length; slot++)
            if (others[slot] >= 0) visitor.visit(others[slot], values[slot]);
    }

    private int find(int other) {
        int slot = (other * 0x9E3779B9 >>> 7) & others.length - 1;
        while (others[slot] != EMPTY && others[slot] != other) slot = slot + 1 & others.length - 1;
        return slot;
    }

    private void grow() {
        int[] oldOthers = others;
        float[] oldValues = values;
        others = new int[Math.max(8, Integer.highestOneBit(size * 4 + 4))];
        values = new float[others.length];
        Arrays.fill(others, EMPTY);
        used = 0;
        size = 0;
        for (int i = 0; i < oldOthers.length; i++) if (oldOthers[i] >= 0) put(oldOthers[i], oldValues[i]);
    }
}
