package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * How many texts begin with the same words: each node is a word behind those before it. It lies in arrays, where 400,000
 * nodes take a fifth of what maps would.
 */
final class WordTrie {

    /** The node that stands for no word at all. */
    static final int ROOT = 0;

    private static final int NONE = -1;
    private static final double FULL = 0.6;

    private int size = 1;
    private int[] parents = new int[1_024];
    private int[] counts = new int[1_024];
    private String[] words = new String[1_024];

    /** The nodes by their parent and word. */
    private int[] slots = emptySlots(2_048);

    private static int[] emptySlots(int length) {
        int[] slots = new int[length];
        Arrays.fill(slots, NONE);
        return slots;
    }

    int size() {
        return size;
    }

    /** How many texts came through a node. */
    int count(int node) {
        return counts[node];
    }

    String word(int node) {
        return words[node];
    }

    /** Goes on from a node by a word, and counts it. */
    int next(int parent, String word) {
        int slot = slot(parent, word);
        if (slots[slot] == NONE) {
            if (size == counts.length) grow();
            slots[slot] = append(parent, word, 0);
            if (size > FULL * slots.length) rehash(slots.length * 2);
            counts[size - 1]++;
            return size - 1;
        }
        counts[slots[slot]]++;
        return slots[slot];
    }

    private int append(int parent, String word, int count) {
        parents[size] = parent;
        words[size] = word;
        counts[size] = count;
        return size++;
    }

    private void grow() {
        parents = Arrays.copyOf(parents, size * 2);
        counts = Arrays.copyOf(counts, size * 2);
        words = Arrays.copyOf(words, size * 2);
    }

    /** Where a node stands, or would. */
    private int slot(int parent, String word) {
        int hash = (word.hashCode() * 31 + parent) * 0x9E3779B9;
        int slot = (hash ^ hash >>> 15) & slots.length - 1;
        while (slots[slot] != NONE && !(parents[slots[slot]] == parent && words[slots[slot]].equals(word))) {
            slot = slot + 1 & slots.length - 1;
        }
        return slot;
    }

    private void rehash(int length) {
        slots = emptySlots(length);
        for (int node = 1; node < size; node++) slots[slot(parents[node], words[node])] = node;
    }

    /** Forgets the nodes that fewer texts came through than that, and all behind them. */
    void prune(int least) {
        int[] moved = new int[size];
        Arrays.fill(moved, NONE);
        moved[ROOT] = ROOT;
        int before = size;
        size = 1;
        // A node stands behind its parent, so that what it moves to is known by then.
        for (int node = 1; node < before; node++) {
            int parent = moved[parents[node]];
            if (parent != NONE && counts[node] >= least) moved[node] = append(parent, words[node], counts[node]);
        }
        Arrays.fill(words, size, before, null);
        rehash(slots.length);
    }

    /** The nodes behind each node, in the order of their words; those with fewer texts are left out. */
    List<List<Integer>> branches(int least) {
        List<List<Integer>> branches = new ArrayList<>(size);
        for (int node = 0; node < size; node++) branches.add(List.of());
        for (int node = 1; node < size; node++) {
            if (counts[node] < least) continue;
            List<Integer> others = branches.get(parents[node]);
            if (others.isEmpty()) branches.set(parents[node], others = new ArrayList<>());
            others.add(node);
        }
        for (List<Integer> some : branches) if (some.size() > 1) some.sort(Comparator.comparing(node -> words[node]));
        return branches;
    }
}
