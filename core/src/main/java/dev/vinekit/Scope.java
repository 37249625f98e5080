package dev.vinekit;

import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Which part of a database to read. The tables that a chosen one needs come along.
 *
 * @param schemas schemas by name; the connection's default schema if empty
 * @param tables tables by name, in any case, with {@code *} for any letters; all if empty
 */
public record Scope(List<String> schemas, List<String> tables) {
    public Scope {
        schemas = List.copyOf(schemas);
        tables = List.copyOf(tables);
    }

    /** The default schema, with all its tables. */
    public static Scope all() {
        return new Scope(List.of(), List.of());
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

    Schema narrow(Schema schema) {
        if (schema.tables().isEmpty()) {
            throw Fault.inCall("There are no tables in schema " + (schemas.isEmpty() ? schema.defaultSchema()
                            : String.join(", ", schemas)) + ", or the login may not see them.",
                    "Name another schema with --schema, or grant the login the right to read the tables.");
        }
        return tables.isEmpty() ? schema : schema.narrowedTo(chosen(schema));
    }

    private static boolean matches(String pattern, TableName name) {
        String regex = Arrays.stream(pattern.split("\\*", -1)).map(Pattern::quote).collect(Collectors.joining(".*"));
        Pattern compiled = Pattern.compile(regex, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.DOTALL);
        return compiled.matcher(name.name()).matches() || compiled.matcher(name.toString()).matches();
    }

    private static Fault noSuchTable(String pattern, Schema schema) {
        String wanted = pattern.toLowerCase(Locale.ROOT);
        String nearest = schema.tables().stream().map(table -> table.name().name())
                .min(Comparator.comparingInt(name -> distance(wanted, name.toLowerCase(Locale.ROOT)))).orElse("");
        return Fault.inCall("There is no table or view named " + pattern + ".",
                "The nearest name is " + nearest + "; inspect lists them all.");
    }

    /** Letters to insert, delete or change (Levenshtein distance). */
    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        Arrays.setAll(row, i -> i);
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(change, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[b.length()];
    }
}
