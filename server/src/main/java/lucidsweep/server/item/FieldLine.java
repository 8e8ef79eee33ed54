package lucidsweep.server.item;

/** A field of an item as it is stored. */
public record FieldLine(
        long itemId, String field, String captured, String draft, String state, Long batchId, String kept, long alike) {

    public long id() {
        return FieldId.of(itemId, field);
    }

    /** The text in force. */
    public String text() {
        return draft == null ? captured : draft;
    }
}
