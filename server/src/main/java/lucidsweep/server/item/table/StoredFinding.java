package lucidsweep.server.item.table;

import lucidsweep.core.finding.FindingKind;
import lucidsweep.core.item.Field;

/**
 * What is wrong with an item, as it is stored.
 *
 * @param evidence in words
 * @param shared what findings of the same cause have in common; "" where nothing special
 */
public record StoredFinding(Field field, FindingKind kind, String evidence, String shared) {}
