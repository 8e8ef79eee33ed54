package lucidsweep.server.rewrite;

import lucidsweep.server.item.draft.FieldLine;

/**
 * What an edit would make of one field.
 *
 * @param after the new text; the text in force where nothing changes
 */
record Proposal(FieldLine field, String after, Result result) {

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

    boolean changes() {
        return switch (result) {
            case NOTHING, ALIKE, KEPT, RUNAWAY, UNCHANGED -> false;
            default -> !after.equals(field.text());
        };
    }
}
