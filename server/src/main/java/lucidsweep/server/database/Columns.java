package lucidsweep.server.database;

import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Many rows as one array a column, so that one statement writes them all:
 * {@code insert into t (a, b) select * from unnest(cast(#{a} as bigint array), cast(#{b} as varchar array))}.
 */
public final class Columns {

    private static final Map<Class<?>, List<Method>> ACCESSORS = new ConcurrentHashMap<>();

    private Columns() {}

    /** The values of records of one class, by the names of its components; at least one is needed. */
    public static Map<String, Object[]> of(List<? extends Record> rows) {
        List<Method> accessors = ACCESSORS.computeIfAbsent(rows.get(0).getClass(), Columns::accessors);
        Map<String, Object[]> columns = new HashMap<>();
        for (Method accessor : accessors) {
            Object[] values = new Object[rows.size()];
            for (int i = 0; i < values.length; i++) values[i] = value(accessor, rows.get(i));
            columns.put(accessor.getName(), values);
        }
        return columns;
    }

    private static List<Method> accessors(Class<?> type) {
        List<Method> accessors = new ArrayList<>();
        for (RecordComponent component : type.getRecordComponents()) {
            component.getAccessor().setAccessible(true);
            accessors.add(component.getAccessor());
        }
        return accessors;
    }

    private static Object value(Method accessor, Record row) {
        try {
            return accessor.invoke(row);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("cannot read " + accessor, e);
        }
    }
}
