package dev.vinekit.engine.h2;

import dev.vinekit.engine.RowCheck;
import dev.vinekit.engine.ScriptStep;
import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Changes for H2, which commits each statement that changes the schema. All checks come first. If one finds rows, an
 * error says which, and a client that goes on after errors finds itself in a schema without these tables, where the
 * rest of the script can do nothing.
 */
final class H2Changes extends StandardChanges {
    private static final int SHOWN = 10;

    /** Statements that would succeed in any schema. */
    private static final Pattern ANYWHERE = Pattern.compile("(?is)CREATE\\s+(?!(?:UNIQUE\\s+)?INDEX\\b).*");

    H2Changes(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    @Override
    protected String renameColumn(Column was, Column now) {
        return "ALTER COLUMN " + dialect.identifier(was.name()) + " RENAME TO " + dialect.identifier(now.name());
    }

    @Override
    protected Optional<String> presentColumns(TableName table, Set<String> columns) {
        return Optional.of(presentColumns(table, columns, "CURRENT_SCHEMA"));
    }

    @Override
    protected String frame(List<RowCheck> checks, String stop, List<ScriptStep> all) {
        long statements = all.stream().filter(ScriptStep.Statement.class::isInstance).count();
        if (stop.isEmpty() && (checks.isEmpty() || statements == 1 && !onRows(checks))) {
            return written(all, "", statement -> statement + ";");
        }
        String schema = dialect.identifier(schema().defaultSchema());
        boolean several = schema().tables().stream().map(table -> table.name().schema()).distinct().count() > 1;
        StringBuilder text = new StringBuilder("SET @change_problem = 'The checks did not run.';\n");
        if (!checks.isEmpty()) {
            text.append("SET @change_problem = (SELECT COALESCE(LISTAGG(problem, '; '), '') FROM (\n").append(checks.stream()
                    .map(check -> "  SELECT " + Dialect.quoteLiteral(plain(check.problem()) + ": ")
                            + " || LISTAGG(row_key, ' / ') AS problem FROM (\n    " + check.rows() + " FETCH FIRST " + SHOWN
                            + " ROWS ONLY\n  ) HAVING COUNT(*) > 0").collect(Collectors.joining("\n  UNION ALL\n")))
                    .append("\n));\n");
        } else {
            text.append("SET @change_problem = '';\n");
        }
        if (!stop.isEmpty()) {
            text.append("SET @change_problem = ").append(Dialect.quoteLiteral(stop)).append(";\n");
        }
        text.append("CALL CAST(CASE WHEN @change_problem = '' THEN '0' ELSE @change_problem END AS INTEGER);\n");
        text.append("EXECUTE IMMEDIATE CASE WHEN @change_problem = '' THEN ")
                .append(Dialect.quoteLiteral("SET SCHEMA " + schema))
                .append(" ELSE 'SET SCHEMA INFORMATION_SCHEMA' END;\n\n");
        text.append(written(all, "", statement -> several || ANYWHERE.matcher(statement).matches()
                ? "EXECUTE IMMEDIATE CASE WHEN @change_problem = '' THEN\n" + Dialect.quoteLiteral(statement)
                        + "\nELSE 'SET SCHEMA INFORMATION_SCHEMA' END;"
                : statement + ";"));
        return text.append("\nSET SCHEMA ").append(schema).append(";\n").toString();
    }
}
