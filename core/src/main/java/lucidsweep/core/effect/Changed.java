package lucidsweep.core.effect;

/**
 * An item that was changed.
 *
 * @param item its number in the figures
 * @param live the week in which the change went live
 * @param counted the first week that counts: from then on result pages show the new text
 */
public record Changed(int item, int live, int counted) {

    /** How many weeks result pages take to follow where nothing else is known. */
    public static final int USUAL_DELAY = 2;

    public Changed {
        if (counted < live) throw new IllegalArgumentException("expected weeks to count from when it was live on");
    }

    public static Changed in(int item, int live) {
        return new Changed(item, live, live + USUAL_DELAY);
    }
}
