package dev.vinekit.engine.h2;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.ArrayText;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** H2's SQL. */
final class H2Dialect implements Dialect {
    private static final Pattern PLAIN = Pattern.compile("[A-Z_][A-Z0-9_]*");

    /** Keywords that need quotes as identifiers: H2 manual, "Advanced", section "Keywords / Reserved Words". */
    private static final Set<String> KEYWORDS = Set.of("""
            ALL AND ANY ARRAY AS ASYMMETRIC AUTHORIZATION BETWEEN BOTH CASE CAST CHECK CONSTRAINT CROSS CURRENT_CATALOG
            CURRENT_DATE CURRENT_PATH CURRENT_ROLE CURRENT_SCHEMA CURRENT_TIME CURRENT_TIMESTAMP CURRENT_USER DAY
            DEFAULT DISTINCT ELSE END EXCEPT EXISTS FALSE FETCH FOR FOREIGN FROM FULL GROUP GROUPS HAVING HOUR IF ILIKE
            IN INNER INTERSECT INTERVAL IS JOIN KEY LEADING LEFT LIKE LIMIT LOCALTIME LOCALTIMESTAMP MINUS MINUTE MONTH
            NATURAL NOT NULL OFFSET ON OR ORDER OVER PARTITION PRIMARY QUALIFY RANGE REGEXP RIGHT ROW ROWNUM ROWS SECOND
            SELECT SESSION_USER SET SOME SYMMETRIC SYSTEM_USER TABLE TO TOP TRAILING TRUE UESCAPE UNION UNIQUE UNKNOWN
            USER USING VALUE VALUES WHEN WHERE WINDOW WITH YEAR _ROWID_""".split("\\s+"));

    @Override
    public String identifier(String name) {
        return PLAIN.matcher(name).matches() && !KEYWORDS.contains(name)
                ? name.toLowerCase(Locale.ROOT)
                : Dialect.quoteIdentifier(name);
    }

    @Override
    public Expression parseCheck(String expression) {
        return ExpressionParser.parse(expression, word -> word.toUpperCase(Locale.ROOT));
    }

    @Override
    public boolean comparesExactly(Table table, Column column) {
        return !column.type().text().startsWith("VARCHAR_IGNORECASE");
    }

    /** A collation may hold different texts for equal, and CHAR does not count blanks at the end. */
    @Override
    public Optional<String> exactly(Table table, Column column, String sqlName, String marker) {
        boolean padded = column.type().kind() == SqlType.Kind.CHAR;
        return comparesExactly(table, column) && column.collation().isEmpty() && !padded ? Optional.empty()
                : Optional.of("STRINGTOUTF8(" + (padded ? "TRIM(TRAILING FROM " + sqlName + ")" : sqlName)
                        + ") = STRINGTOUTF8(CAST(" + marker + " AS VARCHAR))");
    }

    /** What H2 casts from text, in the forms in which it writes it (H2 manual, "Data Types"). */
    @Override
    public List<String> sampleTexts(SqlType type) {
        return switch (type.kind()) {
            case INTERVAL -> numberedText(type).map(text -> List.of(text.replace("#", "1"), text.replace("#", "2")))
                    .orElse(List.of());
            case GEOMETRY -> List.of("POINT (1 2)", "POINT (3 4)");
            default -> List.of();
        };
    }

    @Override
    public Optional<String> numberedText(SqlType type) {
        String plain = type.text().replaceAll("\\([^)]*\\)", "");
        return type.kind() != SqlType.Kind.INTERVAL ? Optional.empty() : Optional.ofNullable(switch (plain) {
            case "INTERVAL YEAR", "INTERVAL MONTH", "INTERVAL DAY", "INTERVAL HOUR", "INTERVAL MINUTE",
                    "INTERVAL SECOND" ->
                    "INTERVAL '#' " + plain.substring("INTERVAL ".length());
            case "INTERVAL YEAR TO MONTH" -> "INTERVAL '#-1' YEAR TO MONTH";
            case "INTERVAL DAY TO HOUR" -> "INTERVAL '# 01' DAY TO HOUR";
            case "INTERVAL DAY TO MINUTE" -> "INTERVAL '# 01:00' DAY TO MINUTE";
            case "INTERVAL DAY TO SECOND" -> "INTERVAL '# 01:00:00' DAY TO SECOND";
            case "INTERVAL HOUR TO MINUTE" -> "INTERVAL '#:01' HOUR TO MINUTE";
            case "INTERVAL HOUR TO SECOND" -> "INTERVAL '#:01:00' HOUR TO SECOND";
            case "INTERVAL MINUTE TO SECOND" -> "INTERVAL '#:01' MINUTE TO SECOND";
            default -> null;
        });
    }

    @Override
    public boolean reportsDomainChecks() {
        return false;
    }

    @Override
    public boolean hasLists() {
        return true;
    }

    @Override
    public Optional<String> parameterOfUuidInBytes() {
        return Optional.of("CAST(? AS BINARY(16))");
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "CAST(" + column + " AS UUID)";
    }

    @Override
    public String parameter(SqlType type) {
        return type.kind() == SqlType.Kind.JSON ? "? FORMAT JSON" : "?";
    }

    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE -> value;
            case BINARY -> "X'" + Dialect.hex(value) + "'";
            case DATE -> "DATE " + Dialect.quoteLiteral(value);
            case TIME, TIME_WITH_ZONE -> "TIME " + Dialect.quoteLiteral(value);
            case TIMESTAMP -> "TIMESTAMP " + Dialect.quoteLiteral(value.replace('T', ' '));
            case TIMESTAMP_WITH_ZONE -> "TIMESTAMP WITH TIME ZONE " + Dialect.quoteLiteral(value.replace('T', ' '));
            case JSON -> "JSON " + Dialect.quoteLiteral(value);
            case ARRAY -> ArrayText.elements(value).stream()
                    .map(element -> element.map(text -> literal(type.element().orElseThrow(), text))
                    .orElse("NULL")).collect(Collectors.joining(", ", "ARRAY[", "]"));
            default -> Dialect.quoteLiteral(value);
        };
    }

    @Override
    public String overridingIdentity() {
        return "OVERRIDING SYSTEM VALUE";
    }

    @Override
    public Optional<Postponing> postponing(List<String> tables) {
        return Optional.of(new Postponing(
                tables.stream().map(table -> "ALTER TABLE " + table + " SET REFERENTIAL_INTEGRITY FALSE;\n")
                .collect(Collectors.joining()),
                tables.stream().map(table -> "ALTER TABLE " + table + " SET REFERENTIAL_INTEGRITY TRUE CHECK;\n")
                .collect(Collectors.joining())));
    }

    @Override
    public Optional<String> restartIdentity(String table, Column column, long next) {
        return standardRestart(table, column, next);
    }

    @Override
    public String definition(Schema schema) {
        return definitionOf(schema).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new H2Changes(this, difference, definitionOf(difference.after())).script();
    }

    private StandardDefinition definitionOf(Schema schema) {
        return new StandardDefinition(this, schema) {
            @Override
            protected ForeignKey.Action usualAction() {
                return ForeignKey.Action.RESTRICT;
            }
        };
    }

    @Override
    public boolean sortsNullsFirst() {
        return true;
    }
}
