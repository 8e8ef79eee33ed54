package lucidsweep.core.text;

/**
 * The place on a result page where a text is shown.
 *
 * @param sizePx font size in px
 * @param limitPx the room in px over all lines together
 * @param lines how many lines the room is spread over
 */
public record Slot(double sizePx, double limitPx, int lines) {

    public Slot {
        if (sizePx <= 0 || limitPx <= 0 || lines < 1) {
            throw new IllegalArgumentException("a slot needs a size, a limit and at least one line, got " + sizePx
                    + " px, " + limitPx + " px, " + lines + " lines");
        }
    }

    /** Whether a text is no wider than the room over all lines together. */
    public boolean holds(String text) {
        return width(text) <= limitPx;
    }

    /** Width of a text here, in px. */
    public double width(String text) {
        return MetricFace.arimo().width(text, sizePx);
    }
}
