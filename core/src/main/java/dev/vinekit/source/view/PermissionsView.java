package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Who may do what with a table, as annotations; none in a service that everybody may use.
 *
 * @param all every permission with its roles
 */
public record PermissionsView(
        Optional<JavaCode> list,
        Optional<JavaCode> create,
        Optional<JavaCode> read,
        Optional<JavaCode> replace,
        Optional<JavaCode> patch,
        Optional<JavaCode> delete,
        List<PermissionView> all) {
    /** A permission, and the roles that have it. */
    public record PermissionView(JavaName name, JavaCode roles) {
    }

    /**
     * A test of who may do an operation, with a request that would come to nothing.
     *
     * @param everybody whether a valid token is enough
     * @param others roles that may do other things only
     */
    public record AccessTest(
            JavaName operation, JavaString method, JavaCode path, JavaString contentType, JavaCode body,
            boolean everybody, List<JavaString> roles, List<JavaString> others) {
    }

    static List<AccessTest> tests(Mapping mapping, Entity entity) {
        return !mapping.hasAccess() ? List.of()
                : entity.operations().stream()
                .map(operation -> test(operation, entity.roles(operation), mapping.roles())).toList();
    }

    private static AccessTest test(Operation operation, List<String> roles, List<String> all) {
        boolean one = operation != Operation.LIST && operation != Operation.CREATE;
        boolean sends = operation == Operation.CREATE || operation == Operation.REPLACE || operation == Operation.PATCH;
        return new AccessTest(
                JavaName.of(operation.name().toLowerCase(Locale.ROOT)),
                JavaString.of(switch (operation) {
                    case LIST, READ -> "GET";
                    case CREATE -> "POST";
                    case REPLACE -> "PUT";
                    case PATCH -> "PATCH";
                    case DELETE -> "DELETE";
                }),
                one ? JavaCode.of("PATH + %s", JavaString.of("/%00")) : JavaCode.of("PATH"),
                JavaString.of(operation == Operation.PATCH ? "application/merge-patch+json" : "application/json"),
                sends ? JavaCode.of("%s", JavaString.of("[1]")) : JavaCode.of("null"),
                roles.contains("*"),
                roles.stream().map(JavaString::of).toList(),
                all.stream().filter(role -> !roles.contains(role)).map(JavaString::of).toList());
    }

    static PermissionsView of(Mapping mapping, Entity entity) {
        List<PermissionView> all = !mapping.hasAccess() ? List.of() : entity.operations().stream()
                .map(operation -> new PermissionView(name(entity, operation),
                        JavaCode.list(entity.roles(operation).stream().map(JavaString::of).toList())))
                .toList();
        return new PermissionsView(of(mapping, entity, Operation.LIST), of(mapping, entity, Operation.CREATE),
                of(mapping, entity, Operation.READ), of(mapping, entity, Operation.REPLACE),
                of(mapping, entity, Operation.PATCH), of(mapping, entity, Operation.DELETE), all);
    }

    private static Optional<JavaCode> of(Mapping mapping, Entity entity, Operation operation) {
        return mapping.hasAccess() && entity.can(operation)
                ? Optional.of(JavaCode.of("@Requires(AccessRight.%s)", name(entity, operation))) : Optional.empty();
    }

    /** What it takes to list the rows that belong to a row. */
    static Optional<JavaCode> ofChildren(Mapping mapping, Entity parent, Entity children) {
        if (!mapping.hasAccess()) {
            return Optional.empty();
        }
        JavaName read = name(parent, parent.can(Operation.READ) ? Operation.READ : Operation.LIST);
        JavaName list = name(children, Operation.LIST);
        return Optional.of(read.equals(list) ? JavaCode.of("@Requires(AccessRight.%s)", list)
                : JavaCode.of("@Requires({AccessRight.%s, AccessRight.%s})", read, list));
    }

    /** What it takes to see a row that another one refers to. */
    static Optional<JavaCode> toInclude(Mapping mapping, Entity entity) {
        return mapping.hasAccess() ? Optional.of(JavaCode.of("AccessRight.%s",
                name(entity, entity.can(Operation.READ) ? Operation.READ : Operation.LIST))) : Optional.empty();
    }

    private static JavaName name(Entity entity, Operation operation) {
        return JavaName.of(EntityViews.constant(entity) + "_" + operation.name());
    }
}
