package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** Findings of one kind that share something, counted in one section, with the links to their items. */
public record Tally(Field field, FindingKind kind, String shared, String section, int items, long links) {}
