package dev.vinekit.engine.mysql;

import dev.vinekit.engine.mysqlfamily.FamilyCatalog;
import dev.vinekit.engine.mysqlfamily.FamilyDialect;
import dev.vinekit.schema.SqlType;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Set;

/** What is MySQL's own in the information schema. */
final class MysqlCatalog extends FamilyCatalog {
    /** Which algorithm a view has is told by SHOW CREATE VIEW only. */
    private static final String VIEWS = """
            SELECT TABLE_SCHEMA, TABLE_NAME, VIEW_DEFINITION, CHECK_OPTION, 'UNDEFINED' AS ALGORITHM, SECURITY_TYPE
            FROM information_schema.VIEWS WHERE TABLE_SCHEMA IN (?)
            """;

    private static final String COLUMNS = """
            SELECT TABLE_SCHEMA, TABLE_NAME, COLUMN_NAME, COLUMN_DEFAULT, IS_NULLABLE, DATA_TYPE, COLUMN_TYPE,
                EXTRA, GENERATION_EXPRESSION, CHARACTER_MAXIMUM_LENGTH, NUMERIC_PRECISION, NUMERIC_SCALE,
                DATETIME_PRECISION, COLUMN_COMMENT, COLLATION_NAME, SRS_ID
            FROM information_schema.COLUMNS
            WHERE TABLE_SCHEMA IN (?)
            ORDER BY ORDINAL_POSITION
            """;

    private static final String INDEXES = """
            SELECT TABLE_SCHEMA, TABLE_NAME, INDEX_NAME, NON_UNIQUE, COLUMN_NAME, COLLATION, SUB_PART, INDEX_TYPE, INDEX_COMMENT,
                EXPRESSION
            FROM information_schema.STATISTICS
            WHERE TABLE_SCHEMA IN (?)
            ORDER BY TABLE_SCHEMA, TABLE_NAME, INDEX_NAME, SEQ_IN_INDEX
            """;

    /** The name of a check is the only one of its kind in a schema; which table it is of stands elsewhere. */
    private static final String CHECKS = """
            SELECT c.CONSTRAINT_SCHEMA AS TABLE_SCHEMA, t.TABLE_NAME, c.CONSTRAINT_NAME, c.CHECK_CLAUSE, 'Table' AS LEVEL
            FROM information_schema.CHECK_CONSTRAINTS c
            JOIN information_schema.TABLE_CONSTRAINTS t ON t.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA
                AND t.CONSTRAINT_NAME = c.CONSTRAINT_NAME AND t.CONSTRAINT_TYPE = 'CHECK'
            WHERE c.CONSTRAINT_SCHEMA IN (?) AND t.ENFORCED = 'YES'
            ORDER BY c.CONSTRAINT_NAME
            """;

    private static final Set<String> NUMBERS = Set.of("tinyint", "smallint", "mediumint", "int", "bigint", "decimal",
            "float", "double", "year", "bit");

    MysqlCatalog(Connection connection, List<String> requested) throws SQLException {
        super(new Queries("mysql", MysqlEngine.MODE, MysqlProgram.COLLATION, VIEWS, COLUMNS, CHECKS, INDEXES), connection,
                requested);
    }

    @Override
    protected String expression(String text) {
        return CatalogText.expression(text);
    }

    /** A default that is an expression is marked; another is the bare value, of binary columns in hexadecimal. */
    @Override
    protected String written(ResultSet column, String text) throws SQLException {
        if (text == null) {
            return null;
        } else if (column.getString("EXTRA").contains("DEFAULT_GENERATED")) {
            return text.matches("CURRENT_TIMESTAMP(?:\\(\\d\\))?") ? text : "(" + expression(text) + ")";
        }
        boolean binary = column.getString("DATA_TYPE").endsWith("binary") && text.matches("0x[0-9a-fA-F]+");
        return binary || NUMBERS.contains(column.getString("DATA_TYPE")) ? text : FamilyDialect.quoteText(text);
    }

    /** A geometry's system of coordinates is part of its type. */
    @Override
    protected SqlType type(ResultSet column) throws SQLException {
        SqlType type = super.type(column);
        String system = column.getString("SRS_ID");
        return system == null ? type : SqlType.of(type.kind(), type.text() + " SRID " + system);
    }
}
