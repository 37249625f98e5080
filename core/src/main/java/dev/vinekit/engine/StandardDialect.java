package dev.vinekit.engine;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import java.util.Locale;
import java.util.Optional;

/** Standard SQL (ISO/IEC 9075-2:2016): every identifier in quotes, for what needs them is each engine's own affair. */
public class StandardDialect implements Dialect {
    public StandardDialect() {
    }

    @Override
    public String identifier(String name) {
        return Dialect.quoteIdentifier(name);
    }

    @Override
    public Expression parseCheck(String expression) {
        return ExpressionParser.parse(expression, word -> word.toUpperCase(Locale.ROOT));
    }

    @Override
    public Optional<String> javaRegex(String pattern) {
        return Optional.empty();
    }

    @Override
    public String parameter(SqlType type) {
        return "?";
    }

    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE -> value;
            case BINARY -> "X'" + Dialect.hex(value) + "'";
            case DATE -> "DATE " + Dialect.quoteLiteral(value);
            case TIME -> "TIME " + Dialect.quoteLiteral(value);
            case TIMESTAMP, TIMESTAMP_WITH_ZONE -> "TIMESTAMP " + Dialect.quoteLiteral(
                    value.replace('T', ' ').replaceFirst("Z$", "+00:00"));
            default -> Dialect.quoteLiteral(value);
        };
    }

    @Override
    public boolean returnsRows() {
        return false;
    }

    @Override
    public boolean comparesRows() {
        return false;
    }

    @Override
    public String limit() {
        return "FETCH FIRST ? ROWS ONLY";
    }

    @Override
    public String page() {
        return "OFFSET ? ROWS FETCH NEXT ? ROWS ONLY";
    }

    @Override
    public String isSame(SqlType type, String column, String parameter) {
        return column + " IS NOT DISTINCT FROM CAST(" + parameter + " AS " + type.text() + ")";
    }

    @Override
    public Optional<String> restartIdentity(String table, Column column, long next) {
        return standardRestart(table, column, next);
    }

    @Override
    public String definition(Schema schema) {
        return new StandardDefinition(this, schema).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new StandardChanges(this, difference, new StandardDefinition(this, difference.after())).script();
    }

    @Override
    public boolean reportsKeys() {
        return false;
    }
}
