package lucidsweep.server.database;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The components of a class of records, as columns: {@code firstSweep} is {@code first_sweep}. Of a component that is a record
 * itself, its components are.
 */
final class RecordColumns {

    private static final MethodType VALUE_OF_RECORD = MethodType.methodType(Object.class, Object.class);
    private static final MethodType LONG_OF_RECORD = MethodType.methodType(long.class, Object.class);
    private static final MethodType TEXT_OF_RECORD = MethodType.methodType(String.class, Object.class);

    private static final Map<Class<?>, RecordColumns> KNOWN = new ConcurrentHashMap<>();

    private final String[] components;
    private final MethodHandle[] accessors;
    private final Setter[] setters;

    /** Gives a statement the value of one column of a record. */
    @FunctionalInterface
    private interface Setter {
        void set(PreparedStatement statement, int place, Object row) throws Throwable;
    }

    private RecordColumns(Class<?> type) {
        List<String> names = new ArrayList<>();
        List<MethodHandle> handles = new ArrayList<>();
        add(type, null, names, handles);
        components = names.toArray(new String[0]);
        setters = handles.stream().map(RecordColumns::setter).toArray(Setter[]::new);
        accessors =
                handles.stream().map(handle -> handle.asType(VALUE_OF_RECORD)).toArray(MethodHandle[]::new);
    }

    /** Numbers and texts go to the statement as what they are, so that no object is made of a number and none looked at for its type. */
    private static Setter setter(MethodHandle handle) {
        Class<?> type = handle.type().returnType();
        if (type == long.class || type == int.class) {
            MethodHandle number = handle.asType(LONG_OF_RECORD);
            return (statement, place, row) -> statement.setLong(place, (long) number.invokeExact(row));
        }
        if (type == String.class) {
            MethodHandle text = handle.asType(TEXT_OF_RECORD);
            return (statement, place, row) -> statement.setString(place, (String) text.invokeExact(row));
        }
        MethodHandle value = handle.asType(VALUE_OF_RECORD);
        return (statement, place, row) -> statement.setObject(place, stored((Object) value.invokeExact(row)));
    }

    /** Adds the components of a class; those of one that is a part of another are reached through it. */
    private static void add(Class<?> type, MethodHandle owner, List<String> names, List<MethodHandle> handles) {
        for (RecordComponent part : type.getRecordComponents()) {
            MethodHandle own = accessor(part.getAccessor());
            MethodHandle handle = owner == null ? own : MethodHandles.filterReturnValue(owner, own);
            if (part.getType().isRecord()) {
                add(part.getType(), handle, names, handles);
            } else {
                names.add(part.getName());
                handles.add(handle);
            }
        }
    }

    static RecordColumns of(Class<?> type) {
        return KNOWN.computeIfAbsent(type, RecordColumns::new);
    }

    private static MethodHandle accessor(Method method) {
        try {
            method.setAccessible(true);
            return MethodHandles.lookup().unreflect(method);
        } catch (IllegalAccessException e) {
            throw new IllegalStateException("cannot read " + method, e);
        }
    }

    int count() {
        return components.length;
    }

    String component(int column) {
        return components[column];
    }

    /** The name of the column in the database. */
    String name(int column) {
        return components[column].replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
    }

    /** A value as the database stores it; a constant by its code. */
    Object value(Object row, int column) {
        try {
            return stored((Object) accessors[column].invokeExact(row));
        } catch (RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException("cannot read " + components[column], e);
        }
    }

    private static Object stored(Object value) {
        return value instanceof Enum<?> ? value.toString() : value;
    }

    /** Gives a statement all values of a record, from a place on; returns the place after them. */
    int set(PreparedStatement statement, int place, Object row) throws SQLException {
        try {
            int next = place;
            for (Setter setter : setters) setter.set(statement, next++, row);
            return next;
        } catch (SQLException | RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException("cannot read " + row.getClass(), e);
        }
    }
}
