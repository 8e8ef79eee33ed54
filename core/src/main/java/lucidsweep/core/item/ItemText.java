package lucidsweep.core.item;

/**
 * One text of an item.
 *
 * @param captured what the last sweep saw; "" where nothing was
 * @param draft what is proposed instead; null where nothing is
 * @param state of the draft; null where there is none
 * @param kept why it stays as it is; null where it may change
 */
public record ItemText(Field field, String captured, String draft, DraftState state, String kept) {

    public ItemText {
        if ((draft == null) != (state == null)) {
            throw new IllegalArgumentException("a draft and its state come together, got " + draft + " and " + state);
        }
    }

    /** A text for which nothing was drafted. */
    public static ItemText captured(Field field, String text) {
        return new ItemText(field, text, null, null, null);
    }

    /** The text in force: the draft where there is one, else what was captured. */
    public String inForce() {
        return draft == null ? captured : draft;
    }

    public boolean isKept() {
        return kept != null;
    }
}
