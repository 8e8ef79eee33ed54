package lucidsweep.server.triage;

/**
 * A finding and the address of its item.
 *
 * @param counted false for findings of items that are not indexable, which are set apart
 */
public record FindingRow(String address, String field, String kind, String evidence, boolean counted) {}
