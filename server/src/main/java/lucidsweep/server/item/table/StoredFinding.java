package lucidsweep.server.item.table;

import lucidsweep.core.item.Field;

/**
 * What is wrong with an item, as it is stored.
 *
 * @param check the code of the check that found it: "too-long"
 * @param evidence in words
 * @param shared what findings of the same cause have in common; "" where nothing special
 */
public record StoredFinding(Field field, String check, String evidence, String shared) {}
