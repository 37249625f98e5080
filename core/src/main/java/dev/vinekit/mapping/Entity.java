package dev.vinekit.mapping;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * A table as the generated code sees it.
 *
 * @param name of the class, singular
 * @param variable the name of a value of the class
 * @param title the name in running text, singular and lower case
 * @param path the collection's path segment, plural
 * @param sqlTable the table as statements spell it
 * @param keyName the class of a key of several fields
 * @param keyColumns the columns of the key that names a row, in its order; empty if rows have no name
 * @param filters the fields that a list can be narrowed by
 * @param finders queries with a method of their own
 * @param rowRules rules that the service checks
 * @param checks the fields that each check constraint is about
 * @param versionColumn the column that numbers the states of a row, if there is one
 * @param access the roles that may do an operation, {@code *} for everybody with a token; empty if nothing is said
 * @param ownRows whose the rows are; empty if they are anybody's
 * @param guarded whether a client that changes or deletes a row must say which state of it
 * @param cacheSeconds how long clients may use an answer with rows again without asking; 0 for not at all
 * @param transactional whether what a transaction did to the table can be taken back
 */
public record Entity(
        Table table,
        JavaName name,
        JavaName variable,
        String title,
        String path,
        String sqlTable,
        List<Field> fields,
        List<String> keyColumns,
        Optional<JavaName> keyName,
        List<Field> filters,
        List<Finder> finders,
        List<Relation> relations,
        List<RowRule> rowRules,
        List<CheckedFields> checks,
        Set<Operation> operations,
        Optional<String> versionColumn,
        Map<Operation, List<String>> access,
        Optional<OwnRows> ownRows,
        boolean guarded,
        int cacheSeconds,
        boolean transactional) {

    /**
     * A check constraint and the fields that it is about.
     *
     * @param constraint as the database reports it
     * @param fieldRules the rules for single fields that it comes to
     * @param listed the fields whose values it lists
     * @param rowRules the rules for rows that it comes to
     * @param understood whether the service checks all of it too
     */
    public record CheckedFields(
            String constraint, Check check, List<Field> fields, Map<Field, List<FieldRule>> fieldRules,
            List<Field> listed,
            List<RowRule> rowRules, boolean understood) {
        public CheckedFields {
            fields = List.copyOf(fields);
            fieldRules = Collections.unmodifiableMap(new LinkedHashMap<>(fieldRules));
            listed = List.copyOf(listed);
            rowRules = List.copyOf(rowRules);
        }
    }

    public Entity {
        fields = List.copyOf(fields);
        keyColumns = List.copyOf(keyColumns);
        filters = List.copyOf(filters);
        finders = List.copyOf(finders);
        relations = List.copyOf(relations);
        rowRules = List.copyOf(rowRules);
        checks = List.copyOf(checks);
        access = Map.copyOf(access);
        operations = Collections.unmodifiableSet(new TreeSet<>(operations));
    }

    /** In a mapping there is one entity for a table. */
    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Entity entity && name.equals(entity.name) && table.equals(entity.table)
                && fields.equals(entity.fields);
    }

    @Override
    public int hashCode() {
        return table.name().hashCode();
    }

    /**
     * The roles that may do an operation, {@code *} for everybody with a token. Where only one way of reading or of
     * changing is spoken of, it stands for the other.
     */
    public List<String> roles(Operation operation) {
        return roles(access, operation);
    }

    static List<String> roles(Map<Operation, List<String>> access, Operation operation) {
        return access.isEmpty() ? List.of("*") : access.getOrDefault(operation, access.getOrDefault(operation.alike(), List.of()));
    }

    /** The finders that there are roles for. */
    public List<Finder> findersByRole() {
        return finders.stream().filter(finder -> !finder.roles().isEmpty()).toList();
    }

    /** The roles that may see a list, be it only what a finder finds. */
    public List<String> listers() {
        return Stream.concat(roles(Operation.LIST).stream(), finders.stream().flatMap(finder -> finder.roles().stream()))
                .distinct().toList();
    }

    /** The roles that may list what a request finds that names all of a finder's parameters. */
    public List<String> listers(Finder wanted) {
        return Stream.concat(roles(Operation.LIST).stream(),
                finders.stream().filter(finder -> wanted.parameters().containsAll(finder.parameters()))
                        .flatMap(finder -> finder.roles().stream())).distinct().toList();
    }

    /** The field that says when a row was deleted, where deleted rows stay. */
    public Optional<Field> deletion() {
        return fields.stream().filter(field -> field.filling() == Filling.DELETED_AT).findFirst();
    }

    /** Whether there are rows that are not there for a caller: those of others, or deleted ones. */
    public boolean isScoped() {
        return ownRows.isPresent() || deletion().isPresent();
    }

    /** The field that numbers the states of a row, if there is one. */
    public Optional<Field> version() {
        return versionColumn.map(this::field);
    }

    /** The fields of the key, in the key's order; empty if rows have no name. */
    public List<Field> key() {
        return keyColumns.stream().map(this::field).toList();
    }

    /** The fields to tell rows apart by if there is no key: those whose values can be compared. */
    public List<Field> comparable() {
        List<Field> exact = comparables()
                .filter(field -> field.type() != JavaType.FLOAT && field.type() != JavaType.DOUBLE).toList();
        return exact.isEmpty() ? comparables().toList() : exact;
    }

    /** The fields that rows without a key are sorted by, those that are often long last. */
    public List<Field> sortable() {
        return comparable().stream().sorted(Comparator.comparing(field -> field.column().type().isOftenLong()))
                .toList();
    }

    private Stream<Field> comparables() {
        return fields.stream().filter(field -> field.told() && field.column().type().isScalar()
                && field.column().type().kind() != SqlType.Kind.OTHER);
    }

    /** The operation whose right is the right to see rows of this entity. */
    public Operation seeing() {
        return can(Operation.READ) ? Operation.READ : Operation.LIST;
    }

    public boolean can(Operation operation) {
        return operations.contains(operation);
    }

    /** Whether rows can be inserted at all, be it by clients or not. */
    public boolean isInsertable() {
        return !table.isView() && fields.stream().allMatch(field -> field.input() != Field.Input.READ_ONLY
                || field.column().nullable() || field.column().isFilledByDatabase() || field.isFilledByService());
    }

    /** Whether clients write rows at all. */
    public boolean isWritable() {
        return can(Operation.CREATE) || isUpdatable();
    }

    /** Whether clients change rows. */
    public boolean isUpdatable() {
        return can(Operation.REPLACE) || can(Operation.PATCH);
    }

    /** The fields that a client reads. */
    public List<Field> told() {
        return fields.stream().filter(Field::told).toList();
    }

    /** The fields that a client may send and does not read. */
    public List<Field> secrets() {
        return inputs().stream().filter(field -> !field.told()).toList();
    }

    /**
     * The fields that a row of a seed has values for: those that clients send, those that the service fills, and the
     * numbers of rows.
     */
    public List<Field> seeded() {
        return fields.stream()
                .filter(field -> field.input() != Field.Input.READ_ONLY || field.isFilledByService()
                        || field.isNumbered() && !table.isView()).toList();
    }

    /** The fields that a client may send. */
    public List<Field> inputs() {
        return fields.stream().filter(field -> field.input() != Field.Input.READ_ONLY).toList();
    }

    /**
     * The field of a column.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Field field(String column) {
        return fields.stream().filter(field -> field.column().name().equals(column)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no column " + column + " in " + table.name()));
    }
}
