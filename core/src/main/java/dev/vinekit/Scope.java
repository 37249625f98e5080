package dev.vinekit;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Nearest;
import dev.vinekit.fault.Remedy;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Which part of a database to read. The tables that a chosen one needs come along.
 *
 * @param schemas schemas by name; the connection's default schema if empty
 * @param tables tables by name, in any case, with {@code *} for any letters; all if empty
 * @param excluded tables to leave out, likewise; views that read one of them are left out too
 */
public record Scope(List<String> schemas, List<String> tables, List<String> excluded) {
    public Scope {
        schemas = List.copyOf(schemas);
        tables = List.copyOf(tables);
        excluded = List.copyOf(excluded);
    }

    /** A scope that leaves nothing out. */
    public Scope(List<String> schemas, List<String> tables) {
        this(schemas, tables, List.of());
    }

    /** The default schema, with all its tables. */
    public static Scope all() {
        return new Scope(List.of(), List.of());
    }

    /** This scope as text that is the same for scopes that choose alike. */
    List<String> words() {
        return Stream.of(schemas.stream().map(name -> "schema " + name), tables.stream().map(name -> "table " + name),
                excluded.stream().map(name -> "not " + name)).flatMap(Function.identity()).sorted().toList();
    }

    /**
     * The tables of a schema that are named here, without those that they need.
     *
     * @throws Fault if a name fits no table
     */
    public Set<TableName> chosen(Schema schema) {
        Set<TableName> chosen = new LinkedHashSet<>();
        for (String pattern : tables) {
            List<TableName> matches = schema.tables().stream().map(Table::name)
                    .filter(name -> matches(pattern, name)).toList();
            if (matches.isEmpty()) {
                throw noSuchTable(pattern, schema);
            }
            chosen.addAll(matches);
        }
        return chosen;
    }

    /**
     * A schema without what is not named here.
     *
     * @param others schemas of the database that have tables
     */
    Schema narrow(Schema schema, List<String> others) {
        if (schema.tables().isEmpty()) {
            String where = !schemas.isEmpty() ? "schema " + String.join(", ", schemas)
                    : schema.defaultSchema().isEmpty() ? "this database" : "schema " + schema.defaultSchema();
            throw Fault.inCall("There are no tables in " + where + ", or the login may not see them.", others.isEmpty()
                    ? Remedy.of(Remedy.Kind.NAME_SCHEMA)
                    : Remedy.of(Remedy.Kind.NAME_ONE_OF_SCHEMAS, String.join(", ", others)));
        }
        return withoutExcluded(tables.isEmpty() ? schema : schema.narrowedTo(chosen(schema)));
    }

    private Schema withoutExcluded(Schema schema) {
        Set<TableName> gone = schema.tables().stream().map(Table::name)
                .filter(name -> excluded.stream().anyMatch(pattern -> matches(pattern, name)))
                .collect(Collectors.toSet());
        int before;
        do {
            before = gone.size();
            schema.tables().stream().filter(table -> table.isView() && table.needs().stream().anyMatch(gone::contains))
                    .forEach(view -> gone.add(view.name()));
        } while (gone.size() > before);
        if (gone.isEmpty()) {
            return schema;
        }
        if (gone.size() == schema.tables().size()) {
            throw Fault.inCall("Every table is left out by " + String.join(", ", excluded) + ".", "Leave out fewer.");
        }
        return schema.withTables(schema.tables().stream().filter(table -> !gone.contains(table.name())).toList());
    }

    /**
     * The tables of a project that are named here.
     *
     * @throws Fault if a name fits no table
     */
    public Set<String> chosen(ServiceDescription service) {
        List<String> all = service.tables().stream().map(ServiceDescription.TableDescription::table).toList();
        Set<String> chosen = new LinkedHashSet<>();
        for (String pattern : tables) {
            List<String> matches = all.stream().filter(name -> matches(pattern, new TableName("", name))).toList();
            if (matches.isEmpty()) {
                throw Fault.inCall("The project has no table named " + pattern + ".",
                        "The nearest name is " + Nearest.of(pattern, all).orElse("") + ".");
            }
            chosen.addAll(matches);
        }
        return chosen;
    }

    private static boolean matches(String pattern, TableName name) {
        String regex = Arrays.stream(pattern.split("\\*", -1)).map(Pattern::quote).collect(Collectors.joining(".*"));
        Pattern compiled = Pattern.compile(regex, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.DOTALL);
        return compiled.matcher(name.name()).matches() || compiled.matcher(name.toString()).matches();
    }

    private static Fault noSuchTable(String pattern, Schema schema) {
        String nearest = Nearest.of(pattern, schema.tables().stream().map(table -> table.name().name()).toList())
                .orElse("");
        return Fault.inCall("There is no table or view named " + pattern + ".",
                "The nearest name is " + nearest + "; inspect lists them all.");
    }
}
