package dev.vinekit.mapping;

import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Decides what clients can do with the rows of a table: what the table allows, and of that what a person wants. */
final class OperationChoice {
    private final Table table;
    private final Dialect dialect;
    private final DecisionLookup.OfTable decided;
    private final Map<Operation, List<String>> access;
    private final List<Remark> remarks;
    private final List<String> children;
    private final Set<Operation> refused;

    /**
     * For a table.
     *
     * @param children tables that have its columns too
     * @param refused what the database does not do here
     * @param access the roles for each operation; empty if there is no access control
     * @param remarks takes what a person should know
     */
    OperationChoice(Table table, List<String> children, Set<Operation> refused, Dialect dialect,
            DecisionLookup.OfTable decided,
            Map<Operation, List<String>> access, List<Remark> remarks) {
        this.table = table;
        this.children = children;
        this.refused = refused;
        this.dialect = dialect;
        this.decided = decided;
        this.access = access;
        this.remarks = remarks;
    }

    Set<Operation> of(List<Field> fields, List<String> keyColumns) {
        Set<Operation> possible = possible(fields, keyColumns);
        possible.removeAll(refused);
        return chosen(possible);
    }

    /** The roles that may do an operation, as they were decided. */
    static Map<Operation, List<String>> access(Map<String, List<String>> decided) {
        Map<Operation, List<String>> access = new EnumMap<>(Operation.class);
        decided.forEach((operation, roles) -> access.put(Operation.of(operation), roles));
        return access;
    }

    private Set<Operation> chosen(Set<Operation> possible) {
        String allowed = possible.stream().sorted().map(Operation::word)
                .collect(Collectors.joining(", "));
        for (String operation : decided.decided().access().keySet()) {
            if (!possible.contains(Operation.of(operation))) {
                decided.mistake("The table does not have this operation; it has " + allowed + ".", "access", operation);
            }
        }
        Set<Operation> kept = EnumSet.noneOf(Operation.class);
        kept.addAll(decided.decided().operations().isPresent() ? wanted(possible, allowed) : possible);
        List<String> closed = kept.stream().filter(operation -> Entity.roles(access, operation).isEmpty())
                .map(Operation::word).toList();
        if (!closed.isEmpty()) {
            remark(Remark.Topic.OPERATION, "No role may do this, so the service does not have it: "
                    + String.join(", ", closed) + ". Name roles under access, or \"*\" for everybody with a token"
                    + (decided.decided().access().isEmpty() ? "; http.other-tables opens all tables like this one."
                            : "."));
        }
        kept.removeIf(operation -> Entity.roles(access, operation).isEmpty());
        return kept;
    }

    private Set<Operation> wanted(Set<Operation> possible, String allowed) {
        Set<Operation> wanted = decided.decided().operations().get();
        wanted.stream().filter(operation -> !possible.contains(operation)).forEach(operation ->
                decided.mistake("\"" + operation.word()
                        + "\" is not possible on this table; possible are " + allowed + ".", "operations"));
        return wanted.stream().filter(possible::contains).collect(Collectors.toSet());
    }

    private Set<Operation> possible(List<Field> fields, List<String> keyColumns) {
        Set<Operation> operations = EnumSet.of(Operation.LIST);
        if (table.isView()) {
            if (keyColumns.isEmpty()) {
                remarks.add(new Remark(table.name(), Remark.Topic.KEY,
                        "A view: it can be listed, nothing else; with a key, its rows can be "
                        + "read one by one.", List.of("key"), ""));
            } else {
                operations.add(Operation.READ);
            }
            return operations;
        }
        Optional<Field> blocking = fields.stream()
                .filter(field -> field.input() == Field.Input.READ_ONLY)
                .filter(field -> !field.column().nullable() && !field.column().isFilledByDatabase()
                        && !field.isFilledByService())
                .findFirst();
        if (blocking.isPresent()) {
            remark(Remark.Topic.OPERATION, "No rows can be created: " + blocking.get().column().name()
                    + " must have a value.");
        } else {
            operations.add(Operation.CREATE);
        }
        if (!children.isEmpty()) {
            remark(Remark.Topic.STORAGE,
                    "Other tables have its columns too, and rows of their own: here are only its own, not those of "
                    + String.join(", ", children) + ".");
        }
        if (!dialect.isTransactional(table)) {
            remark(Remark.Topic.STORAGE,
                    "Its storage engine knows no transactions: what a request wrote before it failed stays.");
        }
        if (keyColumns.isEmpty()) {
            String why = table.primaryKey().map(key -> key.columns().stream().map(table::column)
                    .filter(column -> !column.type().isScalar())
                    .map(column -> column.name()
                            + (column.type().text().isEmpty() ? "" : " (" + column.type().text() + ")"))
                    .collect(Collectors.joining(", ", "The primary key has values that cannot be part of a path, of ", "")))
                    .orElse("No primary key, and no unique one without NULL");
            remarks.add(new Remark(table.name(), Remark.Topic.KEY, why + ": rows can be listed and "
                    + "created, but not read, changed or deleted one by one.", List.of("key"), ""));
            return operations;
        }
        operations.add(Operation.READ);
        operations.add(Operation.DELETE);
        if (fields.stream().anyMatch(field -> field.filling() == Filling.DELETED_AT)) {
            operations.add(Operation.RESTORE);
        }
        if (fields.stream().anyMatch(Field::updatable)) {
            operations.add(Operation.REPLACE);
            operations.add(Operation.PATCH);
        } else {
            remark(Remark.Topic.OPERATION,
                    "Every writable column belongs to the key: rows are created and deleted, there is nothing to change.");
        }
        return operations;
    }

    private void remark(Remark.Topic topic, String text) {
        remarks.add(new Remark(table.name(), topic, text));
    }
}
