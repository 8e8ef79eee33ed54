package lucidsweep.core.compose;

import java.util.Locale;
import lucidsweep.core.keyword.Language;

/** A letter case; names keep theirs. */
public enum LetterCase {
    AS_IS,
    SENTENCE,
    TITLE,
    UPPER,
    LOWER;

    private static final int SMALL_WORD = 3;

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
        int from = 0;
        for (int start = wordFrom(text, 0); start < text.length(); start = wordFrom(text, from)) {
            int end = wordEnd(text, start);
            String word = text.substring(start, end);
            boolean first = from == 0 || this == SENTENCE && endsSentence(text, start);
            boolean stays = capitalsTell && !first && !isAllCapitals(word);
            out.append(text, from, start).append(stays ? word : of(word, first, language));
            from = end;
        }
        out.append(text, from, text.length());
        return names.restored(out.toString());
    }

    /** Whether most longer words behind the first have small letters: then what has a capital is a name, such as "March". */
    private static boolean isSentenceCase(String text, Language language) {
        int small = 0;
        int capital = 0;
        int start = wordFrom(text, wordEnd(text, wordFrom(text, 0)));
        for (int end; start < text.length(); start = wordFrom(text, end)) {
            end = wordEnd(text, start);
            if (endsSentence(text, start)) continue;
            boolean isCapital = Character.isUpperCase(text.charAt(start));
            String word = text.substring(start, end);
            if (isCapital && language.small().contains(word.toLowerCase(Locale.ROOT))) return false;
            if (word.length() <= SMALL_WORD) continue;
            if (isCapital) capital++;
            else small++;
        }
        return small > 0 && small >= capital;
    }

    /** Where the next word starts; the end of the text for none. */
    private static int wordFrom(String text, int from) {
        int at = from;
        while (at < text.length() && !isInWord(text.codePointAt(at))) at += Character.charCount(text.codePointAt(at));
        return at;
    }

    private static int wordEnd(String text, int start) {
        int at = start;
        while (at < text.length() && isInWord(text.codePointAt(at))) at += Character.charCount(text.codePointAt(at));
        return at;
    }

    /** Letters, numbers and marks, and the apostrophe within or beside them. */
    private static boolean isInWord(int c) {
        if (c == '\'' || c == '’' || Character.isLetterOrDigit(c)) return true;
        if (c < 0x80) return false;
        return switch (Character.getType(c)) {
            case Character.LETTER_NUMBER,
                    Character.OTHER_NUMBER,
                    Character.NON_SPACING_MARK,
                    Character.ENCLOSING_MARK,
                    Character.COMBINING_SPACING_MARK -> true;
            default -> false;
        };
    }

    private String of(String word, boolean first, Language language) {
        return switch (this) {
            case UPPER -> word.toUpperCase(Locale.ROOT);
            case LOWER -> language.hasCapitalNouns() && !isAllCapitals(word) ? word : lower(word);
            case SENTENCE -> first ? capital(lower(word)) : keepsItsCase(word, language) ? word : lower(word);
            case TITLE -> isAcronym(word) ? word : title(lower(word), first, language);
            case AS_IS -> word;
        };
    }

    private static String title(String lower, boolean first, Language language) {
        return !first && language.small().contains(lower) ? lower : capital(lower);
    }

    private static String lower(String word) {
        return word.toLowerCase(Locale.ROOT);
    }

    /** Only a word all in capitals is surely no noun as its language writes it. */
    private static boolean keepsItsCase(String word, Language language) {
        return isAcronym(word) || language.hasCapitalNouns() && !isAllCapitals(word);
    }

    private static boolean isAllCapitals(String word) {
        return word.length() > 1 && !isSmall(word.charAt(1)) && word.equals(word.toUpperCase(Locale.ROOT));
    }

    private static boolean isAcronym(String word) {
        return word.length() <= 4 && isAllCapitals(word);
    }

    /** Most words are told by their second letter, without making them anew. */
    private static boolean isSmall(char letter) {
        return letter >= 'a' && letter <= 'z';
    }

    private static boolean endsSentence(String text, int at) {
        int end = at;
        while (end > 0 && Character.isWhitespace(text.charAt(end - 1))) end--;
        return end == 0 || ".!?".indexOf(text.charAt(end - 1)) >= 0;
    }

    private static String capital(String word) {
        int first = word.codePointAt(0);
        return new StringBuilder(word.length())
                .appendCodePoint(Character.toTitleCase(first))
                .append(word, Character.charCount(first), word.length())
                .toString();
    }
}
