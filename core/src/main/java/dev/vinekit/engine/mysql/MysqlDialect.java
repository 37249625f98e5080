package dev.vinekit.engine.mysql;

import dev.vinekit.engine.mysqlfamily.FamilyDefinition;
import dev.vinekit.engine.mysqlfamily.FamilyDialect;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What is MySQL's own in its SQL. */
final class MysqlDialect extends FamilyDialect {
    /**
     * Reserved words: {@code information_schema.KEYWORDS} of MySQL 9.7; and names of functions that the parser takes for
     * a call where a parenthesis follows (MySQL manual, "Function Name Parsing and Resolution").
     */
    private static final Set<String> KEYWORDS = Set.of("""
            accessible add adddate all alter analyze and as asc asensitive before between bigint binary bit_and
            bit_or bit_xor blob both by call cascade case cast change char character check collate column condition
            constraint continue convert count create cross cube cume_dist curdate current_date current_time
            current_timestamp current_user cursor curtime database databases date_add date_sub day_hour
            day_microsecond day_minute day_second dec decimal declare default delayed delete dense_rank desc describe
            deterministic distinct distinctrow div double drop dual each else elseif empty enclosed escaped except
            exists exit explain external extract false fetch first_value float float4 float8 for force foreign from
            fulltext function generated get grant group group_concat grouping groups having high_priority
            hour_microsecond hour_minute hour_second if ignore in index infile inner inout insensitive insert int
            int1 int2 int3 int4 int8 integer intersect interval into io_after_gtids io_before_gtids is iterate join
            json_arrayagg json_objectagg json_table key keys kill lag last_value lateral lead leading leave left
            library like limit linear lines load localtime localtimestamp lock long longblob longtext loop
            low_priority match max maxvalue mediumblob mediumint mediumtext mid middleint min minute_microsecond
            minute_second mod modifies natural no_write_to_binlog not now nth_value ntile null numeric of on optimize
            optimizer_costs option optionally or order out outer outfile over partition percent_rank position
            precision primary procedure purge qualify range rank read read_write reads real recursive references
            regexp release rename repeat replace require resignal restrict return revoke right rlike row row_number
            rows schema schemas second_microsecond select sensitive separator session_user set show signal smallint
            spatial specific sql sql_big_result sql_buffer_result sql_calc_found_rows sql_no_cache sql_small_result
            sqlexception sqlstate sqlwarning ssl starting std stddev stddev_pop stddev_samp stored straight_join
            subdate substr substring sum sysdate system system_user table tablesample terminated then tinyblob
            tinyint tinytext to trailing trigger trim true undo union unique unlock unsigned update usage use using
            utc_date utc_time utc_timestamp values var_pop var_samp varbinary varchar varcharacter variance varying
            virtual when where while window with write xor year_month zerofill""".strip().split("\\s+"));

    MysqlDialect() {
        super(KEYWORDS);
    }

    /** Neither a statement nor the driver tells the row that an INSERT stored. */
    @Override
    public boolean returnsRows() {
        return false;
    }

    @Override
    public boolean readsBack() {
        return true;
    }

    /** As MySQL says it from 8.0.19 on; a server before that says the key alone, which then names no field. */
    @Override
    public String reported(Table table, UniqueKey key) {
        return table.name().name() + "." + key.name();
    }

    @Override
    public boolean roundsDocuments() {
        return true;
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "BIN_TO_UUID(" + column + ")";
    }

    @Override
    public boolean readsUuids() {
        return false;
    }

    @Override
    public String parameter(SqlType type) {
        return isVector(type) ? "STRING_TO_VECTOR(?)"
                : type.kind() == SqlType.Kind.JSON ? "CAST(? AS JSON)" : super.parameter(type);
    }

    @Override
    public String selected(SqlType type, String column) {
        return isVector(type) ? "VECTOR_TO_STRING(" + column + ")" : super.selected(type, column);
    }

    @Override
    public String literal(SqlType type, String value) {
        return isVector(type) ? "STRING_TO_VECTOR(" + quoteText(value) + ")"
                : type.kind() == SqlType.Kind.UUID ? "X'" + Dialect.hex(value) + "'" : super.literal(type, value);
    }

    @Override
    public List<String> sampleTexts(SqlType type) {
        return isVector(type) ? List.of(vector(type, "1.00000e+00"), vector(type, "2.00000e+00"))
                : super.sampleTexts(type);
    }

    private static boolean isVector(SqlType type) {
        return type.kind() == SqlType.Kind.OTHER && type.text().startsWith("vector");
    }

    private static String vector(SqlType type, String each) {
        int size = Integer.parseInt(type.text().replaceAll("\\D", ""));
        return IntStream.range(0, size).mapToObj(i -> each).collect(Collectors.joining(",", "[", "]"));
    }

    @Override
    public String definition(Schema schema) {
        return new FamilyDefinition(this, schema, ForeignKey.Action.NO_ACTION).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new MysqlChanges(this, difference,
                new FamilyDefinition(this, difference.after(), ForeignKey.Action.NO_ACTION)).script();
    }

    /** In a comparison of rows MySQL takes times with fractions and parameters for texts of so many digits. */
    @Override
    public boolean comparesRows() {
        return false;
    }
}
