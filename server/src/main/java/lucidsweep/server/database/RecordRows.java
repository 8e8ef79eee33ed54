package lucidsweep.server.database;

import jakarta.annotation.Nullable;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.ibatis.executor.resultset.ResultSetHandler;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.apache.ibatis.reflection.DefaultReflectorFactory;
import org.apache.ibatis.reflection.MetaObject;
import org.apache.ibatis.reflection.ReflectorFactory;
import org.apache.ibatis.reflection.SystemMetaObject;
import org.springframework.stereotype.Component;

/**
 * Makes records straight from rows, component by component of the same name, and lists of numbers. A part that is a record is
 * made of the columns that have its name in front, or else just the names of its own parts: "draft" of "title" is
 * {@code title_draft}, or {@code draft}. One that is {@link Nullable} is null where all of them are. MyBatis' own mapping by argument name
 * reflects anew on every row, which takes several times as long as the query.
 */
@Component
@Intercepts(@Signature(type = ResultSetHandler.class, method = "handleResultSets", args = Statement.class))
final class RecordRows implements Interceptor {

    private final Map<Class<?>, Shape> shapes = new ConcurrentHashMap<>();

    /** Remembers what it reflected of MyBatis' own classes; {@link SystemMetaObject#forObject} would reflect anew for every query. */
    private final ReflectorFactory reflectors = new DefaultReflectorFactory();

    @Override
    public Object intercept(Invocation call) throws Throwable {
        MappedStatement statement = (MappedStatement) MetaObject.forObject(
                        call.getTarget(),
                        SystemMetaObject.DEFAULT_OBJECT_FACTORY,
                        SystemMetaObject.DEFAULT_OBJECT_WRAPPER_FACTORY,
                        reflectors)
                .getValue("mappedStatement");
        Class<?> type = statement.getResultMaps().get(0).getType();
        if (type == Long.class) return numbers((Statement) call.getArgs()[0]);
        if (!type.isRecord()) return call.proceed();
        Shape shape = shapes.computeIfAbsent(type, Shape::of);
        try (ResultSet rows = ((Statement) call.getArgs()[0]).getResultSet()) {
            return shape.read(rows);
        }
    }

    private static List<Object> numbers(Statement statement) throws SQLException {
        try (ResultSet rows = statement.getResultSet()) {
            List<Object> found = new ArrayList<>();
            while (rows.next()) found.add(rows.getObject(1, Long.class));
            return found;
        }
    }

    @FunctionalInterface
    private interface Reader {
        Object read(ResultSet row, int column) throws SQLException;
    }

    /** A class of records, and where the parts of one are read; of a part that is a record itself, where its own parts are. */
    private record Shape(
            Constructor<?> constructor, String[] names, Reader[] readers, Shape[] inner, boolean[] nullable) {

        static Shape of(Class<?> type) {
            RecordComponent[] components = type.getRecordComponents();
            Class<?>[] types =
                    Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
            try {
                Constructor<?> constructor = type.getDeclaredConstructor(types);
                constructor.setAccessible(true);
                Shape shape = new Shape(
                        constructor,
                        Arrays.stream(components)
                                .map(component -> plain(component.getName()))
                                .toArray(String[]::new),
                        Arrays.stream(types).map(Shape::reader).toArray(Reader[]::new),
                        Arrays.stream(types)
                                .map(each -> each.isRecord() ? Shape.of(each) : null)
                                .toArray(Shape[]::new),
                        new boolean[types.length]);
                for (int i = 0; i < types.length; i++)
                    shape.nullable[i] = components[i].getAccessor().isAnnotationPresent(Nullable.class);
                return shape;
            } catch (NoSuchMethodException e) {
                throw new IllegalStateException(type + " has no constructor of its components", e);
            }
        }

        List<Object> read(ResultSet rows) throws SQLException, ReflectiveOperationException {
            Placed placed = placed(places(rows.getMetaData()), "");
            List<Object> found = new ArrayList<>();
            while (rows.next()) found.add(placed.read(rows));
            return found;
        }

        private static Map<String, Integer> places(ResultSetMetaData head) throws SQLException {
            Map<String, Integer> places = new HashMap<>();
            for (int i = 1; i <= head.getColumnCount(); i++) places.putIfAbsent(plain(head.getColumnLabel(i)), i);
            return places;
        }

        private Placed placed(Map<String, Integer> places, String owner) {
            Placed placed = new Placed(this, new int[names.length], new Placed[names.length]);
            for (int i = 0; i < names.length; i++) {
                if (inner[i] != null) {
                    placed.inner[i] = inner[i].placed(places, names[i]);
                    continue;
                }
                Integer place = places.getOrDefault(owner + names[i], places.get(names[i]));
                if (place == null) {
                    throw new IllegalStateException("no column for " + owner + names[i] + " of "
                            + constructor.getDeclaringClass() + " in " + places);
                }
                placed.columns[i] = place;
            }
            return placed;
        }

        private static String plain(String name) {
            return name.replace("_", "").toLowerCase(Locale.ROOT);
        }

        private static Reader reader(Class<?> type) {
            if (type == long.class) return ResultSet::getLong;
            if (type == int.class) return ResultSet::getInt;
            if (type == boolean.class) return ResultSet::getBoolean;
            if (type == double.class) return ResultSet::getDouble;
            if (type == String.class) return ResultSet::getString;
            if (type == byte[].class) return ResultSet::getBytes;
            if (type == Instant.class) return Shape::instant;
            if (type.isEnum()) return new Codes(type)::of;
            return (row, column) -> row.getObject(column, type);
        }

        /** Constants by the code that they are stored as, which is how they are written. */
        private static final class Codes {
            private final Map<String, Object> constants = new HashMap<>();

            private Codes(Class<?> type) {
                for (Object constant : type.getEnumConstants()) constants.put(constant.toString(), constant);
            }

            private Object of(ResultSet row, int column) throws SQLException {
                String code = row.getString(column);
                if (code == null || constants.containsKey(code)) return constants.get(code);
                throw new SQLException("there is no constant for " + code + ", only for " + constants.keySet());
            }
        }

        private static Object instant(ResultSet row, int column) throws SQLException {
            Timestamp moment = row.getTimestamp(column);
            return moment == null ? null : moment.toInstant();
        }
    }

    /** A shape with the places of its columns in one answer. */
    private record Placed(Shape shape, int[] columns, Placed[] inner) {

        private Object read(ResultSet row) throws SQLException, ReflectiveOperationException {
            Object[] values = new Object[columns.length];
            for (int i = 0; i < values.length; i++) {
                if (inner[i] == null) values[i] = shape.readers[i].read(row, columns[i]);
                else if (!shape.nullable[i] || inner[i].isThere(row)) values[i] = inner[i].read(row);
            }
            return shape.constructor.newInstance(values);
        }

        /** Whether any of its columns holds something. */
        private boolean isThere(ResultSet row) throws SQLException {
            for (int i = 0; i < columns.length; i++) {
                if (inner[i] == null ? row.getObject(columns[i]) != null : inner[i].isThere(row)) return true;
            }
            return false;
        }
    }
}
