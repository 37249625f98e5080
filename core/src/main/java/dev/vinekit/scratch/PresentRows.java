package dev.vinekit.scratch;

import dev.vinekit.engine.TextRows;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** The rows that a database has already, told as a script: as many, and as much of them, as others may refer to. */
public final class PresentRows {
    private static final int MOST = 100;

    private PresentRows() {
    }

    /** A statement for each table that is not empty. */
    public static String of(Connection connection, Mapping mapping, Dialect dialect) throws SQLException {
        StringBuilder script = new StringBuilder();
        try (Statement statement = connection.createStatement()) {
            statement.setMaxRows(MOST);
            for (Entity entity : mapping.entities()) {
                if (!entity.table().isView()) {
                    script.append(told(statement, entity, fields(mapping, entity), dialect));
                }
            }
        }
        return script.toString();
    }

    private static List<Field> fields(Mapping mapping, Entity entity) {
        Set<String> wanted = new HashSet<>();
        mapping.schema().tables().stream().flatMap(table -> table.foreignKeys().stream())
                .filter(reference -> reference.target().equals(entity.table().name()))
                .map(ForeignKey::targetColumns).forEach(wanted::addAll);
        entity.key().forEach(field -> wanted.add(field.column().name()));
        List<Field> fields = entity.fields().stream().filter(field -> wanted.contains(field.column().name())).toList();
        return fields.isEmpty() ? entity.fields().subList(0, 1) : fields;
    }

    private static String told(Statement statement, Entity entity, List<Field> fields, Dialect dialect)
            throws SQLException {
        List<List<String>> rows = TextRows.of(statement, "SELECT "
                + fields.stream().map(Field::selected).collect(Collectors.joining(", ")) + " FROM " + entity.sqlTable());
        return rows.isEmpty() ? "" : "INSERT INTO " + entity.sqlTable()
                + fields.stream().map(Field::sqlName).collect(Collectors.joining(", ", " (", ") VALUES\n"))
                + rows.stream().map(row -> IntStream.range(0, fields.size()).mapToObj(i -> row.get(i) == null ? "NULL"
                                : ReadValues.literal(dialect, fields.get(i).column().type(), row.get(i)))
                        .collect(Collectors.joining(", ", "(", ")"))).collect(Collectors.joining(",\n")) + ";\n";
    }
}
