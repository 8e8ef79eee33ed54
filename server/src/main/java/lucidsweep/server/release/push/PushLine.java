package lucidsweep.server.release.push;

import jakarta.annotation.Nullable;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldId;

/**
 * A text on its way.
 *
 * @param before what the draft was made from
 * @param after the text
 * @param base what the item has to say so that it may be overwritten; null for {@code before}
 * @param found what the item said when it was read last; null where it was not
 * @param was what it said before it was overwritten; null where it was not
 */
record PushLine(
        long itemId,
        String address,
        Field field,
        LineState state,
        String before,
        String after,
        @Nullable String base,
        @Nullable String found,
        @Nullable String was,
        String note) {

    long fieldId() {
        return FieldId.of(itemId, field);
    }

    /** What the item has to say so that it may be overwritten. */
    String expected() {
        if (base != null) return base;
        return state.isBack() ? after : before;
    }

    /** What it is to say. */
    String wanted() {
        return state.isBack() ? was : after;
    }

    PushLine with(LineState state, String found, String note) {
        return new PushLine(itemId, address, field, state, before, after, base, found, was, note);
    }

    /** The same where the item is about to be overwritten. */
    PushLine sending(String found) {
        return state.isBack()
                ? with(LineState.RESTORING, found, "")
                : new PushLine(itemId, address, field, LineState.SENDING, before, after, base, found, found, "");
    }
}
