package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.ArrayText;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.ExpressionParser;
import dev.vinekit.sql.Quoting;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The SQL of MySQL and MariaDB where it is the same, as it is unless {@code sql_mode} says otherwise. */
public abstract class FamilyDialect implements Dialect {
    private static final Pattern SYSTEM = Pattern.compile(" SRID (\\d+)$");
    private static final Pattern PLAIN = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");

    private final Set<String> keywords;

    /** @param keywords the words, in lower case, that must be quoted as names */
    protected FamilyDialect(Set<String> keywords) {
        this.keywords = keywords;
    }

    /** An identifier in quotes of the family. */
    public static String quote(String name) {
        return '`' + name.replace("`", "``") + '`';
    }

    /** A string in which a backslash escapes. */
    public static String quoteText(String text) {
        return Dialect.quoteLiteral(text.replace("\\", "\\\\"));
    }

    @Override
    public String identifier(String name) {
        return PLAIN.matcher(name).matches() && !keywords.contains(name.toLowerCase(Locale.ROOT)) ? name : quote(name);
    }

    @Override
    public Expression parseCheck(String expression) {
        return ExpressionParser.parse(expression, word -> word, Quoting.BACKSLASHES);
    }

    /** What a regular expression means depends on the collation here. */
    @Override
    public Optional<String> javaRegex(String pattern) {
        return Optional.empty();
    }

    @Override
    public boolean keeps(double oddNumber) {
        return false;
    }

    @Override
    public boolean isTransactional(Table table) {
        return !table.options().matches("ENGINE=(?:Aria|MyISAM|MEMORY|CSV|ARCHIVE|MRG_MyISAM) .*");
    }

    @Override
    public boolean comparesExactly(Table table, Column column) {
        return column.collation().orElse(table.options().replaceFirst("(?s).*COLLATE=(\\w+).*", "$1")).endsWith("_bin");
    }

    @Override
    public String sharedLock() {
        return "LOCK IN SHARE MODE";
    }

    /** Without a number behind it the time has no fractions. */
    @Override
    public String now(SqlType type) {
        boolean exact = type.kind() != SqlType.Kind.DATE && type.text().matches(".*[(][1-6][)]");
        return Dialect.super.now(type) + (exact ? type.text().replaceFirst(".*([(][1-6][)])", "$1") : "");
    }

    /** A collation that tells letters apart by their bytes does not tell blanks at the end. */
    @Override
    public Optional<String> exactly(Table table, Column column, String sqlName, String marker) {
        String bytes = "CAST(CONVERT(%s USING utf8mb4) AS BINARY)";
        return Optional.of(bytes.formatted(sqlName) + " = " + bytes.formatted(marker));
    }

    @Override
    public boolean hasLists() {
        return true;
    }

    @Override
    public Optional<String> parameterOfUuidInBytes() {
        return Optional.of("UNHEX(REPLACE(?, '-', ''))");
    }

    @Override
    public String parameter(SqlType type) {
        return switch (type.kind()) {
            case BIT -> "CAST(CONV(?, 2, 10) AS UNSIGNED)";
            case REAL -> "CAST(? AS FLOAT)";
            case GEOMETRY -> "ST_GeomFromText(?" + system(type) + ")";
            default -> "?";
        };
    }

    /** Labels are ordered as they are declared, and compared with text as text, with a number by their place. */
    @Override
    public String compared(SqlType type, String parameter) {
        return type.kind() != SqlType.Kind.ENUM ? parameter
                : type.labels().stream().map(FamilyDialect::quoteText)
                .collect(Collectors.joining(", ", "FIELD(" + parameter + " COLLATE utf8mb4_bin, ", ")"));
    }

    @Override
    public Optional<String> continueSmallIdentity(String table, Column column) {
        return column.type().kind() == SqlType.Kind.TINYINT ? Optional.of("ALTER TABLE " + table + " AUTO_INCREMENT = 1")
                : Optional.empty();
    }

    @Override
    public boolean readsAsBytes(Table table, Column column) {
        return column.collation().map("binary"::equals).orElse(table.options().contains("COLLATE=binary"));
    }

    @Override
    public String selected(SqlType type, String column) {
        return switch (type.kind()) {
            case BIT -> "LPAD(BIN(" + column + "), " + type.length() + ", '0')";
            case GEOMETRY -> "ST_AsText(" + column + ")";
            case REAL -> "CAST(" + column + " AS DOUBLE)"; // As it is, it is told with six digits.
            case TINYINT -> type.isOneDigit() ? column + " + 0" : column;
            default -> column;
        };
    }

    /** The driver takes numbers of one digit for truth values only where it is not asked for a number. */
    @Override
    public String inSelectList(SqlType type, String column) {
        return type.kind() == SqlType.Kind.TINYINT ? column : selected(type, column);
    }

    @Override
    public String asText(SqlType type, String column) {
        return type.kind() == SqlType.Kind.GEOMETRY ? selected(type, column) : "CAST(" + column + " AS CHAR)";
    }

    @Override
    public List<String> sampleTexts(SqlType type) {
        return switch (type.kind()) {
            case BIT -> List.of("0".repeat((int) type.length() - 1) + "1", "1".repeat((int) type.length()));
            case GEOMETRY -> geometry(type.text());
            default -> List.of();
        };
    }

    /** The system of coordinates of a geometry, as a second argument; that of a plane goes without saying. */
    private static String system(SqlType type) {
        Matcher system = SYSTEM.matcher(type.text());
        return system.find() ? ", " + system.group(1) : "";
    }

    private static List<String> geometry(String type) {
        return switch (type.replaceFirst(" .*", "")) {
            case "geometry", "point" -> List.of("POINT(1 2)", "POINT(3 4)");
            case "linestring" -> List.of("LINESTRING(0 0,1 1)", "LINESTRING(0 0,2 2)");
            case "polygon" -> List.of("POLYGON((0 0,1 0,1 1,0 0))", "POLYGON((0 0,2 0,2 2,0 0))");
            default -> List.of();
        };
    }

    /** The session's time zone is UTC wherever these are read. */
    @Override
    public String literal(SqlType type, String value) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE, YEAR -> value;
            case BINARY -> "X'" + Dialect.hex(value) + "'";
            case BIT -> "b'" + value + "'";
            case GEOMETRY -> "ST_GeomFromText(" + quoteText(value) + system(type) + ")";
            case SET -> quoteText(ArrayText.elements(value).stream().map(Optional::orElseThrow)
                    .collect(Collectors.joining(",")));
            case TIMESTAMP -> quoteText(value.replace('T', ' '));
            case TIMESTAMP_WITH_ZONE -> quoteText(OffsetDateTime.parse(value.replace(' ', 'T'))
                    .withOffsetSameInstant(ZoneOffset.UTC).toLocalDateTime().toString().replace('T', ' '));
            default -> quoteText(value);
        };
    }

    @Override
    public String insertOfDefaults() {
        return "() VALUES ()";
    }

    @Override
    public String isSame(SqlType type, String column, String parameter) {
        return column + " <=> " + parameter;
    }

    @Override
    public Optional<Postponing> postponing(List<String> tables) {
        return Optional.of(new Postponing("SET foreign_key_checks = 0;\n", "SET foreign_key_checks = 1;\n"));
    }

    @Override
    public boolean sortsNullsFirst() {
        return true;
    }
}
