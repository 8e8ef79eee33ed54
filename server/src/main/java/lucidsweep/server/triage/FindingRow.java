package lucidsweep.server.triage;

import lucidsweep.core.item.Field;

/**
 * A finding and the address of its item.
 *
 * @param counted false for findings of items that are not indexable, which are set apart
 */
public record FindingRow(String address, Field field, String check, String evidence, boolean counted) {}
