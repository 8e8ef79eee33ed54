package lucidsweep.server.database;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Many rows as one array a column, so that one statement changes them all:
 * {@code merge into t using unnest(cast(#{a} as bigint array), cast(#{b} as varchar array)) as n (a, b) on …}.
 */
public final class Columns {

    private Columns() {}

    /** The values of records of one class, by the names of its components; at least one is needed. */
    public static Map<String, Object[]> of(List<? extends Record> rows) {
        RecordColumns type = RecordColumns.of(rows.get(0).getClass());
        Map<String, Object[]> columns = new HashMap<>();
        for (int column = 0; column < type.count(); column++) {
            Object[] values = new Object[rows.size()];
            for (int i = 0; i < values.length; i++) values[i] = type.value(rows.get(i), column);
            columns.put(type.component(column), values);
        }
        return columns;
    }
}
