package dev.vinekit.engine.postgresql;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** PostgreSQL's SQL. */
final class PostgresqlDialect implements Dialect {
    private static final Pattern PLAIN = Pattern.compile("[a-z_][a-z0-9_]*");

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

    /** PostgreSQL manual, table 8.9. */
    @Override
    public Years years() {
        return new Years(5_874_897, 294_276, true);
    }

    /** pgjdbc documentation, "Getting results based on a cursor". */
    @Override
    public boolean cursorsInTransactions() {
        return true;
    }

    /** Newline-sensitive matching is off unless a pattern turns it on (PostgreSQL manual, section 9.7.3.5). */
    @Override
    public boolean regexIsWhole() {
        return true;
    }

    @Override
    public boolean hasLists() {
        return true;
    }

    @Override
    public Optional<String> parameterOfUuidInBytes() {
        return Optional.of("uuid_send(?)");
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "CAST(encode(" + column + ", 'hex') AS uuid)";
    }

    @Override
    public String parameter(SqlType type) {
        return switch (type.kind()) {
            case JSON, ENUM, BIT, INTERVAL, ARRAY, NETWORK, RANGE, GEOMETRY, OTHER -> "CAST(? AS " + type.text() + ")";
            default -> type.text().replaceFirst("^.*[.]", "").equals("citext") ? "CAST(? AS " + type.text() + ")" : "?";
        };
    }

    @Override
    public String parameterOfText(SqlType type) {
        return type.isText() ? parameter(type) : "CAST(? AS " + type.text() + ")";
    }

    /** The driver writes arrays and points in one way or another, depending on how often the statement has run. */
    @Override
    public String selected(SqlType type, String column) {
        return switch (type.kind()) {
            case BIT, INTERVAL, ARRAY, RANGE, GEOMETRY, OTHER -> "CAST(" + column + " AS text)";
            default -> column;
        };
    }

    /** ORDER BY takes names from the list of columns first, and a cast has the name of its column there. */
    @Override
    public String inSelectList(SqlType type, String column) {
        String selected = selected(type, column);
        return selected.equals(column) || !type.isScalar() ? selected
                : selected + " AS " + identifier("text_of_" + column.replace("\"", ""));
    }

    /** Every type of PostgreSQL casts from text and to text; these are the forms in which it writes them. */
    @Override
    public List<String> sampleTexts(SqlType type) {
        return switch (type.kind()) {
            case BIT -> {
                int bits = (int) Math.min(Math.max(1, type.length()), 64);
                yield List.of("1" + "0".repeat(bits - 1), "1".repeat(bits));
            }
            case INTERVAL -> List.of("1 day", "2 years");
            case ARRAY -> type.element().map(element -> element.isScalar() ? sampleTexts(element)
                    : List.of("{}", "{NULL}")).orElse(List.of());
            case RANGE -> numberedText(type).map(text -> Stream.of("1", "2")
                    .map(digit -> text.replace("##", "2" + digit).replace("#", digit)).toList())
                    .orElse(type.text().endsWith("multirange") ? List.of("{}", "{(,)}") : List.of("empty", "(,)"));
            case NETWORK -> type.text().startsWith("mac")
                    ? List.of("08:00:2b:01:02:03".concat(type.text().endsWith("8") ? ":04:05" : ""),
                            "08:00:2b:0a:0b:0c".concat(type.text().endsWith("8") ? ":0d:0e" : ""))
                    : type.text().equals("cidr") ? List.of("10.0.0.0/8", "192.168.2.0/24")
                    : List.of("10.0.0.1", "192.168.2.2");
            case GEOMETRY -> switch (type.text()) {
                case "point" -> List.of("(1,2)", "(3,4.5)");
                case "line" -> List.of("{1,-1,0}", "{1,-1,2}");
                case "lseg" -> List.of("[(0,0),(1,1)]", "[(0,0),(2,2)]");
                case "box" -> List.of("(1,1),(0,0)", "(2,2),(0,0)");
                case "path", "polygon" -> List.of("((0,0),(1,0),(1,1))", "((0,0),(2,0),(2,2))");
                default -> List.of("<(0,0),1>", "<(1,1),2>");
            };
            case OTHER -> switch (type.text()) {
                case "xml" -> List.of("<a/>", "<b/>");
                case "tsvector" -> List.of("'must'", "'wine'");
                case "tsquery" -> List.of("'must'", "'wine'");
                case "pg_lsn" -> List.of("0/1", "0/2");
                case "oid", "xid", "cid", "xid8" -> List.of("11", "12");
                case "name" -> List.of("A name", "Another name");
                case "money" -> List.of("$1.50", "$2.00");
                default -> switch (type.text().replaceFirst("^.*[.]", "")) {
                    case "hstore" -> List.of("\"grape\"=>\"red\"", "\"grape\"=>\"white\"");
                    case "ltree" -> List.of("must.wine", "must.juice");
                    case "lquery" -> List.of("must.*", "wine.*");
                    case "cube" -> List.of("(1, 2)", "(3)");
                    default -> List.of();
                };
            };
            default -> List.of();
        };
    }

    @Override
    public Optional<String> setting(String name) {
        return Optional.of("SELECT set_config('" + name + "', ?, true)");
    }

    @Override
    public String sharedLock() {
        return "FOR SHARE";
    }

    @Override
    public boolean comparesExactly(Table table, Column column) {
        return !column.type().text().replaceFirst("^.*[.]", "").equals("citext");
    }

    /** A collation may hold different texts for equal, and char(n) does not count blanks at the end. */
    @Override
    public Optional<String> exactly(Table table, Column column, String sqlName, String marker) {
        return comparesExactly(table, column) && column.collation().isEmpty()
                && column.type().kind() != SqlType.Kind.CHAR ? Optional.empty()
                : Optional.of("CAST(" + sqlName + " AS text) COLLATE \"C\" = CAST(" + marker + " AS text)");
    }

    @Override
    public boolean isComparable(SqlType type) {
        return type.isScalar() && (type.kind() != SqlType.Kind.OTHER || !sampleTexts(type).isEmpty()
                && !type.text().equals("xml"));
    }

    @Override
    public Optional<String> numberedText(SqlType type) {
        String last = type.text().replaceFirst("^.*[.]", "");
        return Optional.ofNullable(switch (type.kind()) {
            case INTERVAL -> "00:10:##";
            case RANGE -> switch (last) {
                case "int4multirange", "int8multirange", "nummultirange" -> "{[#0,#5)}";
                case "datemultirange" -> "{[20##-01-01,20##-02-01)}";
                case "tsmultirange" -> "{[\"20##-01-01 00:00:00\",\"20##-02-01 00:00:00\")}";
                case "int4range", "int8range", "numrange" -> "[#0,#5)";
                case "daterange" -> "[20##-01-01,20##-02-01)";
                case "tsrange" -> "[\"20##-01-01 00:00:00\",\"20##-02-01 00:00:00\")";
                default -> null;
            };
            case NETWORK -> last.equals("macaddr") ? "08:00:2b:01:02:##" : last.equals("macaddr8")
                    ? "08:00:2b:01:02:03:04:##"
                    : last.equals("cidr") ? "2001:db8::#/128" : "2001:db8::#";
            case OTHER -> switch (last) {
                case "oid", "xid", "cid", "xid8" -> "1000#";
                case "pg_lsn" -> "1/10#";
                case "ltree" -> "top.n#";
                case "name" -> "Name #";
                case "money" -> "$#.00";
                case "tsvector", "tsquery" -> "'must#'";
                default -> null;
            };
            default -> null;
        });
    }

    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE -> value;
            case BINARY -> "'\\x" + Dialect.hex(value) + "'";
            default -> Dialect.quoteLiteral(value);
        };
    }

    @Override
    public String overridingIdentity() {
        return "OVERRIDING SYSTEM VALUE";
    }

    /** A serial column counts with a sequence of which only the server knows the name. */
    @Override
    public Optional<Postponing> postponing(List<String> tables) {
        return Optional.of(new Postponing("BEGIN;\nSET CONSTRAINTS ALL DEFERRED;\n", "COMMIT;\n"));
    }

    @Override
    public Optional<String> restartIdentity(String table, Column column, long next) {
        if (column.identity() != Column.Identity.AUTO_INCREMENT) {
            return standardRestart(table, column, next);
        }
        return Optional.of("DO " + Dialect.quoteLiteral("BEGIN PERFORM setval(pg_get_serial_sequence("
                + Dialect.quoteLiteral(table) + ", " + Dialect.quoteLiteral(column.name()) + "), " + (next - 1)
                + "); END"));
    }

    @Override
    public Optional<String> restartLimitedIdentity(String table, Column column, long next) {
        return Optional.of("DO " + Dialect.quoteLiteral("BEGIN PERFORM setval(q, greatest(" + (next - 1)
                + ", seqmin)) FROM pg_sequence, "
                + "pg_get_serial_sequence(" + Dialect.quoteLiteral(table) + ", " + Dialect.quoteLiteral(column.name())
                + ") q "
                + "WHERE seqrelid = q::regclass; END"));
    }

    @Override
    public String definition(Schema schema) {
        return new PostgresqlDefinition(this, schema).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new PostgresqlChanges(this, difference, new PostgresqlDefinition(this, difference.after())).script();
    }

    /** Leaves alone those who refer to the row. */
    @Override
    public String lock() {
        return "FOR NO KEY UPDATE";
    }
}
