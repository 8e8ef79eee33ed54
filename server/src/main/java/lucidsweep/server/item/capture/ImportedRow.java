package lucidsweep.server.item.capture;

/**
 * A row that an import read. Its id is in the import's own range; it is the id of what was captured, too, where the row said
 * something new of its item.
 *
 * @param became new, changed or unchanged
 * @param captureId what is known of the item since: this row, or an earlier capture where nothing has changed
 * @param facts what the row said, as JSON; "" unless it is the capture, null where it was not asked for
 */
public record ImportedRow(long id, String address, String became, long itemId, long captureId, String facts) {}
