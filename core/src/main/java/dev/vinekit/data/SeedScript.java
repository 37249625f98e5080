package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Writes INSERT statements for rows of every table, parents first. */
public final class SeedScript {
    /** Rows in each table, unless more are asked for. */
    public static final int ROWS = 5;

    /** What {@link #text} takes for another choice of values: any number will do. */
    public static final long NUMBER = 1;

    private static final int IN_STATEMENT = 500;

    private final Mapping mapping;
    private final Dialect dialect;
    private final SampleRows samples;

    public SeedScript(Mapping mapping, Dialect dialect, SampleRows samples) {
        this.mapping = mapping;
        this.dialect = dialect;
        this.samples = samples;
    }

    /** A few rows for every table. */
    public String text() {
        return text("", ROWS, NUMBER);
    }

    /**
     * A person's own script, and rows for the tables that it leaves empty.
     *
     * @param own SQL that inserts rows; may be empty
     * @param rows how many each table is to have, at most; a table whose keys leave room for fewer has fewer
     * @param number another one makes other rows
     */
    public String text(String own, int rows, long number) {
        String added = added(own, rows, number);
        return added.isEmpty() ? own.isBlank() ? "-- No table takes rows.\n" : own
                : own.isBlank() ? "-- Made-up rows, " + rows + " in each table.\n" + added
                : own.stripTrailing() + "\n\n-- Made-up rows for the tables that have none above.\n" + added;
    }

    /** Rows for the tables that a script leaves empty, as {@link #text} adds them to it. */
    public String added(String own, int rows, long number) {
        KnownRows known = new KnownRows(mapping, own);
        SeedRows made = new SeedRows(mapping, samples, known, rows, number);
        List<Entity> open = inOrder().filter(entity -> !known.has(entity) && made.count(entity) > 0).toList();
        if (open.isEmpty()) {
            return "";
        }
        StringBuilder script = new StringBuilder();
        for (Entity entity : mapping.entities()) {
            boolean few = open.contains(entity) && made.count(entity) < rows;
            if (few) {
                script.append("-- ").append(entity.title()).append(": ").append(made.count(entity))
                        .append(" rows, for its keys leave room for no more.\n");
            }
        }
        Optional<Dialect.Postponing> postponing = made.isCircular()
                ? dialect.postponing(open.stream().map(Entity::sqlTable).toList()) : Optional.empty();
        postponing.ifPresent(pair -> script.append('\n').append(pair.before()));
        for (Entity entity : open) {
            script.append('\n');
            insert(script, made, entity);
            entity.fields().stream().filter(Field::isNumbered)
                    .flatMap(field -> restart(entity, field, made.count(entity) + 1L).stream())
                    .forEach(statement -> script.append(statement).append(";\n"));
        }
        StringBuilder updates = new StringBuilder();
        open.forEach(entity -> update(updates, made, entity));
        script.append(updates.isEmpty() ? "" : "\n").append(updates);
        postponing.ifPresent(pair -> script.append('\n').append(pair.after()));
        return script.toString();
    }

    /** Tables that triggers write to come as early as the tables that they refer to allow. */
    private Stream<Entity> inOrder() {
        Set<TableName> early = new HashSet<>();
        mapping.entities().stream().filter(samples.triggers()::isWritten)
                .forEach(entity -> early.addAll(mapping.schema()
                .narrowedTo(List.of(entity.table().name())).tables().stream().map(Table::name).toList()));
        return mapping.inReferenceOrder().stream()
                .sorted(Comparator.comparing(entity -> !early.contains(entity.table().name())));
    }

    private Optional<String> restart(Entity entity, Field field, long next) {
        boolean limited = mapping.schema().objects(SchemaObject.Kind.SETTING, entity.table().name()).stream()
                .anyMatch(setting -> setting.definition().contains(" SET MINVALUE ")
                        && setting.name().name().contains(" " + field.column().name() + " "));
        return limited || field.column().defaultValue().isPresent()
                ? dialect.restartLimitedIdentity(entity.sqlTable(), field.column(), next)
                : dialect.restartIdentity(entity.sqlTable(), field.column(), next);
    }

    /** One statement for as many rows after each other as name the same columns. */
    private void insert(StringBuilder script, SeedRows made, Entity entity) {
        int count = made.count(entity);
        Set<Field> columns = Set.of();
        int inStatement = 0;
        for (int n = 1; n <= count; n++) {
            Map<Field, String> row = withNulls(entity, made.row(entity, n));
            boolean goesOn = inStatement > 0 && inStatement < IN_STATEMENT && row.keySet().equals(columns);
            script.append(goesOn ? ",\n" : inStatement > 0 ? ";\n" : "")
                    .append(goesOn ? "" : into(entity, row.keySet()));
            script.append(row.keySet().stream().map(field -> literal(row.get(field), field))
                    .collect(Collectors.joining(", ", "    (", ")")));
            columns = row.keySet();
            inStatement = goesOn ? inStatement + 1 : 1;
        }
        script.append(";\n");
    }

    /** The row with NULL where it has no value and the database would put none. */
    private static Map<Field, String> withNulls(Entity entity, Map<Field, String> row) {
        Map<Field, String> whole = new LinkedHashMap<>();
        for (Field field : entity.seeded()) {
            if (row.containsKey(field) || field.column().nullable() && !field.column().isFilledByDatabase()) {
                whole.put(field, row.get(field));
            }
        }
        return whole;
    }

    private String into(Entity entity, Set<Field> columns) {
        boolean numbersItself = columns.stream().anyMatch(Field::isNumbered);
        return "INSERT INTO " + entity.sqlTable()
                + columns.stream().map(Field::sqlName).collect(Collectors.joining(", ", " (", ")"))
                + (numbersItself && !dialect.overridingIdentity().isEmpty() ? " " + dialect.overridingIdentity() : "")
                + "\nVALUES\n";
    }

    private void update(StringBuilder script, SeedRows made, Entity entity) {
        for (int n = 1; n <= made.count(entity); n++) {
            Map<Field, String> later = made.later(entity, n);
            Map<Field, String> row = later.isEmpty() ? Map.of() : made.row(entity, n);
            if (!later.isEmpty() && row.keySet().containsAll(entity.key())) {
                script.append("UPDATE ").append(entity.sqlTable()).append(" SET ").append(equal(later, ", "))
                        .append(" WHERE ");
                Map<Field, String> key = new LinkedHashMap<>();
                entity.key().forEach(field -> key.put(field, row.get(field)));
                script.append(equal(key, " AND ")).append(";\n");
            }
        }
    }

    private String equal(Map<Field, String> values, String between) {
        List<String> parts = new ArrayList<>();
        values.forEach((field, value) -> parts.add(field.sqlName() + " = " + literal(value, field)));
        return String.join(between, parts);
    }

    private String literal(String value, Field field) {
        return Optional.ofNullable(value).map(text -> dialect.literal(field.column(), text)).orElse("NULL");
    }
}
