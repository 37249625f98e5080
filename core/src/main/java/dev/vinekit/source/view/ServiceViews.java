package dev.vinekit.source.view;

import dev.vinekit.data.SampleRows;
import dev.vinekit.mapping.Conventions;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Feature;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Limits;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.EngineTraits;
import dev.vinekit.source.TestedRule;
import dev.vinekit.sql.Dialect;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes the view of a service. */
public final class ServiceViews {
    private ServiceViews() {
    }

    /**
     * Everything that the templates see.
     *
     * @param dialect the SQL of the engine
     * @param locals the names that methods use beside those of fields, which no parameter may have
     */
    public static ServiceView of(
            Mapping mapping, EngineTraits engine, Dialect dialect, SampleRows samples, Set<String> locals) {
        String engineTitle = engine.title();
        List<ServiceView.LibraryView> libraries = engine.libraries().stream()
                .map(library -> new ServiceView.LibraryView(DocText.of(library.group()), DocText.of(library.artifact()),
                        DocText.of(library.version()), DocText.of(library.scope())))
                .toList();
        EntityViews maker = new EntityViews(mapping, dialect, samples, locals);
        Map<TableName, EntityView> views = new LinkedHashMap<>();
        mapping.entities().forEach(entity -> views.put(entity.table().name(), maker.of(entity)));
        List<EntityView> entities = List.copyOf(views.values());
        return new ServiceView(
                mapping.basePackage(),
                DocText.of(mapping.artifact()),
                JavaString.of(mapping.artifact()),
                DocText.of(("AEIOUHS".indexOf(engineTitle.charAt(0)) >= 0 ? "an " : "a ") + engineTitle),
                DocText.of(engine.exampleUrl()),
                JavaString.of(dialect.insertOfDefaults()),
                uses(mapping, JavaType.BINARY),
                fields(mapping).anyMatch(field -> Stream.concat(field.rules().stream(), field.memberRules().stream())
                        .anyMatch(FieldRule.Bytes.class::isInstance)),
                fields(mapping).anyMatch(field -> !dialect.readsTyped(field.column().type())),
                fields(mapping).anyMatch(Field::isUuidInBytes) && !dialect.readsUuids(),
                fields(mapping).anyMatch(FieldViews::isAsText),
                uses(mapping, JavaType.JSON),
                fields(mapping).anyMatch(field -> field.rules().contains(new FieldRule.Scalar())),
                uses(mapping, JavaType.JSON) && dialect.roundsDocuments(),
                uses(mapping, JavaType.JSON) && dialect.roundsLoneNumbers(),
                uses(mapping, JavaType.LIST),
                dialect.cursorsInTransactions(),
                dialect.years().ofDates(),
                dialect.years().ofMoments(),
                dialect.years().endless(),
                dialect.keeps(Double.POSITIVE_INFINITY),
                dialect.keeps(Double.NaN),
                fields(mapping).anyMatch(field -> !field.jsonName().equals(field.name().value())),
                fields(mapping).anyMatch(field -> field.converter().isPresent()),
                fields(mapping).anyMatch(field -> field.overridden() && field.type().isPrimitive()),
                fields(mapping).anyMatch(field -> field.type() == JavaType.BIG_DECIMAL && FieldViews.isFloating(field)),
                maker.relations().hasCompositeLookups(),
                mapping.conventions().layout() == Conventions.Layout.BY_TABLE,
                mapping.conventions().interfaces(),
                mapping.conventions().indentation().equals("\t") ? 0 : mapping.conventions().indentation().length(),
                dialect.returnsRows(),
                dialect.comparesRows(),
                dialect.sortsNullsFirst(),
                dialect.page().startsWith("OFFSET"),
                JavaString.of(dialect.limit()),
                JavaString.of(dialect.page()),
                mapping.entities().stream().anyMatch(entity -> entity.version().isPresent()),
                mapping.entities().stream().anyMatch(entity -> !entity.secrets().isEmpty()),
                mapping.entities().stream().anyMatch(Entity::guarded),
                mapping.entities().stream().anyMatch(entity -> entity.cacheSeconds() > 0),
                mapping.hasAccess(),
                mapping.entities().stream().anyMatch(entity -> entity.ownRows().isPresent()),
                fields(mapping).anyMatch(field -> field.filling().isStamp()),
                mapping.entities().stream().anyMatch(entity -> entity.deletion().isPresent()),
                mapping.entities().stream().anyMatch(Entity::isScoped),
                dialect.sharedLock().isEmpty() ? Optional.empty() : Optional.of(JavaString.of(dialect.sharedLock())),
                fields(mapping).anyMatch(field -> field.filling().isStamp() && !field.filling().isMoment()),
                dialect.lock().isEmpty() ? Optional.empty() : Optional.of(JavaString.of(dialect.lock().strip())),
                mapping.handover().map(handover -> new ServiceView.HandoverView(
                        JavaString.of(handover.sql()), JavaString.of(handover.claim()))),
                JavaCode.list(AccessViews.ownerRoles(mapping).stream().map(JavaString::of).toList()),
                AccessViews.claims(mapping).entrySet().stream().map(claim -> new ServiceView.ClaimView(
                        JavaString.of(claim.getKey()), JavaString.of(claim.getValue()),
                        AccessViews.isNeeded(mapping, claim.getKey()))).toList(),
                AccessViews.rights(mapping),
                mapping.entities().stream().anyMatch(entity -> !entity.findersByRole().isEmpty()),
                JavaCode.list(mapping.roles().stream().map(JavaString::of).toList()),
                JavaString.of(mapping.conventions().basePath()),
                DocText.of(mapping.conventions().basePath()),
                mapping.conventions().server(),
                JavaString.of("/" + resources(mapping) + "openapi.json"),
                engine.pooled(),
                mapping.conventions().features().stream()
                        .filter(feature -> feature != Feature.REPLICAS && feature != Feature.FAILOVER || engine.replicates())
                        .toList(),
                new ServiceView.LimitsView(
                        Limits.ROWS_OF_A_PAGE, Limits.USUAL_ROWS_OF_A_PAGE, Limits.ROWS_TO_CREATE),
                entities,
                mapping.inReferenceOrder().stream().filter(entity -> !entity.table().isView())
                        .map(entity -> views.get(entity.table().name())).toList(),
                entities.stream().filter(entity -> entity.can("list")).map(EntityView::collection).findFirst(),
                writable(mapping).findFirst().map(entity -> views.get(entity.table().name()).collection()),
                writable(mapping).anyMatch(Entity::transactional),
                libraries,
                mapping.remarks().stream().map(remark -> new ServiceView.RemarkView(
                        DocText.of(remark.table().name()), DocText.of(remark.text()))).toList());
    }

    /** The entities whose rows clients create, those first that accept several at once. */
    private static Stream<Entity> writable(Mapping mapping) {
        return mapping.entities().stream().filter(entity -> entity.can(Operation.CREATE))
                .sorted(Comparator.comparing(entity -> !entity.transactional()));
    }

    /** The rules of every table, with the names of the tests that prove them. */
    public static Map<TableName, List<TestedRule>> rules(
            Mapping mapping, Dialect dialect, SampleRows samples, Set<String> locals) {
        TestViews tests = new TestViews(mapping, new RelationViews(mapping, locals), dialect, samples);
        return mapping.entities().stream().collect(Collectors.toMap(entity -> entity.table().name(), tests::rules));
    }

    private static Stream<Field> fields(Mapping mapping) {
        return mapping.entities().stream().flatMap(entity -> entity.fields().stream());
    }

    private static boolean uses(Mapping mapping, JavaType type) {
        return fields(mapping).anyMatch(field -> field.type() == type
                || field.member().filter(type::equals).isPresent());
    }

    /**
     * The folder of the class path for files that the service reads: one of its own, where others have theirs on the
     * same path.
     */
    public static String resources(Mapping mapping) {
        return mapping.conventions().server() ? "" : mapping.basePackage().value().replace('.', '/') + "/";
    }
}
