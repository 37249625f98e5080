package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.OwnRows;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
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

    /** The roles to which not all rows are shown, of whichever table. */
    static List<String> ownerRoles(Mapping mapping) {
        Set<String> everything = mapping.entities().stream().flatMap(entity -> entity.ownRows().stream())
                .flatMap(own -> own.everything().stream()).collect(Collectors.toSet());
        return mapping.roles().stream().filter(role -> !everything.contains(role)).toList();
    }

    /** The claims that say whose rows are, each with a value that somebody may have. */
    static Map<String, String> claims(Mapping mapping) {
        Map<String, String> claims = new TreeMap<>();
        for (Entity entity : mapping.entities()) {
            entity.ownRows().filter(OwnRows::isDirect).ifPresent(own -> claims.merge(own.claim(),
                    entity.field(own.column()).type() == JavaType.UUID ? new UUID(1, 1).toString() : "1000003",
                    (one, other) -> one.length() > other.length() ? one : other));
        }
        mapping.entities().stream().flatMap(entity -> entity.fields().stream()).filter(AccessViews::isSignature)
                .forEach(field -> claims.merge("sub", field.type() == JavaType.UUID ? new UUID(1, 1).toString() : "1",
                        (one, other) -> one.length() > other.length() ? one : other));
        return claims;
    }

    /** Whether a field says who made or changed a row. */
    private static boolean isSignature(Field field) {
        return field.filling().isStamp() && !field.filling().isMoment();
    }

    /** Whether there are rows that cannot be made by anybody without a claim. */
    static boolean isNeeded(Mapping mapping, String claim) {
        return claim.equals("sub") && mapping.entities().stream().flatMap(entity -> entity.fields().stream())
                .anyMatch(AccessViews::isSignature) || mapping.entities().stream().anyMatch(entity -> entity.ownRows()
                .filter(own -> own.isDirect() && own.claim().equals(claim))
                .filter(own -> entity.field(own.column()).isFilledByService()).isPresent());
    }

    /** What those may do with the rows of a table to whom not all rows are shown. */
    static List<Operation> ofOwners(Mapping mapping, Entity entity) {
        List<String> owners = ownerRoles(mapping);
        return entity.operations().stream().filter(operation -> entity.roles(operation).stream()
                .anyMatch(role -> role.equals("*") || owners.contains(role))).toList();
    }

    private static EntityView.AccessTest test(Operation operation, List<String> roles) {
        return new EntityView.AccessTest(
                JavaString.of(operation.word()),
                JavaString.of(operation.method()),
                operation.isOfOneRow() ? Optional.of(JavaString.of("/%00" + operation.below())) : Optional.empty(),
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
