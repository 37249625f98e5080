package dev.vinekit.engine.sqlite;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import dev.vinekit.sql.Quoting;
import dev.vinekit.sql.SqlText;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** SQLite's SQL. */
final class SqliteDialect implements Dialect {
    private static final Pattern PLAIN = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");

    /** sqlite.org, "SQLite Keywords". */
    private static final Set<String> KEYWORDS = Set.of("""
            abort action add after all alter always analyze and as asc attach autoincrement before begin between by
            cascade case cast check collate column commit conflict constraint create cross current current_date
            current_time current_timestamp database default deferrable deferred delete desc detach distinct do drop each
            else end escape except exclude exclusive exists explain fail filter first following for foreign from full
            generated glob group groups having if ignore immediate in index indexed initially inner insert instead
            intersect into is isnull join key last left like limit match materialized natural no not nothing notnull
            null nulls of offset on or order others outer over partition plan pragma preceding primary query raise range
            recursive references regexp reindex release rename replace restrict returning right rollback row rows
            savepoint select set table temp temporary then ties to transaction trigger unbounded union unique update
            using vacuum values view virtual when where window with without true false rowid strict stored
            """.strip().split("\\s+"));

    @Override
    public String identifier(String name) {
        return PLAIN.matcher(name).matches() && !KEYWORDS.contains(name.toLowerCase(Locale.ROOT))
                ? name : Dialect.quoteIdentifier(name);
    }

    @Override
    public Expression parseCheck(String expression) {
        return ExpressionParser.parse(expression, word -> word, Quoting.BRACKETS);
    }

    /** REGEXP is whatever function a program registers. */
    @Override
    public Optional<String> javaRegex(String pattern) {
        return Optional.empty();
    }

    @Override
    public boolean comparesExactly(Table table, Column column) {
        return column.collation().isEmpty();
    }

    @Override
    public Optional<String> exactly(Table table, Column column, String sqlName, String marker) {
        return comparesExactly(table, column) ? Optional.empty()
                : Optional.of("CAST(" + sqlName + " AS BLOB) = CAST(" + marker + " AS BLOB)");
    }

    /** What is not a number becomes NULL. */
    @Override
    public boolean keeps(double oddNumber) {
        return !Double.isNaN(oddNumber);
    }

    @Override
    public boolean likeTellsCase(Table table, Column column) {
        return false;
    }

    @Override
    public boolean readsTyped(SqlType type) {
        return false;
    }

    @Override
    public boolean roundsLoneNumbers() {
        return true;
    }

    /** Only strict tables do, and keys that are the number of the row. */
    @Override
    public boolean keepsTypes(Table table, Column column) {
        boolean isRowid = table.primaryKey().filter(key -> key.columns().equals(List.of(column.name()))).isPresent()
                && column.type().text().equalsIgnoreCase("INTEGER") && !table.options().contains("WITHOUT ROWID");
        return isRowid || table.options().contains("STRICT");
    }

    /** A key that is broken is told by its columns. */
    @Override
    public String reported(Table table, UniqueKey key) {
        return key.columns().isEmpty() ? "index '" + key.name() + "'"
                : key.columns().stream().map(column -> table.name().name() + "." + column)
                        .collect(Collectors.joining(", "));
    }

    /**
     * A check without a name is told by its text; of one that begins with a quoted name, SQLite takes that for the
     * text.
     */
    @Override
    public String reported(Check check) {
        String text = check.expression();
        boolean bracketed = text.startsWith("[") && text.indexOf(']') > 0;
        return !check.name().isEmpty() ? check.name() : bracketed ? text.substring(1, text.indexOf(']'))
                : text.startsWith("\"") || text.startsWith("`")
                ? SqlText.identifiers(text, word -> word).iterator().next() : text;
    }

    @Override
    public String asText(SqlType type, String column) {
        return "CAST(" + column + " AS TEXT)";
    }

    @Override
    public Optional<String> parameterOfUuidInBytes() {
        return Optional.of("unhex(replace(?, '-', ''))");
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "nullif(lower(hex(" + column + ")), '')";
    }

    /** A value without a type is a JSON number or text; bytes, which JSON has not, are left as they are. */
    @Override
    public String selected(SqlType type, String column) {
        return type.kind() != SqlType.Kind.ANY ? column
                : "CASE WHEN typeof(" + column + ") IN ('null', 'blob') THEN " + column + " ELSE json_quote(" + column
                + ") END";
    }

    @Override
    public String parameter(SqlType type) {
        return type.kind() == SqlType.Kind.ANY ? "json_extract(?, '$')" : "?";
    }

    /** In the form of the column's default, so that values of both origins have one order. */
    @Override
    public String parameter(Column column) {
        return SqliteTypes.isInstant(column) ? "replace(replace(?, ' ', 'T'), '+00:00', 'Z')" : parameter(column.type());
    }

    @Override
    public String literal(Column column, String value) {
        String literal = literal(column.type(), value);
        return SqliteTypes.isInstant(column) ? literal.replace(' ', 'T').replace("+00:00", "Z") : literal;
    }

    /** Numeric affinity does so (sqlite.org, "Datatypes In SQLite", 3). */
    @Override
    public boolean makesNumbersOfTexts(SqlType type) {
        return type.kind() == SqlType.Kind.ANY && !type.text().isEmpty() && !type.text().equalsIgnoreCase("ANY")
                || type.kind() == SqlType.Kind.VARCHAR && !type.text().toUpperCase(Locale.ROOT).contains("CHAR");
    }

    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, BIGINT, DECIMAL, DOUBLE -> value;
            case BINARY -> "X'" + Dialect.hex(value) + "'";
            case ANY -> "json_extract(" + Dialect.quoteLiteral(value) + ", '$')";
            case TIMESTAMP -> Dialect.quoteLiteral(value.replace('T', ' '));
            case TIMESTAMP_WITH_ZONE -> Dialect.quoteLiteral(DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(
                    OffsetDateTime.parse(value.replace(' ', 'T')).withOffsetSameInstant(ZoneOffset.UTC))
                    .replace('T', ' ') + "+00:00");
            default -> Dialect.quoteLiteral(value);
        };
    }

    @Override
    public String isSame(SqlType type, String column, String parameter) {
        return column + " IS " + parameter;
    }

    @Override
    public Optional<Postponing> postponing(List<String> tables) {
        return Optional.of(new Postponing("PRAGMA foreign_keys = OFF;\n", "PRAGMA foreign_keys = ON;\n"));
    }

    @Override
    public String definition(Schema schema) {
        return new SqliteDefinition(this, schema).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new SqliteChanges(this, difference, new SqliteDefinition(this, difference.after())).script();
    }

    @Override
    public boolean sortsNullsFirst() {
        return true;
    }

    /** Connections begin their transactions with the write lock. */
    @Override
    public String lock() {
        return "";
    }
}
