package lucidsweep.server.item.draft;

/**
 * A field of an item as it is stored.
 *
 * @param count how many such elements were captured
 * @param draft the proposed text; null where there is none
 * @param state of the draft: "" (none), drafted, approved, sent-back, handed-over
 * @param batchId the batch that changed it last; null where none did
 * @param kept why it stays as it is; null where it may change
 * @param alike the hash that alike texts share
 */
public record FieldLine(
        long itemId,
        String field,
        String captured,
        int count,
        String draft,
        String state,
        Long batchId,
        String kept,
        long alike) {

    public long id() {
        return FieldId.of(itemId, field);
    }

    /** The text in force. */
    public String text() {
        return draft == null ? captured : draft;
    }
}
