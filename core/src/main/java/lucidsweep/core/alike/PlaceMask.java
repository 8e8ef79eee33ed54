package lucidsweep.core.alike;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Recognises the names of places in a row of words. */
final class PlaceMask {

    private static final int BITS = 4_096;

    private final Map<Long, List<long[]>> byFirstWord = new HashMap<>();

    /** A bit for each first word, so that nearly all others are known at once to be none. */
    private final BitSet firstWords = new BitSet(BITS);

    PlaceMask(Collection<String> places) {
        for (String place : places) {
            long[] words = TextShape.hashes(place);
            if (words.length == 0) continue;
            firstWords.set(bit(words[0]));
            byFirstWord.computeIfAbsent(words[0], any -> new ArrayList<>(1)).add(words);
        }
        byFirstWord.values().forEach(names -> names.sort(Comparator.comparingInt(name -> -name.length)));
    }

    private static int bit(long word) {
        return (int) word & BITS - 1;
    }

    /** How many words from one on are the name of a place, the longest there is; 0 where none is. */
    int length(long[] words, int count, int from) {
        if (!firstWords.get(bit(words[from]))) return 0;
        List<long[]> names = byFirstWord.get(words[from]);
        if (names == null) return 0;
        for (long[] name : names) if (stands(name, words, count, from)) return name.length;
        return 0;
    }

    private static boolean stands(long[] name, long[] words, int count, int from) {
        if (from + name.length > count) return false;
        for (int i = 0; i < name.length; i++) if (words[from + i] != name[i]) return false;
        return true;
    }
}
