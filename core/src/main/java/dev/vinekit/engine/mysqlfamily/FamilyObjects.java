package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.Catalog;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Puts functions, procedures and triggers together from what the information schema tells of them. */
final class FamilyObjects {
    private static final String PARAMETERS = """
            SELECT SPECIFIC_SCHEMA AS TABLE_SCHEMA, SPECIFIC_NAME, ORDINAL_POSITION, PARAMETER_MODE, PARAMETER_NAME, DTD_IDENTIFIER,
                CHARACTER_SET_NAME, COLLATION_NAME, ROUTINE_TYPE
            FROM information_schema.PARAMETERS
            WHERE SPECIFIC_SCHEMA IN (?)
            ORDER BY SPECIFIC_NAME, ROUTINE_TYPE, ORDINAL_POSITION
            """;

    private static final String ROUTINES = """
            SELECT ROUTINE_SCHEMA AS TABLE_SCHEMA, ROUTINE_NAME, ROUTINE_TYPE, ROUTINE_DEFINITION, IS_DETERMINISTIC, SQL_DATA_ACCESS,
                SECURITY_TYPE, ROUTINE_COMMENT, SQL_MODE
            FROM information_schema.ROUTINES
            WHERE ROUTINE_SCHEMA IN (?) AND ROUTINE_TYPE IN ('FUNCTION', 'PROCEDURE') AND ROUTINE_DEFINITION IS NOT NULL
            """;

    private static final String TRIGGERS = """
            SELECT TRIGGER_SCHEMA AS TABLE_SCHEMA, TRIGGER_NAME, ACTION_TIMING, EVENT_MANIPULATION, EVENT_OBJECT_TABLE AS TABLE_NAME,
                ACTION_STATEMENT, SQL_MODE
            FROM information_schema.TRIGGERS
            WHERE TRIGGER_SCHEMA IN (?)
            """;

    /** The usual one goes without saying: it is what our own server has. */
    private static final String COLLATION = """
            SELECT DEFAULT_COLLATION_NAME FROM information_schema.SCHEMATA
            WHERE SCHEMA_NAME IN (?) AND SCHEMA_NAME = DATABASE()
            """;

    private final FamilyCatalog catalog;
    private final Map<List<String>, List<String>> parameters = new HashMap<>();
    private final Map<List<String>, String> results = new HashMap<>();

    private FamilyObjects(FamilyCatalog catalog) {
        this.catalog = catalog;
    }

    /** In four statements, whatever there is. A login without the right to see a definition is not told it. */
    static List<SchemaObject> of(FamilyCatalog catalog) throws SQLException {
        FamilyObjects objects = new FamilyObjects(catalog);
        List<SchemaObject> found = new ArrayList<>();
        catalog.each(PARAMETERS, objects::parameter);
        catalog.each(ROUTINES, row -> found.add(objects.routine(row)));
        catalog.each(COLLATION, row -> {
            if (!row.getString(1).equals(catalog.queries().collation())) {
                found.add(new SchemaObject(SchemaObject.Kind.COLLATION, new TableName("", "of new tables"),
                        Optional.empty(), "ALTER DATABASE COLLATE " + row.getString(1), List.of()));
            }
        });
        catalog.each(TRIGGERS, row -> found.add(objects.trigger(row)));
        return found;
    }

    private void parameter(ResultSet row) throws SQLException {
        List<String> routine = List.of(row.getString("TABLE_SCHEMA"), row.getString("ROUTINE_TYPE"),
                row.getString("SPECIFIC_NAME"));
        String letters = row.getString("CHARACTER_SET_NAME");
        String type = row.getString("DTD_IDENTIFIER")
                + (letters == null ? "" : " CHARSET " + letters + " COLLATE " + row.getString("COLLATION_NAME"));
        if (row.getInt("ORDINAL_POSITION") == 0) {
            results.put(routine, type);
            return;
        }
        String mode = row.getString("ROUTINE_TYPE").equals("PROCEDURE") ? row.getString("PARAMETER_MODE") + " " : "";
        parameters.computeIfAbsent(routine, key -> new ArrayList<>())
                .add(mode + FamilyDialect.quote(row.getString("PARAMETER_NAME")) + " " + type);
    }

    private SchemaObject routine(ResultSet row) throws SQLException {
        String name = row.getString("ROUTINE_NAME");
        String kind = row.getString("ROUTINE_TYPE");
        List<String> routine = List.of(row.getString("TABLE_SCHEMA"), kind, name);
        String access = row.getString("SQL_DATA_ACCESS");
        String comment = Catalog.text(row.getString("ROUTINE_COMMENT"));
        String definition = "CREATE " + kind + " " + spelled(catalog.tableName(row, name))
                + String.join(", ", parameters.getOrDefault(routine, List.of())).transform(list -> "(" + list + ")")
                + Optional.ofNullable(results.get(routine)).map(type -> " RETURNS " + type).orElse("")
                + (row.getString("IS_DETERMINISTIC").equals("YES") ? "\n    DETERMINISTIC" : "")
                + (access.equals("CONTAINS SQL") ? "" : "\n    " + access)
                + (row.getString("SECURITY_TYPE").equals("INVOKER") ? "\n    SQL SECURITY INVOKER" : "")
                + (comment.isEmpty() ? "" : "\n    COMMENT " + FamilyDialect.quoteText(comment))
                + "\n" + row.getString("ROUTINE_DEFINITION");
        return new SchemaObject(SchemaObject.Kind.FUNCTION, catalog.tableName(row, name), Optional.empty(),
                inMode(row, definition), List.of());
    }

    private SchemaObject trigger(ResultSet row) throws SQLException {
        TableName table = catalog.tableName(row, row.getString("TABLE_NAME"));
        TableName name = catalog.tableName(row, row.getString("TRIGGER_NAME"));
        return new SchemaObject(SchemaObject.Kind.TRIGGER, name, Optional.of(table),
                inMode(row, "CREATE TRIGGER " + spelled(name) + " "
                + row.getString("ACTION_TIMING") + " " + row.getString("EVENT_MANIPULATION") + " ON " + spelled(table)
                + "\nFOR EACH ROW " + row.getString("ACTION_STATEMENT")), List.of(table));
    }

    /** A routine runs in the mode in which it was made, whatever that of its caller. */
    private String inMode(ResultSet row, String definition) throws SQLException {
        String mode = row.getString("SQL_MODE").replaceAll(",?NO_AUTO_CREATE_USER", "");
        String usual = catalog.queries().mode();
        return mode.equals(usual) ? definition
                : "SET sql_mode = '" + mode + "';\n" + definition + ";\nSET sql_mode = '" + usual + "'";
    }

    private static String spelled(TableName name) {
        return (name.schema().isEmpty() ? "" : FamilyDialect.quote(name.schema()) + ".")
                + FamilyDialect.quote(name.name());
    }
}
