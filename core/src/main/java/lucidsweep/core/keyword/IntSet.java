package lucidsweep.core.keyword;

import java.util.Arrays;

/** Numbers in order, 4 to 8 bytes each; quick where they come in order. */
final class IntSet {

    private int[] values = new int[2];
    private int size;

    void add(int value) {
        int at = size == 0 || values[size - 1] < value ? size : Arrays.binarySearch(values, 0, size, value);
        if (at >= 0 && at < size) return;
        if (at < 0) at = -at - 1;
        if (size == values.length) values = Arrays.copyOf(values, size * 2);
        System.arraycopy(values, at, values, at + 1, size - at);
        values[at] = value;
        size++;
    }

    void remove(int value) {
        int at = Arrays.binarySearch(values, 0, size, value);
        if (at < 0) return;
        System.arraycopy(values, at + 1, values, at, size - at - 1);
        size--;
    }

    boolean contains(int value) {
        return Arrays.binarySearch(values, 0, size, value) >= 0;
    }

    int get(int at) {
        return values[at];
    }

    int size() {
        return size;
    }
}
