package dev.vinekit.project;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Remark;
import dev.vinekit.source.SourceTree;
import dev.vinekit.source.TestedRule;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What a generated service is, as later runs need to know it.
 *
 * @param engine the engine's name
 * @param sourcesOnly whether it lies in a project that is not of our making
 * @param scope which tables were chosen, as text
 * @param secured whether it takes bearer tokens only
 * @param roles every role that may do something
 * @param basePackage the package that the generated packages lie in
 */
public record ServiceDescription(
        String engine, boolean sourcesOnly, List<String> scope, boolean secured, List<String> roles, String basePackage,
        List<TableDescription> tables) {
    public ServiceDescription {
        scope = scope == null ? List.of() : List.copyOf(scope);
        roles = roles == null ? List.of() : List.copyOf(roles);
        tables = List.copyOf(tables);
    }

    /**
     * A table or view.
     *
     * @param table its name in the database
     * @param sqlTable the table as statements spell it
     * @param view whether it is a view
     * @param entity the name of its class
     * @param remarks what a person should know
     * @param rules what the database keeps true of its rows
     */
    public record TableDescription(
            String table,
            String sqlTable,
            boolean view,
            String entity,
            String path,
            Set<Operation> operations,
            List<String> remarks,
            List<RuleDescription> rules) {
        public TableDescription {
            rules = rules == null ? List.of() : List.copyOf(rules);
        }
    }

    /**
     * A rule of the database.
     *
     * @param tests the methods of the controller's test that prove that the service keeps it
     * @param reason why it cannot be proved, or with tests, what they leave out; empty if nothing
     * @param unbreakable whether no request can break it
     */
    public record RuleDescription(String kind, String name, String text, List<String> tests, String reason,
            boolean unbreakable) {
        public RuleDescription {
            tests = tests == null ? List.of() : List.copyOf(tests);
        }

        static RuleDescription of(TestedRule rule) {
            return new RuleDescription(rule.kind(), rule.name(), rule.text(), rule.tests(), rule.reason().orElse(""),
                    rule.unbreakable());
        }
    }

    /**
     * The table that a class is about, as its name says: it begins with that of the entity, of several the longest.
     * What all tables share, in the package {@code support}, is about none.
     *
     * @param className with or without its package
     */
    public Optional<TableDescription> tableOf(String className) {
        String simple = className.substring(className.lastIndexOf('.') + 1);
        return className.startsWith(basePackage + ".support.") ? Optional.empty()
                : tables.stream().filter(table -> simple.matches("(?:Jdbc|Transactional)?"
                        + Pattern.quote(table.entity()) + "(?:\\p{Lu}.*)?"))
                .max(Comparator.comparingInt(table -> table.entity().length()));
    }

    public static ServiceDescription of(SourceTree sources, boolean sourcesOnly, List<String> scope) {
        Mapping mapping = sources.mapping();
        return new ServiceDescription(
                mapping.schema().engine(),
                sourcesOnly,
                scope,
                mapping.hasAccess(),
                mapping.roles(),
                mapping.basePackage().value(),
                mapping.entities().stream().map(entity -> new TableDescription(
                        entity.table().name().name(),
                        entity.sqlTable(),
                        entity.table().isView(),
                        entity.name().value(),
                        entity.path(),
                        entity.operations(),
                        mapping.remarks().stream().filter(remark -> remark.table().equals(entity.table().name()))
                                .map(Remark::text).toList(),
                        sources.rules().getOrDefault(entity.table().name(), List.of()).stream()
                                .map(RuleDescription::of).toList())).toList());
    }

    /** The same with some tables only; with all if none is named. */
    public ServiceDescription only(Set<String> names) {
        return names.isEmpty() ? this : new ServiceDescription(engine, sourcesOnly, scope, secured, roles, basePackage,
                tables.stream().filter(table -> names.contains(table.table())).toList());
    }
}
