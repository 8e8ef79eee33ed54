package lucidsweep.core.edit;

/**
 * One change that is made to the same field of many items.
 *
 * <pre>{@code new AddToEnd(" | Tarrin Bay").apply("Kayak hire")   // "Kayak hire | Tarrin Bay" }</pre>
 */
public interface BulkEdit {

    /**
     * The text after the edit.
     *
     * @return the new text; the same text where there is nothing to change
     * @throws RunawayPattern where a pattern takes too many steps on this text
     */
    String apply(String text);

    /** The same where the title of the item is known; edits that have no use for it leave it. */
    default String apply(String text, String title) {
        return apply(text);
    }

    /** Whether it looks at the title of the item, too. */
    default boolean needsTitle() {
        return false;
    }
}
