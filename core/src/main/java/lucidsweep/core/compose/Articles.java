package lucidsweep.core.compose;

import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The English article before a word that came from elsewhere: "Hire a inflatable kayak" becomes "Hire an inflatable kayak". */
final class Articles {

    private static final Pattern ARTICLE = Pattern.compile("\\b([Aa])(n?) (?=[\\p{L}\\p{N}])");

    /** "an ", in letters. */
    private static final int LONGEST = 3;

    /** Begin with a vowel, and are spoken with a consonant. */
    private static final Set<String> CONSONANT =
            Set.of("one", "once", "uni", "use", "usu", "uti", "eu", "ewe", "ukr", "ura");

    /** Begin with a consonant, and are spoken with a vowel. */
    private static final Set<String> VOWEL = Set.of("hour", "honest", "honour", "honor", "heir", "8", "11", "18", "80");

    private Articles() {}

    /** A line with the right article at a place where two parts meet, in UTF-16 units; elsewhere it is as its author wrote it. */
    static String fixedAt(String line, int joint) {
        // What begins behind the joint is none of ours.
        int from = Math.max(0, joint - LONGEST);
        int to = Math.min(line.length(), joint + LONGEST);
        if (!hasA(line, from, to)) return line;
        Matcher article = ARTICLE.matcher(line);
        article.region(from, to);
        article.useTransparentBounds(true);
        if (!article.find() || article.end() < joint || article.start() > joint) return line;
        boolean vowel = startsWithVowel(line.substring(article.end()));
        boolean an = !article.group(2).isEmpty();
        if (vowel == an) return line;
        return line.substring(0, article.end(1)) + (vowel ? "n" : "") + line.substring(article.end(2));
    }

    private static boolean hasA(String line, int from, int to) {
        for (int i = from; i < to; i++) if (line.charAt(i) == 'a' || line.charAt(i) == 'A') return true;
        return false;
    }

    private static boolean startsWithVowel(String rest) {
        String lower = rest.toLowerCase(java.util.Locale.ROOT);
        if (VOWEL.stream().anyMatch(lower::startsWith)) return true;
        if (CONSONANT.stream().anyMatch(lower::startsWith)) return false;
        return "aeiou".indexOf(lower.charAt(0)) >= 0;
    }
}
