package dev.vinekit.engine.mariadb;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
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
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** MariaDB's SQL, as it is unless {@code sql_mode} says otherwise. */
final class MariadbDialect implements Dialect {
    private static final Pattern PLAIN = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");

    /**
     * Reserved words: MariaDB manual, "Reserved Words", those of all modes; and names of functions that the parser
     * takes for a call where a parenthesis follows ("Function Name Parsing" of MySQL's manual, and tried out).
     */
    private static final Set<String> KEYWORDS = Set.of("""
            accessible add all alter analyze and as asc asensitive before between bigint binary blob both by call
            cascade case change char character check collate column condition constraint continue convert create cross
            current_date current_role current_time current_timestamp current_user cursor database databases day_hour
            day_microsecond day_minute day_second dec decimal declare default delayed delete delete_domain_id desc
            describe deterministic distinct distinctrow div do_domain_ids double drop dual each else elseif enclosed
            escaped except exists exit explain false fetch float float4 float8 for force foreign from fulltext general
            grant group groups having high_priority hour_microsecond hour_minute hour_second if ignore
            ignore_domain_ids ignore_server_ids in index infile inner inout insensitive insert int int1 int2 int3 int4
            int8 integer intersect interval into is iterate join json_table key keys kill lateral leading leave left
            like limit linear lines load localtime localtimestamp lock long longblob longtext loop low_priority
            master_demote_to_replica master_demote_to_slave sql_buffer_result sql_cache sql_no_cache
            master_heartbeat_period master_ssl_verify_server_cert match maxvalue mediumblob mediumint mediumtext
            middleint minute_microsecond minute_second mod modifies natural not no_write_to_binlog null numeric offset
            on optimize option optionally or order out outer outfile over page_checksum parse_vcol_expr partition
            percent_rank period portion position precision primary procedure purge range rank read reads read_write
            real recursive references ref_system_id regexp release rename repeat replace require resignal restrict
            return returning revoke right rlike row row_number rows schema schemas second_microsecond select sensitive
            separator set show signal slow smallint spatial specific sql sqlexception sqlstate sqlwarning
            sql_big_result sql_calc_found_rows sql_small_result ssl starting stats_auto_recalc stats_persistent
            stats_sample_pages straight_join system system_user table terminated then tinyblob tinyint tinytext to
            trailing trigger true undo union unique unlock unsigned update usage use using utc_date utc_time
            utc_timestamp values varbinary varchar varcharacter varying vector when where while window with write xor
            year_month zerofill body elsif history others package raise rowtype rownum cube function lead lag nth_value
            ntile first_value last_value dense_rank cume_dist minus adddate bit_and bit_or bit_xor cast count curdate
            curtime date_add date_sub extract group_concat json_arrayagg json_objectagg max median mid min now
            percentile_cont percentile_disc session_user std stddev stddev_pop stddev_samp subdate substr substring sum
            sysdate trim value variance var_pop var_samp""".strip().split("\\s+"));

    /** An identifier in MariaDB's own quotes. */
    static String quote(String name) {
        return '`' + name.replace("`", "``") + '`';
    }

    /** A string in which a backslash escapes. */
    static String quoteText(String text) {
        return Dialect.quoteLiteral(text.replace("\\", "\\\\"));
    }

    @Override
    public String identifier(String name) {
        return PLAIN.matcher(name).matches() && !KEYWORDS.contains(name.toLowerCase(Locale.ROOT)) ? name : quote(name);
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
    public boolean hasLists() {
        return true;
    }

    @Override
    public Optional<String> parameterOfUuidInBytes() {
        return Optional.of("UNHEX(REPLACE(?, '-', ''))");
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "CAST(" + column + " AS UUID)";
    }

    @Override
    public String parameter(SqlType type) {
        return switch (type.kind()) {
            case BIT -> "CAST(CONV(?, 2, 10) AS UNSIGNED)";
            case REAL -> "CAST(? AS FLOAT)";
            case GEOMETRY -> "ST_GeomFromText(?)";
            default -> "?";
        };
    }

    /** Labels are ordered as they are declared, and compared with text as text, with a number by their place. */
    @Override
    public String compared(SqlType type, String parameter) {
        return type.kind() != SqlType.Kind.ENUM ? parameter
                : type.labels().stream().map(MariadbDialect::quoteText)
                .collect(Collectors.joining(", ", "FIELD(" + parameter + " COLLATE utf8mb4_bin, ", ")"));
    }

    /** The driver makes 02:00 of 26:00, and of dates that are none the same null as of NULL. */
    @Override
    public boolean readsTyped(SqlType type) {
        return switch (type.kind()) {
            case DATE, TIME, TIMESTAMP, TIMESTAMP_WITH_ZONE -> false;
            default -> true;
        };
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
            case NETWORK -> type.text().equals("inet6")
                    ? List.of("2001:db8::1", "2001:db8::2") : List.of("10.0.0.1", "192.168.2.2");
            case GEOMETRY -> geometry(type.text());
            default -> List.of();
        };
    }

    @Override
    public Optional<String> numberedText(SqlType type) {
        return type.kind() == SqlType.Kind.NETWORK
                ? Optional.of(type.text().equals("inet6") ? "2001:db8::#" : "10.0.1.#") : Optional.empty();
    }

    private static List<String> geometry(String type) {
        return switch (type) {
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
            case GEOMETRY -> "ST_GeomFromText(" + quoteText(value) + ")";
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
    public String definition(Schema schema) {
        return new MariadbDefinition(this, schema).script();
    }

    @Override
    public String changes(SchemaDifference difference) {
        return new MariadbChanges(this, difference, new MariadbDefinition(this, difference.after())).script();
    }

    @Override
    public boolean sortsNullsFirst() {
        return true;
    }
}
