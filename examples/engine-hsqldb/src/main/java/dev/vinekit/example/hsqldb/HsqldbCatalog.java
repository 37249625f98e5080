package dev.vinekit.example.hsqldb;

import dev.vinekit.engine.MetadataCatalog;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.TableName;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/** What HSQLDB's driver tells, and the checks, which stand in its information schema. */
final class HsqldbCatalog extends MetadataCatalog {
    /** Columns that must have a value are checks too, under names of HSQLDB's own. */
    private static final String CHECKS = """
            SELECT t.TABLE_SCHEMA, t.TABLE_NAME, c.CONSTRAINT_NAME, c.CHECK_CLAUSE
            FROM INFORMATION_SCHEMA.CHECK_CONSTRAINTS c
            JOIN INFORMATION_SCHEMA.TABLE_CONSTRAINTS t
              ON t.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND t.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE c.CONSTRAINT_NAME NOT LIKE 'SYS\\_CT\\_%' ESCAPE '\\' OR c.CHECK_CLAUSE NOT LIKE '%IS NOT NULL'
            """;

    HsqldbCatalog(Connection connection, List<String> schemas) throws SQLException {
        super(connection, schemas);
    }

    @Override
    protected void complete() throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(CHECKS)) {
            while (row.next()) {
                TableName table = new TableName(row.getString(1), row.getString(2));
                drafts.check(table, new Check(row.getString(3), unqualified(row.getString(4), table)));
            }
        }
    }

    /** A condition without the table before each of its columns. */
    private static String unqualified(String condition, TableName table) {
        return condition.replace(new HsqldbDialect().table(table, "") + ".", "");
    }
}
