package dev.vinekit.scratch;

import dev.vinekit.data.TriggerEffects;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.engine.TextRows;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Script;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;

/**
 * Finds out what triggers do to rows: the same rows are written to a scratch database with them and to one without, and
 * rows are changed one column at a time.
 */
final class ScratchTriggers {
    /** So many rows are tried for a value that the database accepts. */
    private static final int MOST_TRIED = 3;

    private final Engine engine;
    private final Mapping mapping;
    private final Dialect dialect;
    private final Map<TableName, Set<String>> overwritten = new HashMap<>();
    private final Map<TableName, List<TableName>> written = new HashMap<>();
    private final Map<TableName, String> unchanged = new HashMap<>();
    private final Map<TableName, String> refused = new HashMap<>();

    private ScratchTriggers(Engine engine, Mapping mapping) {
        this.engine = engine;
        this.mapping = mapping;
        this.dialect = engine.dialect(mapping.schema());
    }

    /**
     * What the triggers of a mapping's tables do to these rows.
     *
     * @param seed inserts rows into empty tables
     * @throws Fault if no scratch database can be made
     */
    static TriggerEffects of(ScratchPlace place, Mapping mapping, String seed) {
        List<Entity> concerned = mapping.entities().stream()
                .filter(entity -> !entity.table().isView() && concern(mapping.schema(), entity.table().name()))
                .toList();
        if (concerned.isEmpty()) {
            return TriggerEffects.NONE;
        }
        ScratchTriggers asked = new ScratchTriggers(place.engine(), mapping);
        try (ScratchDatabase with = place.with(mapping.definition());
                ScratchDatabase without = place.with(asked.dialect.definition(withoutTriggers(mapping.schema())))) {
            asked.seed(with, asked.taken(without, seed), concerned);
            for (Entity entity : concerned) {
                asked.compare(entity, asked.rows(with, entity), asked.rows(without, entity), seed);
                asked.change(with, entity);
            }
        } catch (SQLException e) {
            throw ScratchDatabase.refused("could not be asked what triggers do", e);
        }
        asked.written.values().removeIf(List::isEmpty);
        return new TriggerEffects(asked.overwritten, asked.written, asked.unchanged, asked.refused);
    }

    /** Whether a table has triggers, or rules, which act like them. */
    static boolean concern(Schema schema, TableName table) {
        return !schema.objects(SchemaObject.Kind.TRIGGER, table).isEmpty()
                || !schema.objects(SchemaObject.Kind.RULE, table).isEmpty();
    }

    private static Schema withoutTriggers(Schema schema) {
        return schema.withObjects(schema.objects().stream().filter(object -> object.kind() != SchemaObject.Kind.TRIGGER
                && object.kind() != SchemaObject.Kind.RULE && object.kind() != SchemaObject.Kind.COMMENT).toList());
    }

    /**
     * Writes the rows where there are no triggers, and tells which ones the tables take: what they refuse is no
     * trigger's doing.
     */
    private List<Script.Part> taken(ScratchDatabase database, String seed) {
        return Script.parts(seed, engine.scriptSyntax()).stream().filter(part -> database.takes(part.text())).toList();
    }

    /**
     * Writes the rows; those that only triggers refuse are noted and left out. Where triggers have written rows before,
     * ours may have their keys: the script proper has them first.
     */
    private void seed(ScratchDatabase database, List<Script.Part> seed, List<Entity> concerned) throws SQLException {
        for (Script.Part part : seed) {
            Optional<Entity> entity = mapping.entities().stream()
                    .filter(each -> part.text().startsWith("INSERT INTO " + each.sqlTable() + " (")).findFirst();
            boolean isConcerned = entity.filter(concerned::contains).isPresent();
            try (Statement statement = database.anchor().createStatement()) {
                Map<TableName, Integer> before = isConcerned ? counts(database.anchor()) : Map.of();
                statement.execute(part.text());
                if (isConcerned) {
                    note(entity.get(), before, counts(database.anchor()));
                }
            } catch (SQLException e) {
                TableName table = entity.orElseThrow(() -> e).table().name();
                if (written.values().stream().noneMatch(tables -> tables.contains(table))) {
                    refused.put(table, database.reason(e));
                }
            }
        }
    }

    /** Notes the other tables that have more or fewer rows now. */
    private void note(Entity entity, Map<TableName, Integer> before, Map<TableName, Integer> now) {
        List<TableName> tables = written.computeIfAbsent(entity.table().name(), key -> new ArrayList<>());
        now.forEach((table, count) -> {
            if (!before.get(table).equals(count) && !table.equals(entity.table().name()) && !tables.contains(table)) {
                tables.add(table);
            }
        });
    }

    private List<List<String>> rows(ScratchDatabase database, Entity entity) throws SQLException {
        try (Statement statement = database.anchor().createStatement()) {
            return TextRows.of(statement, select(entity) + (entity.key().isEmpty() ? "" : " ORDER BY "
                    + entity.key().stream().map(Field::sqlName).collect(Collectors.joining(", "))));
        }
    }

    private static String select(Entity entity) {
        return "SELECT " + entity.fields().stream().map(Field::selected).collect(Collectors.joining(", ")) + " FROM "
                + entity.sqlTable();
    }

    private void compare(Entity entity, List<List<String>> now, List<List<String>> expected, String seed) {
        Set<Field> ofDefaults = entity.fields().stream().filter(field -> isOfDefault(entity, field, seed))
                .collect(Collectors.toSet());
        for (int n = 0; n < Math.min(now.size(), expected.size()); n++) {
            differences(entity, now.get(n), expected.get(n), ofDefaults);
        }
    }

    /** Whether rows of the seed leave a field to a default that makes another value each time. */
    private static boolean isOfDefault(Entity entity, Field field, String seed) {
        boolean constant = field.column().defaultValue().map(DefaultValue::meaning)
                .filter(meaning -> meaning != DefaultValue.Meaning.CONSTANT).isEmpty();
        return !constant && Pattern.compile("(?m)^INSERT INTO " + Pattern.quote(entity.sqlTable()) + " \\(([^)]*)\\)")
                .matcher(seed).results().anyMatch(insert ->
                        !List.of(insert.group(1).split(", ")).contains(field.sqlName()));
    }

    private void differences(Entity entity, List<String> now, List<String> expected, Set<Field> others) {
        for (int i = 0; i < entity.fields().size(); i++) {
            Field field = entity.fields().get(i);
            boolean same = now.get(i) == null ? expected.get(i) == null : now.get(i).equals(expected.get(i));
            if (!same && !field.column().isComputed() && !others.contains(field)) {
                overwritten.computeIfAbsent(entity.table().name(), key -> new TreeSet<>()).add(field.column().name());
            }
        }
    }

    /**
     * Changes a row; where triggers refuse that, another, for they may refuse it of some rows only. Tests change rows
     * whose columns have values, so only those with the most values are tried.
     */
    private void change(ScratchDatabase database, Entity entity) throws SQLException {
        Connection connection = database.anchor();
        List<List<String>> rows = rows(database, entity);
        if (rows.isEmpty() || entity.key().isEmpty()) {
            return;
        }
        connection.setAutoCommit(false);
        try (Statement statement = connection.createStatement()) {
            Map<TableName, Integer> before = counts(connection);
            Optional<SQLException> refusal = Optional.empty();
            int[] fullest = fullest(rows);
            for (int i = 0; i < fullest.length && (i == 0 || refusal.isPresent()); i++) {
                refusal = change(statement, entity, rows, fullest[i], before);
            }
            if (refusal.isPresent()) {
                unchanged.put(entity.table().name(), database.reason(refusal.get()));
            }
        } finally {
            connection.rollback();
            connection.setAutoCommit(true);
        }
    }

    /**
     * Gives one row the values of others, or its own if there are none, column by column, each time taken back.
     *
     * @return why, if every change is refused
     */
    private Optional<SQLException> change(Statement statement, Entity entity, List<List<String>> rows, int number,
            Map<TableName, Integer> before) throws SQLException {
        List<SQLException> refusals = new ArrayList<>();
        boolean changed = false;
        for (Field field : entity.fields().stream().filter(Field::updatable).toList()) {
            for (List<String> given : given(rows, number, entity.fields().indexOf(field))) {
                boolean written = change(statement, entity, rows.get(number), field, given, refusals);
                if (written) {
                    note(entity, before, counts(statement.getConnection()));
                }
                statement.getConnection().rollback();
                if (written) {
                    changed = true;
                    break;
                }
            }
        }
        return changed ? Optional.empty() : refusals.stream().findFirst();
    }

    /** Gives a field of a row another row's value, and compares the rest of the row; false if that is refused. */
    private boolean change(Statement statement, Entity entity, List<String> row, Field field, List<String> given,
            List<SQLException> refusals) throws SQLException {
        String copied = "SELECT " + field.sqlName() + " FROM " + entity.sqlTable() + where(entity, given) + " LIMIT 1";
        String where = where(entity, row);
        Optional<SQLException> refusal = refusal(statement, "UPDATE " + entity.sqlTable() + " SET " + field.sqlName()
                + " = (SELECT " + field.sqlName() + " FROM (" + copied + ") AS given)" + where);
        if (refusal.isPresent()) {
            refusals.add(refusal.get());
            return false;
        }
        List<String> expected = new ArrayList<>(row);
        int place = entity.fields().indexOf(field);
        expected.set(place, given.get(place));
        List<List<String>> after = TextRows.of(statement, select(entity) + where);
        if (after.size() == 1) {
            differences(entity, after.get(0), expected, Set.of());
        }
        return true;
    }

    /** A few rows whose value at a place is another than a row's own, nearest first, and at the end the row itself. */
    private static List<List<String>> given(List<List<String>> rows, int number, int place) {
        String own = rows.get(number).get(place);
        Stream<List<String>> others = IntStream.range(1, rows.size())
                .mapToObj(i -> rows.get((number + i) % rows.size()))
                .filter(other -> other.get(place) != null && !other.get(place).equals(own)).limit(MOST_TRIED);
        return Stream.concat(others, Stream.of(rows.get(number)).filter(row -> own != null)).toList();
    }

    private static int[] fullest(List<List<String>> rows) {
        long[] values = rows.stream().mapToLong(row -> row.stream().filter(Objects::nonNull).count()).toArray();
        long most = LongStream.of(values).max().orElse(0);
        return IntStream.range(0, values.length).filter(i -> values[i] == most).toArray();
    }

    private String where(Entity entity, List<String> row) {
        return " WHERE " + entity.key().stream().map(field -> field.sqlName() + " = " + ReadValues.literal(dialect,
                field.column().type(), row.get(entity.fields().indexOf(field)))).collect(Collectors.joining(" AND "));
    }

    private Map<TableName, Integer> counts(Connection connection) throws SQLException {
        List<Entity> tables = mapping.entities().stream().filter(entity -> !entity.table().isView()).toList();
        Map<TableName, Integer> counts = new HashMap<>();
        try (Statement statement = connection.createStatement()) {
            for (Entity entity : tables) {
                counts.put(entity.table().name(),
                        Integer.valueOf(TextRows.of(statement, "SELECT COUNT(*) FROM " + entity.sqlTable()).get(0).get(0)));
            }
        }
        return counts;
    }

    private static Optional<SQLException> refusal(Statement statement, String sql) {
        try {
            statement.executeUpdate(sql);
            return Optional.empty();
        } catch (SQLException e) {
            return Optional.of(e);
        }
    }
}
