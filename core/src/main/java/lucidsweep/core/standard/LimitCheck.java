package lucidsweep.core.standard;

import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Slot;

/**
 * A text held against its limits, all on the desktop's scale so that one ruler shows it.
 *
 * @param px the width on a desktop
 * @param chars the length in grapheme clusters
 * @param desktopLimit where the desktop's slot ends, in px
 * @param phoneLimit where the phone's slot ends, in px of the desktop
 * @param fitting how much of the text passes every limit, in UTF-16 units
 * @param says by how much it is over, in words; "" where it fits
 */
public record LimitCheck(double px, int chars, double desktopLimit, double phoneLimit, int fitting, String says) {

    public static LimitCheck of(String text, Standard.TextLimits limits) {
        Slot desktop = limits.desktop();
        Slot phone = limits.phone();
        int chars = Graphemes.count(text);
        Standard.Width width = limits.width(text);
        double scale = desktop.sizePx() / phone.sizePx();
        return new LimitCheck(
                width.px(),
                chars,
                desktop.limitPx(),
                phone.limitPx() * scale,
                fitting(text, limits),
                says(width, chars, limits));
    }

    private static int fitting(String text, Standard.TextLimits limits) {
        if (limits.fits(text, Graphemes.count(text))) return text.length();
        int low = 0;
        int high = text.length();
        while (low < high) {
            int middle = (low + high + 1) / 2;
            String start = text.substring(0, middle);
            if (limits.fits(start, Graphemes.count(start))) low = middle;
            else high = middle - 1;
        }
        boolean splitsCharacter = low > 0 && low < text.length() && Character.isLowSurrogate(text.charAt(low));
        return splitsCharacter ? low - 1 : low;
    }

    private static String says(Standard.Width width, int chars, Standard.TextLimits limits) {
        if (width.desktopOver() > 0) return (long) Math.ceil(width.desktopOver()) + " px over";
        if (width.phoneOver() > 0) return (long) Math.ceil(width.phoneOver()) + " px over on mobile";
        if (chars > limits.maxChars()) return (chars - limits.maxChars()) + " characters over";
        return "";
    }
}
