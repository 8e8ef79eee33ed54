package lucidsweep.core.keyword;

import java.util.List;

/**
 * A keyword, taken apart.
 *
 * @param text as given
 * @param words the words that count: all but the stop words, or all where there are only stop words
 */
public record Phrase(String text, List<Word> words) {

    public static Phrase of(String text, Words language) {
        List<Word> all = language.of(text);
        List<Word> meaningful = all.stream().filter(word -> !word.stop()).toList();
        return new Phrase(text, meaningful.isEmpty() ? all : meaningful);
    }

    /** What two keywords share that differ only in case, word form or stop words: the stems in order. */
    public String key() {
        return String.join(" ", words.stream().map(Word::stem).toList());
    }
}
