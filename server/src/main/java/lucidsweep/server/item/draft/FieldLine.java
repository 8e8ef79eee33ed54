package lucidsweep.server.item.draft;

import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ItemText;
import lucidsweep.core.text.TextKey;

/**
 * A field of an item as it is stored.
 *
 * @param content what was captured and drafted of it
 * @param count how many such elements were captured
 * @param batchId the batch that changed it last; null where none did
 * @param alike the hash that alike texts share
 */
public record FieldLine(long itemId, ItemText content, int count, Long batchId, long alike) {

    /** The same field if a text were drafted for it. */
    public FieldLine with(String text) {
        ItemText tried = new ItemText(field(), captured(), text, DraftState.DRAFTED, content.kept());
        return new FieldLine(itemId, tried, Math.max(count, text.isBlank() ? 0 : 1), batchId, TextKey.hash(text));
    }

    public long id() {
        return FieldId.of(itemId, content.field());
    }

    public Field field() {
        return content.field();
    }

    public String captured() {
        return content.captured();
    }

    /** The proposed text; null where there is none. */
    public String draft() {
        return content.draft();
    }

    /** The state of the draft; null where there is none. */
    public DraftState state() {
        return content.state();
    }

    public boolean isKept() {
        return content.isKept();
    }

    /** Whether the client has its draft. */
    public boolean isDelivered() {
        return content.state() != null && content.state().isDelivered();
    }

    /** The text in force. */
    public String text() {
        return content.inForce();
    }
}
