package lucidsweep.core.column;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.text.Letters;

/**
 * The name of a column as its words: {@code "Meta-Beschreibung 1 (px)"} is "meta beschreibung", {@code "snippet.publishedAt"}
 * is "snippet published at". Case, accents, numbers and what stands in brackets do not count.
 *
 * @param words without accents, in small letters
 * @param shortened whether each ends with a full stop, as in "avg. pos."
 * @param last how many of the last words are the innermost part of a nested name
 * @param text all words as one text; null where any is shortened
 */
record ColumnName(List<String> words, List<Boolean> shortened, int last, String text) {

    private static final int LONGEST = 80;
    private static final Pattern BRACKETS = Pattern.compile("\\([^)]*\\)|\\[[^\\]]*\\]|\\{[^}]*\\}");
    private static final Pattern HUMP = Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu})|(?<=\\p{Lu})(?=\\p{Lu}\\p{Ll})");
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]+(\\.(?!\\p{L}))?");

    private ColumnName(List<String> words, List<Boolean> shortened, int last) {
        this(words, shortened, last, shortened.contains(true) ? null : String.join(" ", words));
    }

    static ColumnName of(String name) {
        List<String> words = new ArrayList<>();
        List<Boolean> shortened = new ArrayList<>();
        String clipped = name.length() <= LONGEST ? name : "";
        String bare = BRACKETS.matcher(clipped).replaceAll(" ");
        if (bare.isBlank()) bare = clipped;
        int last = 0;
        for (String part : bare.split("[./>](?=\\p{L})")) {
            int before = words.size();
            addWords(HUMP.matcher(part).replaceAll(" "), words, shortened);
            if (words.size() > before) last = words.size() - before;
        }
        return new ColumnName(words, shortened, last);
    }

    private static void addWords(String part, List<String> words, List<Boolean> shortened) {
        Matcher word = WORD.matcher(Letters.plain(part).toLowerCase(Locale.ROOT));
        while (word.find()) {
            boolean stop = word.group().endsWith(".");
            String text = stop ? word.group().substring(0, word.group().length() - 1) : word.group();
            if (text.chars().allMatch(Character::isDigit)) continue;
            words.add(text);
            shortened.add(stop);
        }
    }

    boolean isNested() {
        return last < words.size();
    }

    /** The innermost part of a nested name. */
    ColumnName innermost() {
        int from = words.size() - last;
        return new ColumnName(words.subList(from, words.size()), shortened.subList(from, words.size()), last);
    }

    /** Whether some words stand in this name one after another; a shortened word stands for any that starts with it. */
    boolean contains(List<String> phrase) {
        for (int at = 0; at + phrase.size() <= words.size(); at++) if (standsAt(phrase, at)) return true;
        return false;
    }

    /** Whether the name is just these words. */
    boolean is(List<String> phrase) {
        return phrase.size() == words.size() && standsAt(phrase, 0);
    }

    private boolean standsAt(List<String> phrase, int at) {
        for (int i = 0; i < phrase.size(); i++) {
            String word = words.get(at + i);
            boolean same = word.equals(phrase.get(i));
            boolean beginning =
                    shortened.get(at + i) && word.length() >= 3 && phrase.get(i).startsWith(word);
            if (!same && !beginning) return false;
        }
        return true;
    }
}
