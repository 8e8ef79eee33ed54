package lucidsweep.server.database;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.ibatis.executor.parameter.ParameterHandler;
import org.apache.ibatis.mapping.BoundSql;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.mapping.SqlSource;
import org.apache.ibatis.parsing.XNode;
import org.apache.ibatis.scripting.LanguageDriver;
import org.apache.ibatis.session.Configuration;

/**
 * Statements that write a list of records, whose components are the columns, in place of {@code (columns)} and {@code (rows)}:
 *
 * <pre>{@code
 * @Lang(ManyRows.class)
 * @Insert("insert into twin (columns) values (rows)")
 * void insertTwins(List<Twin> twins);
 *
 * ManyRows.each(twins, mapper::insertTwins);
 * }</pre>
 *
 * A hundred rows in one statement take the database about half as long as an array a column.
 */
public final class ManyRows implements LanguageDriver {

    private static final int[] AT_ONCE = {100, 10, 1};

    /** Writes any number of rows, always so many at once that the database meets few statements and knows them. */
    public static <R extends Record> void each(List<R> rows, Consumer<List<R>> statement) {
        int start = 0;
        for (int size : AT_ONCE) {
            for (; rows.size() - start >= size; start += size) statement.accept(rows.subList(start, start + size));
        }
    }

    @Override
    public SqlSource createSqlSource(Configuration configuration, XNode script, Class<?> parameterType) {
        throw new UnsupportedOperationException("statements for many rows are written beside their methods");
    }

    @Override
    public SqlSource createSqlSource(Configuration configuration, String script, Class<?> parameterType) {
        Map<Integer, String> bySize = new ConcurrentHashMap<>();
        return parameter -> {
            List<?> rows = rows(parameter);
            String sql = bySize.computeIfAbsent(
                    rows.size(),
                    size -> sql(script, RecordColumns.of(rows.get(0).getClass()), size));
            return new BoundSql(configuration, sql, List.of(), parameter);
        };
    }

    private static List<?> rows(Object parameter) {
        return (List<?>) ((Map<?, ?>) parameter).get("list");
    }

    private static String sql(String script, RecordColumns columns, int rows) {
        String names =
                IntStream.range(0, columns.count()).mapToObj(columns::name).collect(Collectors.joining(", "));
        String row = "(" + String.join(", ", Collections.nCopies(columns.count(), "?")) + ")";
        return script.replace("(columns)", "(" + names + ")")
                .replace("(rows)", String.join(", ", Collections.nCopies(rows, row)));
    }

    @Override
    public ParameterHandler createParameterHandler(MappedStatement statement, Object parameter, BoundSql sql) {
        return new ParameterHandler() {
            @Override
            public Object getParameterObject() {
                return parameter;
            }

            @Override
            public void setParameters(PreparedStatement prepared) throws SQLException {
                set(prepared, rows(parameter));
            }
        };
    }

    private static void set(PreparedStatement prepared, List<?> rows) throws SQLException {
        RecordColumns columns = RecordColumns.of(rows.get(0).getClass());
        int place = 1;
        for (Object row : rows) place = columns.set(prepared, place, row);
    }
}
