package lucidsweep.server.database;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.springframework.stereotype.Component;

/** Lets a statement take an array as one parameter: {@code where id = any(#{ids})}. */
@Component
@MappedTypes(Object[].class)
final class ArrayParameters extends BaseTypeHandler<Object[]> {

    @Override
    public void setNonNullParameter(PreparedStatement statement, int place, Object[] values, JdbcType type)
            throws SQLException {
        statement.setObject(place, values);
    }

    @Override
    public Object[] getNullableResult(ResultSet row, String column) throws SQLException {
        return (Object[]) row.getArray(column).getArray();
    }

    @Override
    public Object[] getNullableResult(ResultSet row, int column) throws SQLException {
        return (Object[]) row.getArray(column).getArray();
    }

    @Override
    public Object[] getNullableResult(CallableStatement call, int column) throws SQLException {
        return (Object[]) call.getArray(column).getArray();
    }
}
