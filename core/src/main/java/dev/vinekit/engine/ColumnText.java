package dev.vinekit.engine;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.util.HexFormat;

/** Values of any type as text. */
public final class ColumnText {
    private ColumnText() {
    }

    /**
     * The value of a column of the row that a result set stands on: a text that is the same for the same value, null
     * for NULL. Bytes are told in hexadecimal, for not every driver makes text of them.
     *
     * @param column its number, from 1
     */
    public static String of(ResultSet row, int column) throws SQLException {
        switch (row.getMetaData().getColumnType(column)) {
            case Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY:
                byte[] bytes = row.getBytes(column);
                return bytes == null ? null : HexFormat.of().formatHex(bytes);
            default:
                return row.getString(column);
        }
    }
}
