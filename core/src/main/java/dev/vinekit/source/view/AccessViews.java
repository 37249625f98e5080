package dev.vinekit.source.view;

import dev.vinekit.mapping.Child;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Finder;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.OwnRows;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
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
                JavaName.of(operation.word()), right(entity, operation), needed(mapping, entity, operation),
                texts(entity.roles(operation)))).toList();
    }

    /** What the method of an operation asks for; of lists in part, it asks more itself. */
    private static List<JavaName> needed(Mapping mapping, Entity entity, Operation operation) {
        boolean inPart = operation == Operation.LIST && !entity.findersByRole().isEmpty();
        return !mapping.hasAccess() ? List.of() : List.of(inPart ? listOrFind(entity) : right(entity, operation));
    }

    /** Everything that it takes a role to do, whole operations and finders. */
    static List<EntityView.RightView> rights(Mapping mapping) {
        return !mapping.hasAccess() ? List.of() : mapping.entities().stream().flatMap(entity -> Stream.concat(
                entity.operations().stream().map(operation ->
                        new EntityView.RightView(right(entity, operation), texts(entity.roles(operation)))),
                ofFinders(entity))).toList();
    }

    private static Stream<EntityView.RightView> ofFinders(Entity entity) {
        List<Finder> finders = entity.findersByRole();
        return finders.isEmpty() ? Stream.of() : Stream.concat(
                Stream.of(new EntityView.RightView(listOrFind(entity), texts(entity.listers()))),
                finders.stream().map(finder ->
                        new EntityView.RightView(right(entity, finder), texts(finder.roles()))));
    }

    /** Those who may list what they find by some fields only. */
    static Optional<EntityView.PartView> parts(Entity entity) {
        return entity.findersByRole().isEmpty() ? Optional.empty() : Optional.of(new EntityView.PartView(
                right(entity, Operation.LIST), entity.findersByRole().stream().map(finder ->
                new EntityView.FindingView(right(entity, finder),
                        JavaCode.list(finder.parameters().stream().map(JavaString::of).toList()))).toList()));
    }

    private static JavaName listOrFind(Entity entity) {
        return JavaName.of(EntityViews.constant(entity) + "_LIST_OR_FIND");
    }

    private static JavaName right(Entity entity, Finder finder) {
        String name = byFields(finder);
        long before = entity.findersByRole().stream().takeWhile(other -> other != finder)
                .filter(other -> byFields(other).equals(name)).count();
        return JavaName.of(EntityViews.constant(entity) + "_LIST_BY_" + name + (before == 0 ? "" : "_" + (before + 1)));
    }

    private static String byFields(Finder finder) {
        return finder.fields().stream().map(field -> EntityViews.constant(field.name()).value()).collect(Collectors.joining("_AND_"))
                + (finder.match() == Finder.Match.EQUAL ? "" : "_" + finder.match());
    }

    private static JavaCode texts(List<String> roles) {
        return JavaCode.list(roles.stream().map(JavaString::of).toList());
    }

    static List<EntityView.AccessTest> tests(Mapping mapping, Entity entity) {
        return !mapping.hasAccess() ? List.of() : Stream.concat(
                entity.operations().stream().map(operation -> test(entity, operation)),
                entity.findersByRole().stream().map(finder -> test(entity, finder))).toList();
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

    private static EntityView.AccessTest test(Entity entity, Operation operation) {
        String segment = operation.isOfOneRow() ? "/no-such-row" + operation.below()
                : operation == Operation.LIST && !entity.findersByRole().isEmpty() ? "?limit=1" : "";
        return new EntityView.AccessTest(
                JavaString.of(operation.word()),
                JavaString.of(operation.method()),
                segment.isEmpty() ? Optional.empty() : Optional.of(JavaString.of(segment)),
                JavaString.of(operation.mediaType().orElse("application/json")),
                entity.roles(operation).stream().map(JavaString::of).toList());
    }

    private static EntityView.AccessTest test(Entity entity, Finder finder) {
        String query = finder.parameters().stream()
                .map(parameter -> URLEncoder.encode(parameter, StandardCharsets.UTF_8).replace("+", "%20") + "=1")
                .collect(Collectors.joining("&", "?", ""));
        return new EntityView.AccessTest(
                JavaString.of(finder.name().value()),
                JavaString.of(Operation.LIST.method()),
                Optional.of(JavaString.of(query)),
                JavaString.of("application/json"),
                entity.listers(finder).stream().map(JavaString::of).toList());
    }

    /** What it takes to list the rows that belong to a row: the rights to both tables, and to one that joins them. */
    static List<JavaName> ofChildren(Mapping mapping, Child child) {
        return !mapping.hasAccess() ? List.of() : Stream.of(
                toInclude(mapping, child.parent()).stream(), Stream.of(right(child.entity(), Operation.LIST)),
                child.link().flatMap(link -> toInclude(mapping, link.entity())).stream())
                .flatMap(rights -> rights).distinct().toList();
    }

    /** What it takes to see a row that another one refers to. */
    static Optional<JavaName> toInclude(Mapping mapping, Entity entity) {
        return mapping.hasAccess()
                ? Optional.of(right(entity, entity.seeing()))
                : Optional.empty();
    }

    private static JavaName right(Entity entity, Operation operation) {
        return JavaName.of(EntityViews.constant(entity) + "_" + operation.name());
    }
}
