package org.jontrel.site.table;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Locale;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;

/** Words of an enum, which stand in columns in small letters. */
public final class LowerCaseEnumHandler<E extends Enum<E>> extends BaseTypeHandler<E> {
    private final Class<E> type;

    public LowerCaseEnumHandler(Class<E> type) {
        this.type = type;
    }

    private E read(String word) {
        return word == null ? null : Enum.valueOf(type, word.toUpperCase(Locale.ROOT));
    }

    @Override
    public void setNonNullParameter(PreparedStatement statement, int i, E value, JdbcType jdbcType)
            throws SQLException {
        statement.setString(i, value.name().toLowerCase(Locale.ROOT));
    }

    @Override
    public E getNullableResult(ResultSet row, String column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public E getNullableResult(ResultSet row, int column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public E getNullableResult(CallableStatement call, int column) throws SQLException {
        return read(call.getString(column));
    }
}
