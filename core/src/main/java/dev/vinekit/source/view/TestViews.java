package dev.vinekit.source.view;

import dev.vinekit.data.Proof;
import dev.vinekit.data.SampleRow;
import dev.vinekit.data.SampleRows;
import dev.vinekit.data.Trial;
import dev.vinekit.data.TriggerEffects;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.source.TestedRule;
import dev.vinekit.sql.Dialect;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Decides what the tests of a table do. */
final class TestViews {
    private final Mapping mapping;
    private final SampleViews samples;
    private final RelationTestViews tied;
    private final TriggerEffects triggers;
    private final Dialect dialect;
    private final Map<TableName, Integer> order = new HashMap<>();

    TestViews(Mapping mapping, RelationViews relations, Dialect dialect, SampleRows samples) {
        this.mapping = mapping;
        this.dialect = dialect;
        List<Entity> inOrder = mapping.inReferenceOrder();
        for (int i = 0; i < inOrder.size(); i++) {
            order.put(inOrder.get(i).table().name(), i);
        }
        this.triggers = samples.triggers();
        this.samples = new SampleViews(mapping, samples, dialect);
        this.tied = new RelationTestViews(mapping, relations, this.samples);
    }

    EntityView.TestView of(Entity entity, Map<Field, FieldView> views) {
        SampleRow sample = samples.row(entity, false);
        SampleRow other = samples.row(entity, true);
        List<Proof> proofs = samples.proofs(entity);
        boolean creates = samples.isCreated(entity);
        RuleViews rules = RuleViews.of(mapping, proofs);
        List<Field> patched = patched(entity, sample, other);
        return new EntityView.TestView(
                samples.of(entity, false),
                samples.of(entity, true),
                samples.alone(entity),
                creates,
                samples.isFillable(entity),
                touched(entity),
                rules.views(),
                duplicable(proofs).stream().map(views::get).toList(),
                creates ? tied.includeTests(entity, sample) : List.of(),
                creates ? tied.childTests(entity, sample) : List.of(),
                tied.finderTests(entity, sample),
                entity.filters().stream().filter(field -> sample.has(field) || field.inKey())
                        .filter(field -> field.type() != JavaType.FLOAT && field.type() != JavaType.DOUBLE)
                        .map(views::get).toList(),
                entity.inputs().stream().filter(field -> triggers.overwrites(entity, field)).map(views::get).toList(),
                entity.fields().stream().filter(field -> field.filling().isOfChange() && field.told()
                        || entity.deletion().isPresent() && entity.version().filter(field::equals).isPresent()
                        || field.input() != Field.Input.READ_ONLY
                        && (triggers.overwrites(entity, field) || isOnUpdate(field)))
                .map(views::get).toList(),
                entity.secrets().stream().filter(field -> sample.has(field) && other.has(field)
                        && !triggers.overwrites(entity, field)).map(views::get).toList(),
                divided(entity, sample).map(views::get),
                entity.filters().stream().filter(field -> RelationTestViews.isSearched(field) && sample.has(field))
                .findFirst().map(views::get),
                shared(entity).stream().map(views::get).toList(),
                entity.transactional(),
                triggers.refusesChanges(entity),
                samples.isReferredInCircle(entity),
                patched.stream().map(views::get).toList(),
                entity.key().stream().filter(field -> samples.differs(entity, false, field)
                        && !isCountedWithin(entity, field)).map(views::get).toList(),
                entity.filters().stream().filter(field -> !field.inKey() && field.type() != JavaType.FLOAT)
                        .map(views::get).toList(),
                proofs.stream().flatMap(proof -> proof.trials().stream()).filter(Trial.Omitted.class::isInstance)
                        .map(trial -> views.get(((Trial.Omitted) trial).field())).distinct().toList(),
                AccessViews.tests(mapping, entity),
                own(entity).stream().map(Operation::word).map(JavaString::of).toList(),
                creates ? deletedReferences(entity, sample) : List.of());
    }

    /** The references to rows that stay when they are deleted, and that a sample makes. */
    private List<EntityView.DeletedReference> deletedReferences(Entity entity, SampleRow sample) {
        return entity.relations().stream().flatMap(relation -> {
            Entity target = mapping.entity(relation.foreignKey().target());
            boolean made = samples.isParentCreated(entity, relation) && !target.equals(entity)
                    && relation.fields().stream().allMatch(field -> sample.has(field)
                    && field.input() != Field.Input.READ_ONLY && field.converter().isEmpty());
            return target.deletion().filter(field -> made).map(field -> new EntityView.DeletedReference(
                    JavaString.of("UPDATE " + target.sqlTable() + " SET " + field.sqlName() + " = "
                            + dialect.now(field.column().type()) + " WHERE " + relation.foreignKey().targetColumns().stream()
                            .map(target::field).map(key -> key.sqlName() + " = " + key.parameter())
                            .collect(Collectors.joining(" AND "))),
                    JavaCode.list(relation.fields().stream().map(key -> JavaCode.of("input.%s()", key.name())).toList())))
                    .stream();
        }).toList();
    }

    /** What owners may do, if each sample of the table belongs to somebody. */
    private List<Operation> own(Entity entity) {
        if (entity.ownRows().isEmpty() || entity.key().isEmpty() || !samples.isCreated(entity)) {
            return List.of();
        }
        Entity here = entity;
        for (ForeignKey reference : entity.ownRows().get().path()) {
            SampleRow row = samples.row(here, false);
            if (!reference.columns().stream().map(here::field).allMatch(field -> row.has(field) || field.inKey())) {
                return List.of();
            }
            here = mapping.entity(reference.target());
        }
        Field owner = here.field(entity.ownRows().get().column());
        return samples.row(here, false).has(owner) || owner.inKey() ? AccessViews.ofOwners(mapping, entity) : List.of();
    }

    /** The parts of a key of several that a row may have in common with a sample, and still differ from it. */
    private List<Field> shared(Entity entity) {
        Set<String> bound = new HashSet<>();
        entity.relations().stream().filter(relation -> relation.fields().size() > 1)
                .forEach(relation -> bound.addAll(relation.foreignKey().columns()));
        entity.rowRules().forEach(rule -> {
            if (rule instanceof RowRule.Compare compare) {
                bound.addAll(List.of(compare.left().column().name(), compare.right().column().name()));
            }
        });
        List<UniqueKey> keys = entity.table().keys();
        return entity.key().size() < 2 || entity.checks().stream().anyMatch(check -> !check.understood()) ? List.of()
                : entity.key().stream().filter(field -> !bound.contains(field.column().name()))
                        .filter(field -> field.input() == Field.Input.WRITABLE && !samples.isDigit(entity, field))
                        .filter(field -> keys.stream().map(UniqueKey::columns)
                                .filter(key -> key.contains(field.column().name()))
                                .allMatch(key -> key.stream().filter(column -> !column.equals(field.column().name()))
                                        .anyMatch(column -> samples.differs(entity, false, entity.field(column)))))
                        .toList();
    }

    /** Whether numbers may come again with another value in the parts of the key before them, as MyISAM counts. */
    private static boolean isCountedWithin(Entity entity, Field field) {
        return field.input() == Field.Input.ASSIGNED && entity.key().indexOf(field) > 0
                && entity.table().keys().stream()
                .noneMatch(key -> key.columns().equals(List.of(field.column().name())));
    }

    /** A column by whose order every row is before, beside or after a sample. */
    private static Optional<Field> divided(Entity entity, SampleRow sample) {
        return entity.filters().stream()
                .filter(field -> !field.column().nullable() && (sample.has(field) || field.inKey()))
                .filter(field -> field.type().isComparable() && field.type() != JavaType.FLOAT
                        && field.type() != JavaType.DOUBLE)
                .filter(field -> !RelationTestViews.isParameter(field)).findFirst();
    }

    /** The table and all that it refers to, in an order in which rows can be inserted. */
    private List<JavaName> touched(Entity entity) {
        if (entity.table().isView()) {
            return List.of();
        }
        Set<TableName> reached = new HashSet<>();
        Deque<TableName> open = new ArrayDeque<>(List.of(entity.table().name()));
        while (!open.isEmpty()) {
            TableName name = open.pop();
            if (reached.add(name)) {
                open.addAll(mapping.entity(name).table().needs());
                open.addAll(triggers.written(name));
            }
        }
        return reached.stream().sorted(Comparator.comparing(order::get))
                .map(name -> EntityViews.constant(mapping.entity(name))).toList();
    }

    /** The fields of the first key of which a new row can be a duplicate; none if there is no such key. */
    private static List<Field> duplicable(List<Proof> proofs) {
        return proofs.stream().flatMap(proof -> proof.trials().stream()).filter(Trial.Duplicated.class::isInstance)
                .map(trial -> ((Trial.Duplicated) trial).fields()).findFirst().orElse(List.of());
    }

    /** The rules of a table, with the names of the tests that prove them. */
    List<TestedRule> rules(Entity entity) {
        return RuleViews.of(mapping, samples.proofs(entity)).rules();
    }

    /**
     * The fields that can take the value of the other sample, one after the other, without the rest of the row
     * following.
     */
    private List<Field> patched(Entity entity, SampleRow sample, SampleRow other) {
        Set<Field> bound = new HashSet<>();
        for (RowRule rule : entity.rowRules()) {
            if (rule instanceof RowRule.Compare compare) {
                bound.add(compare.left());
                bound.add(compare.right());
            }
        }
        entity.relations().stream().filter(relation -> relation.fields().size() > 1)
                .forEach(relation -> bound.addAll(relation.fields()));
        entity.checks().stream().filter(check -> !check.understood() && check.fields().size() > 1)
                .forEach(check -> bound.addAll(check.fields()));
        return entity.fields().stream()
                .filter(field -> field.updatable() && field.told() && !bound.contains(field) && other.has(field)
                        && !triggers.overwrites(entity, field)
                        && !isOnUpdate(field))
                .filter(field -> samples.differs(entity, true, field)
                        || !sample.values().get(field).equals(other.values().get(field)))
                .toList();
    }

    private static boolean isOnUpdate(Field field) {
        return field.column().defaultValue().filter(DefaultValue::isOnUpdate).isPresent();
    }
}
