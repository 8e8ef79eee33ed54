package lucidsweep.core.writer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Word;

/** Finds names of places and people in an answer that the page does not have. */
final class NamesInAnswer {

    /** A part of a title begins behind these, so that a capital there says nothing. */
    private static final Pattern BEGINS_ANEW = Pattern.compile(".*[.!?:|–—•\"“„«(/]\\s*|.*\\s-\\s+", Pattern.DOTALL);

    private static final int SMALL_WORD = 3;

    private final String answer;
    private final List<Word> words;
    private final PageWords page;
    private final Vocabulary vocabulary;
    private final Language language;
    private final boolean capitalsSayNothing;

    NamesInAnswer(String answer, List<Word> words, PageWords page, Vocabulary vocabulary, Language language) {
        this.answer = answer;
        this.words = words;
        this.page = page;
        this.vocabulary = vocabulary;
        this.language = language;
        capitalsSayNothing = language.hasCapitalNouns() || isTitleCase();
    }

    /** Runs of words that are names which the page does not have, as the answer writes them. */
    List<String> unknown() {
        List<String> found = new ArrayList<>();
        int start = -1;
        for (int i = 0; i <= words.size(); i++) {
            boolean unknown = i < words.size() && isUnknown(i, start >= 0);
            if (unknown && start < 0) start = i;
            if (!unknown && start >= 0) {
                found.add(answer.substring(
                        words.get(start).start(), words.get(i - 1).end()));
                start = -1;
            }
        }
        return found;
    }

    /** @param goesOn whether the word before is an unknown name */
    private boolean isUnknown(int i, boolean goesOn) {
        Word word = words.get(i);
        if (!isCapital(word) || word.stop() || page.has(word)) return false;
        if (vocabulary.isName(word.text())) return true;
        if (vocabulary.isWord(word.text())) return false;
        if (goesOn && touches(i)) return true;
        if (isAcronym(word)) return true;
        if (capitalsSayNothing) return i > 0 && isBeforePlace(words.get(i - 1)) && touches(i);
        if (!beginsAnew(i)) return true;
        // "Maren Holt shows you the way": the first of two names in a row.
        return i + 1 < words.size()
                && isCapital(words.get(i + 1))
                && touches(i + 1)
                && !page.has(words.get(i + 1))
                && !vocabulary.isWord(words.get(i + 1).text())
                && !words.get(i + 1).stop();
    }

    private boolean isBeforePlace(Word word) {
        return language.beforePlaces().contains(word.text().toLowerCase(Locale.ROOT));
    }

    /** Whether nothing but space stands between a word and the one before. */
    private boolean touches(int i) {
        return answer.substring(words.get(i - 1).end(), words.get(i).start()).isBlank();
    }

    private boolean beginsAnew(int i) {
        if (i == 0) return true;
        String between = answer.substring(words.get(i - 1).end(), words.get(i).start());
        return BEGINS_ANEW.matcher(between).matches();
    }

    /**
     * Whether no word of some length is written small, and one that is written small elsewhere has a capital within: then
     * capitals tell nothing.
     */
    private boolean isTitleCase() {
        List<Word> telling = words.stream()
                .filter(word -> !word.stop() && word.text().length() >= SMALL_WORD)
                .toList();
        return telling.stream()
                        .noneMatch(word -> Character.isLowerCase(word.text().charAt(0)))
                && telling.stream().skip(1).anyMatch(word -> vocabulary.isWord(word.text()) || page.writesSmall(word));
    }

    private static boolean isCapital(Word word) {
        return Character.isUpperCase(word.text().charAt(0)) && word.text().length() > 1;
    }

    private static boolean isAcronym(Word word) {
        return word.text().length() <= 5
                && word.text().chars().allMatch(letter -> Character.isUpperCase(letter) || letter == '&');
    }
}
