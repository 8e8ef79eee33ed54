package lucidsweep.core.standard;

import java.util.function.Predicate;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Slot;

/**
 * A text held against its limits, all on the desktop's scale so that one drawing shows them.
 *
 * @param px the width on a desktop
 * @param chars the length in grapheme clusters
 * @param sizePx, phoneSizePx the size of the letters on a desktop and on mobile
 * @param desktopLimit where the desktop's slot ends, in px over all its lines
 * @param desktopLines over how many lines
 * @param phoneLimit where the phone's slot ends, in px of the desktop
 * @param fitting how much of the text passes every limit, in UTF-16 units
 * @param desktopFitting, phoneFitting how much of it is no wider than the slot of each, in UTF-16 units
 * @param says by how much it is over, in words; "" where it fits
 */
public record LimitCheck(
        double px,
        int chars,
        double sizePx,
        double phoneSizePx,
        double desktopLimit,
        int desktopLines,
        double phoneLimit,
        int fitting,
        int desktopFitting,
        int phoneFitting,
        String says) {

    public static LimitCheck of(String text, Standard.TextLimits limits) {
        Slot desktop = limits.desktop();
        Slot phone = limits.phone();
        int chars = Graphemes.count(text);
        Standard.Width width = limits.width(text);
        double scale = desktop.sizePx() / phone.sizePx();
        boolean fits = limits.fits(text, chars);
        return new LimitCheck(
                width.px(),
                chars,
                desktop.sizePx(),
                phone.sizePx(),
                desktop.limitPx(),
                desktop.lines(),
                phone.limitPx() * scale,
                fits ? text.length() : longest(text, start -> limits.fits(start, Graphemes.count(start))),
                width.desktopOver() == 0 ? text.length() : longest(text, desktop::holds),
                width.phoneOver() == 0 ? text.length() : longest(text, phone::holds),
                says(width, chars, limits));
    }

    /** The length of the longest beginning of which something holds that holds of every shorter one, too. */
    private static int longest(String text, Predicate<String> holds) {
        int low = 0;
        int high = text.length();
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (holds.test(text.substring(0, middle))) low = middle;
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
