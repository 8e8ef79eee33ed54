package lucidsweep.server.item.table;

import lucidsweep.core.item.Field;

/** A finding without its evidence. */
record Mark(Field field, String check, String shared) {}
