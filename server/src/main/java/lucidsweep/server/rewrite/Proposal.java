package lucidsweep.server.rewrite;

import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldLine;

/**
 * What an edit would make of one field.
 *
 * @param standard what its item is held to
 * @param after the new text; the text in force where nothing changes
 */
record Proposal(FieldLine field, Standard standard, String after, Result result) {

    /** How it came out. */
    enum Result {
        WHOLE,
        SHORTENED,
        LACKS_SOURCE,
        TOLD_APART,
        NOTHING,
        ALIKE,
        KEPT,
        RUNAWAY,
        UNCHANGED
    }

    static Proposal unchanged(FieldLine field, Standard standard, Result why) {
        return new Proposal(field, standard, field.text(), why);
    }

    /** Whether the text stays as it is, whatever it would have become. */
    boolean isLeft() {
        return switch (result) {
            case NOTHING, ALIKE, KEPT, RUNAWAY, UNCHANGED -> true;
            default -> false;
        };
    }

    boolean changes() {
        return !isLeft() && !after.equals(field.text());
    }
}
