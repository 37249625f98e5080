package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.RowCheck;
import dev.vinekit.engine.ScriptStep;
import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Changes for PostgreSQL: one DO statement, which takes effect completely or not at all in every client, inside or
 * outside a transaction.
 */
final class PostgresqlChanges extends StandardChanges {
    private static final int SHOWN = 10;

    private static final String GRANTS = """
                -- The rights on the views that are dropped below, to be granted again.
                change_grants := ARRAY(
                    SELECT format('GRANT %%s%%s ON %%s TO %%s%%s', granted.privilege_type, granted.of_column, granted.relation,
                        CASE granted.grantee WHEN 0 THEN 'PUBLIC' ELSE quote_ident(pg_get_userbyid(granted.grantee)) END,
                        CASE WHEN granted.is_grantable THEN ' WITH GRANT OPTION' ELSE '' END)
                    FROM (
                        SELECT acl.privilege_type, '' AS of_column, c.oid::regclass::text AS relation, acl.grantee,
                            acl.is_grantable, c.relowner
                        FROM pg_class c CROSS JOIN LATERAL aclexplode(c.relacl) AS acl WHERE c.oid IN (%1$s)
                        UNION ALL
                        SELECT acl.privilege_type, ' (' || quote_ident(a.attname) || ')', c.oid::regclass::text, acl.grantee,
                            acl.is_grantable, c.relowner
                        FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
                            CROSS JOIN LATERAL aclexplode(a.attacl) AS acl WHERE c.oid IN (%1$s)
                    ) AS granted
                    WHERE granted.grantee <> granted.relowner
                );
            """;

    private List<Table> madeAgain = List.of();

    PostgresqlChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    /** Values can be added to an enumeration; all else needs a new type. */
    @Override
    protected void typeChanged(String name, String statement) {
        Optional<SqlType> was = enumeration(difference.before().tables().stream()
                .flatMap(table -> table.columns().stream()), name);
        Optional<SqlType> now = enumeration(difference.after().tables().stream()
                .flatMap(table -> table.columns().stream()), name);
        if (was.isEmpty() || now.isEmpty() || !now.get().labels().containsAll(was.get().labels())) {
            super.typeChanged(name, statement);
            return;
        }
        List<String> labels = now.get().labels();
        for (int i = 0; i < labels.size(); i++) {
            if (!was.get().labels().contains(labels.get(i))) {
                add("ALTER TYPE " + name + " ADD VALUE " + Dialect.quoteLiteral(labels.get(i)) + (i == 0
                        ? " BEFORE " + Dialect.quoteLiteral(was.get().labels().get(0))
                        : " AFTER " + Dialect.quoteLiteral(labels.get(i - 1))));
            }
        }
    }

    private static Optional<SqlType> enumeration(Stream<Column> columns, String name) {
        return columns.map(Column::type)
                .filter(type -> type.kind() == SqlType.Kind.ENUM && type.text().equals(name)).findFirst();
    }

    /** Columns of an enumeration that got more values need nothing. */
    @Override
    protected List<String> alterations(Table table, Column was, Column now) {
        boolean sameEnumeration = was.type().kind() == SqlType.Kind.ENUM && was.type().text().equals(now.type().text());
        boolean widened = was.type().isText() && now.type().isText() && lostValues(was, now).equals(Optional.of(""));
        if (!sameEnumeration && !was.type().equals(now.type()) && !widened) {
            note("May rewrite the table and blocks reads and writes meanwhile. If it is large, add a new column, fill it");
            note("in parts, and exchange the two.");
        }
        if (was.nullable() && !now.nullable()) {
            note("Reads the whole table and blocks it meanwhile. If it is large, run in transactions of their own before:");
            note("    ALTER TABLE " + name(table) + " ADD CONSTRAINT " + dialect.identifier(now.name() + "_present") + " CHECK ("
                    + dialect.identifier(now.name()) + " IS NOT NULL) NOT VALID;");
            note("    ALTER TABLE " + name(table) + " VALIDATE CONSTRAINT " + dialect.identifier(now.name() + "_present") + ";");
        }
        return super.alterations(table, !sameEnumeration ? was : new Column(was.name(), now.type(), was.nullable(),
                was.defaultValue(), was.identity(), was.computed(), was.collation(), was.comment()), now);
    }

    /** Rights belong to a view, not to its name: they are read before it is dropped, and granted again. */
    @Override
    protected void conclude(List<Table> views) {
        madeAgain = views;
    }

    @Override
    protected Optional<String> roundTrip(String column, Column was, Column now) {
        if (now.type().kind() == SqlType.Kind.ENUM) {
            return Optional.of(column + "::text NOT IN (" + now.type().labels().stream().map(Dialect::quoteLiteral)
                    .collect(Collectors.joining(", ")) + ")");
        }
        return Optional.of("(" + column + "::" + now.type().text() + "::" + was.type().declared()
                + ")::text IS DISTINCT FROM " + column + "::text");
    }

    @Override
    protected String describe(List<String> columns, List<String> values) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            parts.add(Dialect.quoteLiteral((i == 0 ? "" : ", ") + columns.get(i) + "="));
            parts.add("coalesce(" + values.get(i) + "::text, 'NULL')");
        }
        return String.join(" || ", parts);
    }

    @Override
    protected Optional<String> firstValue(Column column) {
        return column.type().domain().isPresent() ? Optional.empty()
                : column.type().kind() == SqlType.Kind.ENUM
                        ? super.firstValue(column).map(label -> label + "::" + column.type().declared())
                        : super.firstValue(column);
    }

    /** A type may be one that the script is about to create. */
    @Override
    protected String noValue(Column column) {
        return column.type().kind() == SqlType.Kind.ENUM ? "NULL" : super.noValue(column);
    }

    /** What blocks others for as long as it reads the table (PostgreSQL manual, "ALTER TABLE", "CREATE INDEX"). */
    @Override
    protected void advise(Table table, TablePart part) {
        String statement = addition(table, part);
        if (part instanceof ForeignKey || part instanceof Check) {
            note("Reads the whole table and blocks writes meanwhile. If it is large, replace the statement by");
            note("    " + statement + " NOT VALID;");
            note("and run, in a later transaction: ALTER TABLE " + name(table) + " VALIDATE CONSTRAINT "
                    + dialect.identifier(part.name()) + ";");
        } else if (part instanceof Index && statement.startsWith("CREATE ")) {
            note("Blocks writes while the index is built. If the table is large, take it out and run, outside of a transaction:");
            note("    " + statement.replaceFirst("^(CREATE (?:UNIQUE )?INDEX) ", "$1 CONCURRENTLY ") + ";");
        } else {
            note("Blocks the table while an index is built. If it is large, create a unique index CONCURRENTLY first, and");
            note("add the constraint with USING INDEX.");
        }
    }

    @Override
    protected String frame(List<RowCheck> checks, String stop, List<ScriptStep> all) {
        List<ScriptStep> statements = all.stream().filter(ScriptStep.Statement.class::isInstance).toList();
        if (statements.size() <= 1 && checks.isEmpty() && stop.isEmpty() && madeAgain.isEmpty()) {
            return written(all, "", statement -> statement + ";");
        }
        StringBuilder body = new StringBuilder("DECLARE\n    change_problems text[] := ARRAY[]::text[];\n");
        if (!madeAgain.isEmpty()) {
            body.append("    change_grants text[];\n    change_grant text;\n");
        }
        body.append("BEGIN\n");
        if (!checks.isEmpty()) {
            body.append("    change_problems := ARRAY(\n").append(checks.stream().map(check -> "        SELECT "
                    + Dialect.quoteLiteral(plain(check.problem()) + ": ")
                    + " || string_agg(row_key, ' / ') FROM (\n            "
                    + check.rows() + " LIMIT " + SHOWN + "\n        ) AS found HAVING count(*) > 0")
                    .collect(Collectors.joining("\n        UNION ALL\n"))).append("\n    );\n");
        }
        if (!stop.isEmpty()) {
            body.append("    change_problems := change_problems || ").append(Dialect.quoteLiteral(stop))
                    .append("::text;\n");
        }
        if (!checks.isEmpty() || !stop.isEmpty()) {
            body.append("    IF cardinality(change_problems) > 0 THEN\n        RAISE EXCEPTION 'Nothing is changed. %', "
                    + "array_to_string(change_problems, '; ');\n    END IF;\n");
        }
        if (!madeAgain.isEmpty()) {
            body.append(GRANTS.formatted(madeAgain.stream()
                    .map(view -> Dialect.quoteLiteral(name(view)) + "::regclass").collect(Collectors.joining(", "))));
        }
        body.append(written(all, "    ", statement -> statement + ";"));
        if (!madeAgain.isEmpty()) {
            body.append("    FOREACH change_grant IN ARRAY change_grants LOOP\n        EXECUTE change_grant;\n")
                    .append("    END LOOP;\n");
        }
        String tag = "$change$";
        for (int i = 1; body.indexOf(tag) >= 0; i++) {
            tag = "$change" + i + "$";
        }
        return "DO " + tag + "\n" + body + "END\n" + tag + ";\n";
    }

    /** A default for present rows costs no rewrite of the table (PostgreSQL manual, "ALTER TABLE", notes). */
    @Override
    protected List<String> filled(Table table, Column column, String value) {
        return List.of("ALTER TABLE " + name(table) + " ADD COLUMN " + columnOf(table, column.withNullable()) + " DEFAULT "
                + value + " NOT NULL",
                "ALTER TABLE " + name(table) + " ALTER COLUMN " + dialect.identifier(column.name()) + " DROP DEFAULT");
    }

    /** An index lies in the schema of its table; some constraints are read as the index that carries them. */
    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        boolean constraint = part instanceof Index index
                && index.definition().filter(text -> text.startsWith("ALTER TABLE ")).isPresent();
        return part instanceof Index && !constraint
                ? List.of("DROP INDEX " + dialect.table(new TableName(table.schema(), part.name()),
                        schema().defaultSchema()))
                : constraint ? List.of("ALTER TABLE " + name(table) + " DROP CONSTRAINT " + dialect.identifier(part.name()))
                : super.drop(table, primary, part);
    }

    @Override
    protected String drop(SchemaObject object) {
        String name = object.name().name();
        return object.on().filter(table -> name.startsWith(table.name() + "."))
                .map(table -> "DROP " + object.kind() + " "
                + dialect.identifier(name.substring(table.name().length() + 1)) + " ON " + name(table))
                .orElseGet(() -> super.drop(object));
    }

    @Override
    protected String newType(Column now) {
        return super.newType(now) + " USING " + dialect.identifier(now.name()) + "::" + definitionOf(now);
    }

    private static String definitionOf(Column column) {
        return column.type().declared();
    }
}
