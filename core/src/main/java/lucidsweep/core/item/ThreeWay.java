package lucidsweep.core.item;

/** How what an item says now stands between what a text was made from and the text itself. */
public enum ThreeWay {
    /** It says what the text was made from, so that the text may take its place. */
    FREE,
    /** It says the text already. */
    IN_PLACE,
    /** It says something else, which somebody wrote meanwhile. */
    CHANGED;

    /**
     * Compares; space counts as little as it does on a page.
     *
     * <pre>{@code ThreeWay.of("Home", "Home ", "Kayak hire")   // FREE }</pre>
     *
     * @param base what the text was made from
     * @param now what the item says
     * @param ours the text
     */
    public static ThreeWay of(String base, String now, String ours) {
        String said = collapsed(now);
        if (said.equals(collapsed(ours))) return IN_PLACE;
        return said.equals(collapsed(base)) ? FREE : CHANGED;
    }

    private static String collapsed(String text) {
        return text.replaceAll("[\\s\\h]+", " ").strip();
    }
}
