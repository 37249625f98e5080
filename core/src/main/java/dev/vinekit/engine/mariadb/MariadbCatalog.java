package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.mysqlfamily.FamilyCatalog;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.TableName;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What is MariaDB's own in the information schema. */
final class MariadbCatalog extends FamilyCatalog {
    private static final String VIEWS = """
            SELECT TABLE_SCHEMA, TABLE_NAME, VIEW_DEFINITION, CHECK_OPTION, ALGORITHM, SECURITY_TYPE
            FROM information_schema.VIEWS WHERE TABLE_SCHEMA IN (?)
            """;

    private static final String COLUMNS = """
            SELECT TABLE_SCHEMA, TABLE_NAME, COLUMN_NAME, COLUMN_DEFAULT, IS_NULLABLE, DATA_TYPE, COLUMN_TYPE,
                EXTRA, GENERATION_EXPRESSION, CHARACTER_MAXIMUM_LENGTH, NUMERIC_PRECISION, NUMERIC_SCALE,
                DATETIME_PRECISION, COLUMN_COMMENT, COLLATION_NAME
            FROM information_schema.COLUMNS
            WHERE TABLE_SCHEMA IN (?)
            ORDER BY ORDINAL_POSITION
            """;

    private static final String INDEXES = """
            SELECT TABLE_SCHEMA, TABLE_NAME, INDEX_NAME, NON_UNIQUE, COLUMN_NAME, COLLATION, SUB_PART, INDEX_TYPE, INDEX_COMMENT,
                NULL AS EXPRESSION
            FROM information_schema.STATISTICS
            WHERE TABLE_SCHEMA IN (?)
            ORDER BY TABLE_SCHEMA, TABLE_NAME, INDEX_NAME, SEQ_IN_INDEX
            """;

    private static final String CHECKS = """
            SELECT CONSTRAINT_SCHEMA AS TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, CHECK_CLAUSE, LEVEL
            FROM information_schema.CHECK_CONSTRAINTS
            WHERE CONSTRAINT_SCHEMA IN (?)
            ORDER BY CONSTRAINT_NAME
            """;

    MariadbCatalog(Connection connection, List<String> requested) throws SQLException {
        super(new Queries("mariadb", MariadbEngine.MODE, MariadbProgram.COLLATION, VIEWS, COLUMNS, CHECKS, INDEXES), connection,
                requested);
    }

    @Override
    protected String expression(String text) {
        return text;
    }

    @Override
    protected String written(ResultSet column, String text) {
        return text;
    }

    /** All in one statement, for the numbers of a sequence stand in the sequence. */
    @Override
    protected List<Sequence> sequences(List<TableName> names) throws SQLException {
        if (names.isEmpty()) {
            return List.of();
        }
        MariadbDialect dialect = new MariadbDialect();
        String sql = IntStream.range(0, names.size()).mapToObj(i -> "SELECT " + i
                        + " AS place, start_value, increment FROM " + dialect.table(names.get(i), ""))
                .collect(Collectors.joining(" UNION ALL ", "", " ORDER BY place"));
        List<Sequence> sequences = new ArrayList<>();
        each(sql, List.of(), row -> sequences.add(
                new Sequence(names.get(row.getInt(1)), row.getLong(2), row.getLong(3))));
        return sequences;
    }
}
