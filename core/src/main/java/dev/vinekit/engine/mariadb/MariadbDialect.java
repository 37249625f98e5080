package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.mysqlfamily.FamilyChanges;
import dev.vinekit.engine.mysqlfamily.FamilyDefinition;
import dev.vinekit.engine.mysqlfamily.FamilyDialect;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.ChangeScript;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What is MariaDB's own in its SQL. */
final class MariadbDialect extends FamilyDialect {
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
            sql_after_gtids sql_before_gtids sql_big_result sql_calc_found_rows sql_small_result ssl starting
            stats_auto_recalc stats_persistent
            stats_sample_pages straight_join system system_user table terminated then tinyblob tinyint tinytext to
            trailing trigger true undo union unique unlock unsigned update usage use using utc_date utc_time
            utc_timestamp values varbinary varchar varcharacter varying vector when where while window with write xor
            year_month zerofill body elsif history others package raise rowtype rownum cube function lead lag nth_value
            ntile first_value last_value dense_rank cume_dist minus adddate bit_and bit_or bit_xor cast count curdate
            curtime date_add date_sub extract group_concat json_arrayagg json_objectagg max median mid min now
            percentile_cont percentile_disc session_user std stddev stddev_pop stddev_samp subdate substr substring sum
            sysdate trim value variance var_pop var_samp""".strip().split("\\s+"));

    MariadbDialect() {
        super(KEYWORDS);
    }

    @Override
    public String selectedUuidInBytes(String column) {
        return "CAST(" + column + " AS UUID)";
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
    public List<String> sampleTexts(SqlType type) {
        return type.kind() != SqlType.Kind.NETWORK ? super.sampleTexts(type)
                : type.text().equals("inet6")
                ? List.of("2001:db8::1", "2001:db8::2") : List.of("10.0.0.1", "192.168.2.2");
    }

    @Override
    public Optional<String> numberedText(SqlType type) {
        return type.kind() == SqlType.Kind.NETWORK
                ? Optional.of(type.text().equals("inet6") ? "2001:db8::#" : "10.0.1.#") : Optional.empty();
    }

    @Override
    public String definition(Schema schema) {
        return new FamilyDefinition(this, schema, ForeignKey.Action.RESTRICT).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        FamilyDefinition after = new FamilyDefinition(this, difference.after(), ForeignKey.Action.RESTRICT);
        return new FamilyChanges(this, difference, after) {
            @Override
            protected String readOnlyVariable() {
                return "tx_read_only";
            }

            @Override
            protected List<String> dropIndex(TableName table, TablePart index) {
                return List.of("ALTER TABLE " + name(table) + " DROP INDEX IF EXISTS "
                        + dialect.identifier(index.name()));
            }
        }.script();
    }
}
