package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** PostgreSQL's SQL. */
final class PostgresqlDialect implements Dialect {
    private static final Pattern PLAIN = Pattern.compile("[a-z_][a-z0-9_]*");
    private static final Pattern SEQUENCE = Pattern.compile("nextval\\('((?:[^']|'')+)'");

    /** What means the same in PostgreSQL's regular expressions and in Java's (manual, section 9.7.3). */
    private static final Pattern COMMON_REGEX = Pattern.compile(
            "(?:[^\\\\\\[(*+?{]|\\\\[dDsSwW.*+?()\\[\\]{}|^$/-]|\\[[^\\[\\]\\\\:&]+]|\\((?!\\?)|[*+?](?![*+?])|\\{\\d+(?:,\\d*)?}(?![*+?]))*");

    /** Reserved words: PostgreSQL manual, appendix C, those marked "reserved" in any way. */
    private static final Set<String> KEYWORDS = Set.of("""
            all analyse analyze and any array as asc asymmetric authorization binary both case cast check collate
            collation column concurrently constraint create cross current_catalog current_date current_role
            current_schema current_time current_timestamp current_user default deferrable desc distinct do else end
            except false fetch for foreign freeze from full grant group having ilike in initially inner intersect into
            is isnull join lateral leading left like limit localtime localtimestamp natural not notnull null offset on
            only or order outer overlaps placing primary references returning right select session_user similar some
            symmetric system_user table tablesample then to trailing true union unique user using variadic verbose
            when where window with""".strip().split("\\s+"));

    @Override
    public String identifier(String name) {
        return PLAIN.matcher(name).matches() && !KEYWORDS.contains(name) ? name : Dialect.quoteIdentifier(name);
    }

    @Override
    public Expression parseCheck(String expression) {
        return ExpressionParser.parse(expression, word -> word.toLowerCase(Locale.ROOT));
    }

    @Override
    public Optional<String> javaRegex(String pattern) {
        return COMMON_REGEX.matcher(pattern).matches() ? Optional.of(pattern) : Optional.empty();
    }

    @Override
    public String parameter(SqlType type) {
        return switch (type.kind()) {
            case JSON, ENUM -> "CAST(? AS " + type.text() + ")";
            default -> "?";
        };
    }

    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE -> value;
            case BINARY -> "'\\x" + value + "'";
            default -> Dialect.quoteLiteral(value);
        };
    }

    /** The sequences that defaults take numbers from, and the enumerations that columns have. */
    @Override
    public String prelude(Schema schema) {
        Set<String> statements = new LinkedHashSet<>();
        for (Table table : schema.tables()) {
            for (Column column : table.columns()) {
                if (column.type().kind() == SqlType.Kind.ENUM) {
                    statements.add("CREATE TYPE " + column.type().text() + " AS ENUM " + column.type().labels().stream()
                            .map(Dialect::quoteLiteral).collect(Collectors.joining(", ", "(", ")")));
                }
                Matcher sequence = SEQUENCE.matcher(column.defaultValue().orElse(""));
                while (sequence.find()) {
                    statements.add("CREATE SEQUENCE " + sequence.group(1).replace("''", "'"));
                }
            }
        }
        return statements.stream().map(statement -> statement + ";\n\n").collect(Collectors.joining());
    }

    @Override
    public String definition(Schema schema) {
        return new StandardDefinition(this, schema, " STORED").script();
    }
}
