package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.RowCheck;
import dev.vinekit.engine.ScriptStep;
import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Changes for MySQL and MariaDB: a column is written whole, with its comment. Both commit each statement that changes
 * the schema, so all checks come first. If one finds rows, an error says which, and a client that goes on after errors
 * finds its session read-only until the end of the script.
 */
public abstract class FamilyChanges extends StandardChanges {
    private static final int SHOWN = 10;

    protected FamilyChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    /** The session's variable that makes its transactions read-only. */
    protected abstract String readOnlyVariable();

    @Override
    protected String frame(List<RowCheck> checks, String stop, List<ScriptStep> all) {
        long statements = all.stream().filter(ScriptStep.Statement.class::isInstance).count();
        if (stop.isEmpty() && (checks.isEmpty() || statements == 1 && !onRows(checks))) {
            return written(all, "", statement -> statement + ";");
        }
        StringBuilder text = new StringBuilder("SET @change_read_only = @@SESSION." + readOnlyVariable()
                + ", @change_mode = @@SESSION.sql_mode, @change_problem = 'The checks did not run.';\n");
        text.append("SET @change_problem = CONCAT_WS('; ', NULL").append(checks.stream()
                .map(check -> ",\n  (SELECT CONCAT(" + FamilyDialect.quoteText(plain(check.problem()) + ": ")
                        + ", GROUP_CONCAT(row_key SEPARATOR ' / ')) FROM (\n    " + check.rows() + " LIMIT " + SHOWN
                        + "\n  ) AS found HAVING COUNT(*) > 0)").collect(Collectors.joining())).append(");\n");
        if (!stop.isEmpty()) {
            text.append("SET @change_problem = ").append(FamilyDialect.quoteText(stop)).append(";\n");
        }
        text.append("-- Fails with the problem if there is one; then the session is read-only until the end.\n");
        text.append("SET SESSION sql_mode = IF(@change_problem = '', CONCAT(@change_mode, ',STRICT_ALL_TABLES'), "
                + "REPLACE(@change_problem, ',', ';'));\nCOMMIT;\n");
        text.append("SET SESSION ").append(readOnlyVariable()).append(" = (@change_problem <> '');\n\n");
        text.append(written(all, "", statement -> statement + ";"));
        return text.append("\nSET SESSION ").append(readOnlyVariable())
                .append(" = @change_read_only;\nSET SESSION sql_mode = @change_mode;\n").toString();
    }

    @Override
    protected Optional<String> presentColumns(TableName table, Set<String> columns) {
        return Optional.of(presentColumns(table, columns, "DATABASE()"));
    }

    @Override
    protected String noValue(Column column) {
        return "NULL";
    }

    /** A view keeps the rights that were granted on it: the server keeps them by its name. */
    @Override
    protected void conclude(List<Table> madeAgain) {
    }

    @Override
    protected List<String> required(Table table, Column column) {
        return List.of("ALTER TABLE " + name(table) + " MODIFY COLUMN " + columnOf(table, column));
    }

    @Override
    protected String describe(List<String> columns, List<String> values) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            parts.add(FamilyDialect.quoteText((i == 0 ? "" : ", ") + columns.get(i) + "="));
            parts.add("COALESCE(" + values.get(i) + ", 'NULL')");
        }
        return "CONCAT(" + String.join(", ", parts) + ")";
    }

    @Override
    protected Optional<String> firstValue(Column column) {
        return switch (column.type().kind()) {
            case TIMESTAMP, TIMESTAMP_WITH_ZONE -> Optional.of("CURRENT_TIMESTAMP");
            case DATE -> Optional.of("CURRENT_DATE");
            case ENUM -> column.type().labels().stream().findFirst().map(FamilyDialect::quoteText);
            default -> super.firstValue(column);
        };
    }

    /** Long texts differ in how many bytes they hold, which their kind does not say. */
    @Override
    protected Optional<String> lostValues(Column was, Column now) {
        long bytes = mostBytes(now.type());
        boolean shorter = mostBytes(was.type()) > bytes;
        Optional<String> condition = super.lostValues(was, now);
        return shorter && condition.filter(String::isEmpty).isPresent()
                ? Optional.of("LENGTH(" + dialect.identifier(now.name()) + ") > " + bytes) : condition;
    }

    private static long mostBytes(SqlType type) {
        return switch (type.text().toLowerCase(Locale.ROOT).replaceAll("\\W.*", "")) {
            case "tinytext", "tinyblob" -> (1L << 8) - 1;
            case "text", "blob" -> (1L << 16) - 1;
            case "mediumtext", "mediumblob" -> (1L << 24) - 1;
            default -> Long.MAX_VALUE;
        };
    }

    /** A cast of the family follows other rules than a change of the type: each pair has a condition of its own. */
    @Override
    protected Optional<String> roundTrip(String column, Column was, Column now) {
        SqlType from = was.type();
        SqlType to = now.type();
        if (to.isText() && (from.isText() || isExact(from) || from.kind() == SqlType.Kind.ENUM)) {
            String tooLong = to.length() > 0 ? "CHAR_LENGTH(" + column + ") > " + to.length()
                    : "LENGTH(" + column + ") > " + mostBytes(to);
            return Optional.of(to.kind() == SqlType.Kind.CHAR ? tooLong + " OR " + column + " LIKE '% '" : tooLong);
        } else if (isExact(from) && isExact(to)) {
            return Optional.of("ROUND(" + column + ", " + to.scale() + ") <> " + column + " OR " + outside(column, to));
        } else if (from.kind() == SqlType.Kind.TIMESTAMP && to.kind() == SqlType.Kind.DATE) {
            return Optional.of(column + " <> DATE(" + column + ")");
        } else if (from.kind() == to.kind() && isClock(from)) {
            return Optional.of("MICROSECOND(" + column + ") % " + (long) Math.pow(10, 6 - to.precision()) + " <> 0");
        } else if (from.kind() == SqlType.Kind.ENUM && to.kind() == SqlType.Kind.ENUM
                || from.isText() && to.kind() == SqlType.Kind.ENUM) {
            return Optional.of("BINARY " + column + " NOT IN (" + to.labels().stream().map(FamilyDialect::quoteText)
                    .collect(Collectors.joining(", ")) + ")");
        }
        return Optional.empty();
    }

    private static boolean isClock(SqlType type) {
        return type.kind() == SqlType.Kind.TIMESTAMP || type.kind() == SqlType.Kind.TIMESTAMP_WITH_ZONE
                || type.kind() == SqlType.Kind.TIME;
    }

    private static boolean isExact(SqlType type) {
        return type.isWholeNumber() || type.kind() == SqlType.Kind.DECIMAL || type.kind() == SqlType.Kind.BOOLEAN;
    }

    /** That a number is outside the range of a type (MySQL manual, "Integer Types"). */
    private static String outside(String column, SqlType type) {
        int bits = switch (type.kind()) {
            case BOOLEAN, TINYINT -> 8;
            case SMALLINT -> 16;
            case MEDIUMINT -> 24;
            case INTEGER -> 32;
            case BIGINT -> 64;
            default -> 0;
        };
        if (bits == 0) {
            String end = BigInteger.TEN.pow(type.precision() - type.scale()).toString();
            return "ABS(" + column + ") >= " + end + (type.unsigned() ? " OR " + column + " < 0" : "");
        }
        BigInteger span = BigInteger.TWO.pow(type.unsigned() ? bits : bits - 1);
        return column + " NOT BETWEEN " + (type.unsigned() ? BigInteger.ZERO : span.negate()) + " AND "
                + span.subtract(BigInteger.ONE);
    }

    /** The statements that drop an index if it has not gone by itself with the reference that it was made for. */
    protected abstract List<String> dropIndex(TableName table, TablePart index);

    @Override
    protected String renameTable(Table was, Table now) {
        return "RENAME TABLE " + name(was) + " TO " + name(now);
    }

    @Override
    protected List<String> alterations(Table table, Column was, Column now) {
        return List.of("ALTER TABLE " + name(table) + " MODIFY COLUMN " + columnOf(table, now));
    }

    /** A check that stands with its column comes and goes with the column's definition. */
    @Override
    protected String addition(Table table, TablePart part) {
        return part instanceof Check check && check.column().isPresent()
                ? "ALTER TABLE " + name(table) + " MODIFY COLUMN " + columnOf(table, table.column(check.column().get()))
                : super.addition(table, part);
    }

    /** An index that a reference needs can only go when another one does its work, and may then be gone by itself. */
    @Override
    protected boolean isDroppedLate(SchemaChange.PartChanged change) {
        return change.part() instanceof Index && change.now().isEmpty();
    }

    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        String alter = "ALTER TABLE " + name(table);
        String name = dialect.identifier(part.name());
        if (part instanceof ForeignKey) {
            return List.of(alter + " DROP FOREIGN KEY " + name);
        } else if (part instanceof UniqueKey && primary) {
            return List.of(alter + " DROP PRIMARY KEY");
        } else if (part instanceof UniqueKey || part instanceof Index) {
            return dropIndex(table, part);
        }
        boolean withColumn = part instanceof Check check && check.column().isPresent();
        return withColumn ? List.of(addition(table(table), part)) : List.of(alter + " DROP CONSTRAINT " + name);
    }

    @Override
    protected List<String> comment(TableName table, Optional<Column> was, Column now) {
        return List.of();
    }

    @Override
    protected List<String> descriptions(SchemaChange.DescriptionChanged change) {
        List<String> statements = new ArrayList<>();
        if (!change.now().isView() && !change.was().comment().equals(change.now().comment())) {
            statements.add("ALTER TABLE " + name(change.now()) + " COMMENT="
                    + FamilyDialect.quoteText(change.now().comment()));
        }
        if (!change.was().options().equals(change.now().options())) {
            statements.add("ALTER TABLE " + name(change.now()) + " " + change.now().options());
        }
        return statements;
    }
}
