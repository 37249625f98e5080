package dev.vinekit.project;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Remark;
import java.util.List;
import java.util.Set;

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
     */
    public record TableDescription(
            String table,
            String sqlTable,
            boolean view,
            String entity,
            String path,
            Set<Operation> operations,
            List<String> remarks) {
    }

    public static ServiceDescription of(Mapping mapping, boolean sourcesOnly, List<String> scope) {
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
                                .map(Remark::text).toList())).toList());
    }
}
