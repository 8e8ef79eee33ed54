package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where in a text that of which its evidence speaks stands: what the evidence quotes, or the end that is too much.
 *
 * <pre>{@code EvidenceMarks.of(repeatedWord, "Hire, hire: kayaks", "“hire” stands 2 times", 18)   // 0 to 4, 6 to 10 }</pre>
 */
public final class EvidenceMarks {

    private static final Pattern QUOTED = Pattern.compile("“([^”]+)”");
    private static final int MAX_MARKS = 50;

    private EvidenceMarks() {}

    /** A stretch of a text, in UTF-16 units; the end is not in it. */
    public record Stretch(int from, int to) {}

    /**
     * The stretches, in their order.
     *
     * @param check that found it
     * @param fitting how much of the text passes every limit, in UTF-16 units
     */
    public static List<Stretch> of(Check check, String text, String evidence, int fitting) {
        if (check.fix() == Fix.CUT)
            return fitting < text.length() ? List.of(new Stretch(fitting, text.length())) : List.of();
        String small = text.toLowerCase(Locale.ROOT);
        // Some letters grow when they are made small: then places differ.
        if (small.length() != text.length()) return List.of();
        List<Stretch> found = new ArrayList<>();
        Matcher quoted = QUOTED.matcher(evidence);
        while (quoted.find()) {
            String part = quoted.group(1).toLowerCase(Locale.ROOT).replaceFirst("…$", "");
            if (part.isBlank()) continue;
            int at = small.indexOf(part);
            for (; at >= 0 && found.size() < MAX_MARKS; at = small.indexOf(part, at + part.length()))
                if (isWhole(small, at, at + part.length())) found.add(new Stretch(at, at + part.length()));
        }
        found.sort((one, other) -> Integer.compare(one.from(), other.from()));
        return withoutOverlaps(found);
    }

    /** Not within a longer word: "her" does not stand in "there". */
    private static boolean isWhole(String text, int from, int to) {
        boolean before = from > 0
                && Character.isLetterOrDigit(text.charAt(from - 1))
                && Character.isLetterOrDigit(text.charAt(from));
        boolean after = to < text.length()
                && Character.isLetterOrDigit(text.charAt(to - 1))
                && Character.isLetterOrDigit(text.charAt(to));
        return !before && !after;
    }

    private static List<Stretch> withoutOverlaps(List<Stretch> sorted) {
        List<Stretch> apart = new ArrayList<>();
        for (Stretch range : sorted) {
            if (apart.isEmpty() || apart.get(apart.size() - 1).to() <= range.from()) apart.add(range);
        }
        return apart;
    }
}
