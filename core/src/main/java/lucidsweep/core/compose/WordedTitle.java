package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A text taken apart into the sources of its item that it is made of, and what stands between them.
 *
 * <pre>{@code "Kayak hire in Gull Cove | Tarrin Bay"   // H1 "Kayak hire", " in ", PLACE "Gull Cove", " | ", BRAND }</pre>
 */
final class WordedTitle {

    /** A stretch of it. @param source null for what no source has */
    private record Stretch(Source source, String text) {}

    private final List<Stretch> stretches = new ArrayList<>();

    /**
     * Takes a text apart: at each word the longest source that stands there is taken; of those as long, the one that comes first.
     *
     * @param sources with the texts that the item has of them, those to be preferred first
     */
    WordedTitle(String text, Map<Source, String> sources) {
        StringBuilder rest = new StringBuilder();
        for (int at = 0; at < text.length(); ) {
            Stretch found = startsWord(text, at) ? longestAt(text, at, sources) : null;
            if (found == null) {
                rest.append(text.charAt(at++));
                continue;
            }
            addRest(rest);
            stretches.add(found);
            at += found.text.length();
        }
        addRest(rest);
    }

    private void addRest(StringBuilder rest) {
        if (rest.length() > 0) stretches.add(new Stretch(null, rest.toString()));
        rest.setLength(0);
    }

    private static Stretch longestAt(String text, int at, Map<Source, String> sources) {
        Stretch longest = null;
        for (Map.Entry<Source, String> each : sources.entrySet()) {
            String of = each.getValue();
            boolean stands = text.regionMatches(true, at, of, 0, of.length())
                    && endsWord(text, at + of.length())
                    && !isWithin(at, of.length(), longest);
            if (stands) longest = new Stretch(each.getKey(), text.substring(at, at + of.length()));
        }
        return longest;
    }

    private static boolean isWithin(int at, int length, Stretch longest) {
        return longest != null && length <= longest.text.length();
    }

    private static boolean startsWord(String text, int at) {
        return !Character.isWhitespace(text.charAt(at)) && (at == 0 || !isWithinWord(text, at));
    }

    private static boolean endsWord(String text, int at) {
        return at == text.length() || !isWithinWord(text, at);
    }

    private static boolean isWithinWord(String text, int at) {
        return Character.isLetterOrDigit(text.charAt(at - 1)) && Character.isLetterOrDigit(text.charAt(at));
    }

    /** How many of its letters the sources have. */
    int explained() {
        int explained = 0;
        for (Stretch stretch : stretches) if (stretch.source != null) explained += stretch.text.length();
        return explained;
    }

    /**
     * The recipe that says it in this way: a part each source, and a fixed part for words that no source has. Short words
     * between two sources ("in") belong to the second, so that they go where it has nothing to say.
     */
    List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        String before = "";
        for (int i = 0; i < stretches.size(); i++) {
            Stretch stretch = stretches.get(i);
            boolean between = i > 0 && i < stretches.size() - 1;
            if (stretch.source != null) {
                parts.add(part(stretch.source, before, parts.size()));
                before = "";
            } else if (between && isShort(stretch.text)) {
                before = stretch.text;
            } else if (!words(stretch.text).isEmpty()) {
                String words = words(stretch.text);
                int start = stretch.text.indexOf(words);
                parts.add(part(new Source(Source.Kind.FIXED, words), stretch.text.substring(0, start), parts.size()));
                before = stretch.text.substring(start + words.length());
            }
        }
        return parts;
    }

    private static Part part(Source source, String before, int place) {
        int rank = source.isBrand() ? Recipe.MAX_PARTS : Math.min(place + 1, Recipe.MAX_PARTS - 1);
        return new Part(List.of(source), place == 0 ? "" : before, LetterCase.AS_IS, rank, false);
    }

    private static boolean isShort(String text) {
        String words = words(text);
        return words.isEmpty() || words.indexOf(' ') < 0;
    }

    /** The text from its first letter to its last. */
    private static String words(String text) {
        int start = 0;
        int end = text.length();
        while (start < end && !Character.isLetterOrDigit(text.charAt(start))) start++;
        while (end > start && !Character.isLetterOrDigit(text.charAt(end - 1))) end--;
        return text.substring(start, end);
    }
}
