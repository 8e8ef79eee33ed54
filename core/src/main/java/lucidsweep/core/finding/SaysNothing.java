package lucidsweep.core.finding;

/** Whether a text of an image or a link has to be written, since it is missing or tells nothing. */
public final class SaysNothing {

    private SaysNothing() {}

    /**
     * Of an image.
     *
     * @param alt null where the attribute is missing; an empty one says that the image is decoration, which is fine
     */
    public static boolean asAlt(String alt) {
        return alt == null || AltIsFileName.isFileName(alt);
    }

    /** @param text of a link; null or "" where it has none */
    public static boolean asLink(String text) {
        return text == null || text.isBlank() || LinkTextSaysNothing.saysNothing(text);
    }
}
