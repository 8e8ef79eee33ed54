package lucidsweep.core.compose;

import java.util.Collection;
import java.util.List;
import lucidsweep.core.text.Graphemes;

/**
 * A description with what belongs to the item on top and the blocks that all of them share below, a blank line between.
 *
 * <pre>{@code
 * Arrangement.of("A cedar oar.", List.of("Sent in two days."), 1000)   // "A cedar oar.\n\nSent in two days."
 * Arrangement.own("A cedar oar.\n\nSent in two days.", List.of("Sent in two days."))   // "A cedar oar." }</pre>
 */
public final class Arrangement {

    private static final String BETWEEN = "\n\n";

    private Arrangement() {}

    /**
     * What belongs to the item itself: the text without the blocks at its end.
     *
     * @param blocks all that may stand there, as they are and as they were; of one that was cut only its beginning does
     */
    public static String own(String text, Collection<String> blocks) {
        String rest = text.stripTrailing();
        for (int before = -1; before != rest.length(); ) {
            before = rest.length();
            for (String block : blocks) rest = without(rest, block.strip());
        }
        return rest;
    }

    private static String without(String text, String block) {
        if (block.isEmpty()) return text;
        if (text.equals(block)) return "";
        if (text.endsWith(BETWEEN + block)) {
            return text.substring(0, text.length() - block.length()).stripTrailing();
        }
        for (int at = text.indexOf(BETWEEN); at >= 0; at = text.indexOf(BETWEEN, at + 1)) {
            String last = text.substring(at + BETWEEN.length());
            boolean cut = block.startsWith(last) && Sentences.ends(block).contains(last.length());
            if (cut) return text.substring(0, at).stripTrailing();
        }
        return text;
    }

    /**
     * Puts a description together. Where it gets too long, the last block ends with the last sentence that fits, and those
     * behind it are left out; what belongs to the item stays whole.
     *
     * @param maxChars in grapheme clusters
     */
    public static String of(String own, List<String> blocks, int maxChars) {
        StringBuilder text = new StringBuilder(own.strip());
        for (String block : blocks) {
            if (block.isBlank()) continue;
            String between = text.length() == 0 ? "" : BETWEEN;
            int left = maxChars - Graphemes.count(text.toString()) - between.length();
            String whole = block.strip();
            String fitting = Graphemes.count(whole) <= left
                    ? whole
                    : Sentences.fitting(whole, sentences -> Graphemes.count(sentences) <= left);
            if (!fitting.isEmpty()) text.append(between).append(fitting);
            if (!fitting.equals(whole)) break;
        }
        return text.toString();
    }
}
