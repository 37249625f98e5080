package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What can be done with the rows of a table, and who may do it. */
final class AccessViews {
    private AccessViews() {
    }

    static List<EntityView.OperationView> operations(Mapping mapping, Entity entity) {
        return entity.operations().stream().map(operation -> new EntityView.OperationView(
                JavaName.of(operation.word()), right(entity, operation),
                mapping.hasAccess() ? List.of(right(entity, operation)) : List.of(),
                JavaCode.list(entity.roles(operation).stream().map(JavaString::of).toList()))).toList();
    }

    static List<EntityView.AccessTest> tests(Mapping mapping, Entity entity) {
        return !mapping.hasAccess() ? List.of()
                : entity.operations().stream()
                .map(operation -> test(operation, entity.roles(operation))).toList();
    }

    private static EntityView.AccessTest test(Operation operation, List<String> roles) {
        return new EntityView.AccessTest(
                JavaString.of(operation.word()),
                JavaString.of(operation.method()),
                operation.isOfOneRow(),
                JavaString.of(operation.mediaType().orElse("application/json")),
                roles.stream().map(JavaString::of).toList());
    }

    /** What it takes to list the rows that belong to a row. */
    static List<JavaName> ofChildren(Mapping mapping, Entity parent, Entity children) {
        return Stream.concat(toInclude(mapping, parent).stream(),
                        mapping.hasAccess() ? Stream.of(right(children, Operation.LIST)) : Stream.of())
                .distinct().toList();
    }

    /** What it takes to see a row that another one refers to. */
    static Optional<JavaName> toInclude(Mapping mapping, Entity entity) {
        return mapping.hasAccess()
                ? Optional.of(right(entity, entity.can(Operation.READ) ? Operation.READ : Operation.LIST))
                : Optional.empty();
    }

    private static JavaName right(Entity entity, Operation operation) {
        return JavaName.of(EntityViews.constant(entity) + "_" + operation.name());
    }
}
