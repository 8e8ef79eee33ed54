package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The texts that an edit makes, by item, so that what was previewed is applied without being worked out again. */
final class MadeTexts {

    /** Longer ones are worked out again; about 40 MB. */
    static final int MAX_CHARS = 20_000_000;

    private long[] ids = new long[256];
    private final List<String> texts = new ArrayList<>();
    private int chars;

    /** Adds the new text of an item; items come in the order of their ids. */
    void add(long itemId, String text) {
        if (!isWhole()) return;
        if (texts.size() == ids.length) ids = Arrays.copyOf(ids, ids.length * 2);
        ids[texts.size()] = itemId;
        texts.add(text);
        chars += text.length();
        if (!isWhole()) texts.clear();
    }

    /** Whether every text that was added is here. */
    boolean isWhole() {
        return chars <= MAX_CHARS;
    }

    int chars() {
        return chars;
    }

    long[] ids() {
        return Arrays.copyOf(ids, texts.size());
    }

    /** The text of an item that was added. */
    String of(long itemId) {
        return texts.get(Arrays.binarySearch(ids, 0, texts.size(), itemId));
    }
}
