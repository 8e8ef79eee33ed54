package lucidsweep.server.database;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;

/** Stores constants by their codes, such as "sent-back" for {@code SENT_BACK}. */
public final class EnumCodes<E extends Enum<E>> extends BaseTypeHandler<E> {

    private final Class<E> type;

    public EnumCodes(Class<E> type) {
        this.type = type;
    }

    @Override
    public void setNonNullParameter(PreparedStatement statement, int place, E value, JdbcType ignored)
            throws SQLException {
        statement.setString(place, value.toString());
    }

    @Override
    public E getNullableResult(ResultSet row, String column) throws SQLException {
        return constant(row.getString(column));
    }

    @Override
    public E getNullableResult(ResultSet row, int column) throws SQLException {
        return constant(row.getString(column));
    }

    @Override
    public E getNullableResult(CallableStatement call, int column) throws SQLException {
        return constant(call.getString(column));
    }

    private E constant(String code) throws SQLException {
        if (code == null) return null;
        for (E each : type.getEnumConstants()) if (each.toString().equals(code)) return each;
        throw new SQLException("there is no " + type.getSimpleName() + " with the code " + code);
    }
}
