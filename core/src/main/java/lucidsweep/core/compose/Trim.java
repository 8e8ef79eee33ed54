package lucidsweep.core.compose;

import java.util.Locale;
import java.util.Set;
import lucidsweep.core.keyword.Language;

/** Shortens a text at a word without leaving a separator, an open bracket or a conjunction behind. */
public final class Trim {

    private static final Set<String> DANGLING = Set.of(
            "a", "an", "and", "at", "by", "for", "from", "in", "into", "of", "on", "or", "our", "the", "to", "with",
            "your", "&", "is", "are", "und", "oder", "mit", "der", "die", "das", "für", "et", "ou", "de", "le", "la",
            "les", "y", "el");

    private Trim() {}

    /** The text without what may not stand at its end. */
    public static String end(String text) {
        return end(text, Set.of());
    }

    /** The same where the language of the text is known: none of its small words stands at the end. */
    static String end(String text, Language language) {
        return end(text, language.small());
    }

    private static String end(String text, Set<String> small) {
        String trimmed = text.strip();
        while (!trimmed.isEmpty()) {
            int lastSpace = trimmed.lastIndexOf(' ');
            String last = trimmed.substring(lastSpace + 1);
            String lower = last.toLowerCase(Locale.ROOT);
            if (DANGLING.contains(lower) || small.contains(lower) || isPunctuation(last)) {
                trimmed = trimmed.substring(0, Math.max(0, lastSpace)).strip();
            } else if (endsOpen(trimmed)) {
                trimmed = trimmed.substring(0, trimmed.length() - 1).strip();
            } else if (opens(trimmed) > 0) {
                trimmed = trimmed.substring(0, opens(trimmed)).strip();
            } else {
                return trimmed;
            }
        }
        return trimmed;
    }

    private static boolean isPunctuation(String word) {
        return word.codePoints().noneMatch(Character::isLetterOrDigit)
                && word.codePoints().allMatch(c -> c < 0x2600);
    }

    private static boolean endsOpen(String text) {
        return ",;:-–—|/([{“‘".indexOf(text.charAt(text.length() - 1)) >= 0;
    }

    /** Where a bracket opens that is not closed again; -1 where there is none, 0 where the whole text is inside it. */
    private static int opens(String text) {
        int open = Math.max(text.lastIndexOf('('), text.lastIndexOf('['));
        boolean closed = open < 0 || text.indexOf(')', open) > 0 || text.indexOf(']', open) > 0;
        return closed ? -1 : open;
    }
}
