package dev.vinekit.engine;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** What a query finds, as texts. */
public final class TextRows {
    private TextRows() {
    }

    /** All rows, each with a text or null for each column. */
    public static List<List<String>> of(Statement statement, String query) throws SQLException {
        List<List<String>> rows = new ArrayList<>();
        try (ResultSet row = statement.executeQuery(query)) {
            int width = row.getMetaData().getColumnCount();
            while (row.next()) {
                List<String> values = new ArrayList<>();
                for (int i = 1; i <= width; i++) {
                    values.add(row.getString(i));
                }
                rows.add(values);
            }
        }
        return rows;
    }
}
