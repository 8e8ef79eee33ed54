package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.List;

/**
 * How a text stands in its slot: broken into lines, and cut at the last word that fits with an ellipsis.
 *
 * @param lines what is seen, at most as many lines as the slot has
 * @param shown the length of the part of the text that is seen, in UTF-16 units; the whole length where nothing is cut
 * @param cut whether something is lost
 */
public record Cut(List<String> lines, int shown, boolean cut) {

    private static final String ELLIPSIS = " …";

    /** Cuts a text for a slot. A single word longer than a line is broken where the line ends. */
    public static Cut of(String text, Slot slot) {
        MetricFace face = MetricFace.arimo();
        int end = text.length();
        boolean cut = face.width(text, slot.sizePx()) > slot.limitPx();
        if (cut) end = lastFitting(text, slot.sizePx(), slot.limitPx() - face.width(ELLIPSIS, slot.sizePx()));
        String seen = text.substring(0, end).stripTrailing() + (cut ? ELLIPSIS : "");
        return new Cut(lines(seen, slot), end, cut);
    }

    /**
     * The longest beginning of whole words that is no wider than the room; where not even one word fits, as many
     * letters as do.
     *
     * @return its length in UTF-16 units, without the space behind it
     */
    public static int lastFitting(String text, double sizePx, double roomPx) {
        MetricFace face = MetricFace.arimo();
        if (face.width(text, sizePx) <= roomPx) return text.length();
        int best = 0;
        for (int space = text.indexOf(' '); space >= 0; space = text.indexOf(' ', space + 1)) {
            if (face.width(text.substring(0, space), sizePx) > roomPx) break;
            best = space;
        }
        if (best > 0) return best;
        int end = 0;
        while (end < text.length()) {
            int next = text.offsetByCodePoints(end, 1);
            if (face.width(text.substring(0, next), sizePx) > roomPx) break;
            end = next;
        }
        return end;
    }

    private static List<String> lines(String text, Slot slot) {
        double lineWidth = slot.limitPx() / slot.lines();
        List<String> lines = new ArrayList<>();
        String rest = text;
        while (lines.size() < slot.lines() - 1 && !rest.isEmpty()) {
            int end = Math.max(1, lastFitting(rest, slot.sizePx(), lineWidth));
            lines.add(rest.substring(0, end));
            rest = rest.substring(end).stripLeading();
        }
        if (!rest.isEmpty()) lines.add(rest);
        return lines;
    }
}
