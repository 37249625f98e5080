package dev.vinekit.scratch;

import dev.vinekit.data.Conditions;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Asks a scratch database with the tables of a mapping, which goes away when this is closed. */
final class ScratchConditions implements Conditions, AutoCloseable {
    private static final String CANDIDATES = "vinekit_candidates";
    private static final String NUMBER = "vinekit_number";

    private final Schema schema;
    private final Dialect dialect;
    private final ScratchDatabase scratch;

    /** @throws Fault if no scratch database can be made */
    ScratchConditions(ScratchPlace place, Mapping mapping) {
        schema = mapping.schema();
        dialect = place.engine().dialect(schema);
        try {
            scratch = place.with(mapping.definition());
        } catch (SQLException e) {
            throw ScratchDatabase.refused("does not take the table definitions", e);
        }
    }

    @Override
    public List<Answer> ask(Entity entity, String condition, List<Map<Field, Optional<String>>> rows) {
        try (Statement statement = scratch.anchor().createStatement()) {
            String columns = rows.isEmpty() ? "" : rows.get(0).keySet().stream()
                    .map(field -> ", " + unlimited(field)).collect(Collectors.joining());
            statement.execute("CREATE TABLE " + CANDIDATES + " AS SELECT 0 AS " + NUMBER + columns + " FROM "
                    + entity.sqlTable()
                    + " WHERE 1 = 0");
            try {
                Set<Integer> there = inserted(rows);
                Map<Integer, Answer> answers = answers(statement, condition, there);
                return IntStream.range(0, rows.size()).mapToObj(row -> answers.getOrDefault(row, Answer.FAILS))
                        .toList();
            } finally {
                statement.execute("DROP TABLE " + CANDIDATES);
            }
        } catch (SQLException e) {
            throw ScratchDatabase.refused("could not be asked about " + condition, e);
        }
    }

    /** Inserts the rows, one by one those of a statement that the database refuses; returns those that it took. */
    private Set<Integer> inserted(List<Map<Field, Optional<String>>> rows) {
        Set<Integer> all = IntStream.range(0, rows.size()).boxed().collect(Collectors.toCollection(HashSet::new));
        if (rows.isEmpty() || scratch.takes(insert(rows, List.copyOf(all)))) {
            return all;
        }
        all.removeIf(row -> !scratch.takes(insert(rows, List.of(row))));
        return all;
    }

    private String insert(List<Map<Field, Optional<String>>> rows, List<Integer> which) {
        List<Field> fields = List.copyOf(rows.get(0).keySet());
        return which.stream().map(row -> "(" + row + fields.stream().map(field -> ", " + rows.get(row).get(field)
                        .map(text -> dialect.literal(field.column().type(), text)).orElse("NULL"))
                        .collect(Collectors.joining()) + ")")
                .collect(Collectors.joining(", ", "INSERT INTO " + CANDIDATES + " (" + NUMBER + columns(fields)
                        + ") VALUES ", ""));
    }

    /** A column without the checks of its domain, which are asked like those of the table. */
    private String unlimited(Field field) {
        return schema.domain(field.column()).map(domain -> "CAST(" + field.sqlName() + " AS " + domain.base().text()
                + ") AS " + field.sqlName()).orElse(field.sqlName());
    }

    private static String columns(Collection<Field> fields) {
        return fields.stream().map(field -> ", " + field.sqlName()).collect(Collectors.joining());
    }

    /** What becomes of a condition, row by row where it fails for some. */
    private static Map<Integer, Answer> answers(Statement statement, String condition, Set<Integer> rows) {
        String query = "SELECT " + NUMBER + " FROM " + CANDIDATES + " WHERE NOT (" + condition + ")";
        Optional<List<Integer>> breaking = numbers(statement, query);
        Map<Integer, Answer> answers = new HashMap<>();
        for (int row : rows) {
            Optional<List<Integer>> ofRow = breaking.isPresent() ? breaking
                    : numbers(statement, query + " AND " + NUMBER + " = " + row);
            ofRow.ifPresent(found -> answers.put(row, found.contains(row) ? Answer.BREAKS : Answer.KEEPS));
        }
        return answers;
    }

    /** What a query finds, or nothing if it fails. */
    private static Optional<List<Integer>> numbers(Statement statement, String query) {
        try (ResultSet row = statement.executeQuery(query)) {
            List<Integer> found = new ArrayList<>();
            while (row.next()) {
                found.add(row.getInt(1));
            }
            return Optional.of(found);
        } catch (SQLException e) {
            return Optional.empty();
        }
    }

    @Override
    public void close() {
        scratch.close();
    }
}
