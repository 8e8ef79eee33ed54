package lucidsweep.core.compose;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Language;

/** A letter case; names keep theirs. */
public enum LetterCase {
    AS_IS,
    SENTENCE,
    TITLE,
    UPPER,
    LOWER;

    private static final int SMALL_WORD = 3;
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}\\p{M}'’]+");

    /**
     * Puts a text in this case.
     *
     * @param names what keeps its case
     * @param language of the text: German nouns keep their capitals
     */
    public String apply(String text, Names names, Language language) {
        if (this == AS_IS) return text;
        boolean capitalsTell = this == SENTENCE && isSentenceCase(text, language);
        StringBuilder out = new StringBuilder(text.length());
        Matcher word = WORD.matcher(text);
        int from = 0;
        while (word.find()) {
            boolean first = from == 0 || this == SENTENCE && endsSentence(text, word.start());
            out.append(text, from, word.start())
                    .append(
                            capitalsTell && !first && !isAllCapitals(word.group())
                                    ? word.group()
                                    : of(word.group(), first, language));
            from = word.end();
        }
        out.append(text, from, text.length());
        return names.restored(out.toString());
    }

    /** Whether most longer words behind the first have small letters: then what has a capital is a name, such as "March". */
    private static boolean isSentenceCase(String text, Language language) {
        Matcher word = WORD.matcher(text);
        int small = 0;
        int capital = 0;
        word.find();
        while (word.find()) {
            if (endsSentence(text, word.start())) continue;
            boolean isCapital = Character.isUpperCase(word.group().charAt(0));
            if (isCapital && language.small().contains(word.group().toLowerCase(Locale.ROOT))) return false;
            if (word.group().length() <= SMALL_WORD) continue;
            if (isCapital) capital++;
            else small++;
        }
        return small > 0 && small >= capital;
    }

    private String of(String word, boolean first, Language language) {
        String lower = word.toLowerCase(Locale.ROOT);
        return switch (this) {
            case UPPER -> word.toUpperCase(Locale.ROOT);
            case LOWER -> language.hasCapitalNouns() && !isAllCapitals(word) ? word : lower;
            case SENTENCE -> first ? capital(lower) : keepsItsCase(word, language) ? word : lower;
            case TITLE -> isAcronym(word) ? word : !first && language.small().contains(lower) ? lower : capital(lower);
            case AS_IS -> word;
        };
    }

    /** Only a word all in capitals is surely no noun as its language writes it. */
    private static boolean keepsItsCase(String word, Language language) {
        return isAcronym(word) || language.hasCapitalNouns() && !isAllCapitals(word);
    }

    private static boolean isAllCapitals(String word) {
        return word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT));
    }

    private static boolean isAcronym(String word) {
        return word.length() > 1 && word.length() <= 4 && word.equals(word.toUpperCase(Locale.ROOT));
    }

    private static boolean endsSentence(String text, int at) {
        String before = text.substring(0, at).stripTrailing();
        return before.isEmpty() || ".!?".indexOf(before.charAt(before.length() - 1)) >= 0;
    }

    private static String capital(String word) {
        int first = word.codePointAt(0);
        return new StringBuilder(word.length())
                .appendCodePoint(Character.toTitleCase(first))
                .append(word, Character.charCount(first), word.length())
                .toString();
    }
}
