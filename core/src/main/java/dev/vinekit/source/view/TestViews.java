package dev.vinekit.source.view;

import dev.vinekit.data.Sample;
import dev.vinekit.data.SampleRow;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Decides what the tests of a table do. */
final class TestViews {
    private static final int LONGEST_TEXT = 5000;
    private static final BigDecimal FAR_AWAY = BigDecimal.valueOf(2_000_000_000);

    private final Mapping mapping;
    private final SampleViews samples;
    private final RelationViews relations;
    private final Map<TableName, Integer> order = new HashMap<>();

    TestViews(Mapping mapping, RelationViews relations) {
        this.mapping = mapping;
        this.relations = relations;
        List<Entity> inOrder = mapping.inReferenceOrder();
        for (int i = 0; i < inOrder.size(); i++) {
            order.put(inOrder.get(i).table().name(), i);
        }
        this.samples = new SampleViews(mapping);
    }

    EntityView.TestView of(Entity entity, Map<Field, FieldView> views) {
        SampleRow sample = samples.row(entity, false);
        SampleRow other = samples.row(entity, true);
        return new EntityView.TestView(
                samples.of(entity, false),
                samples.of(entity, true),
                touched(entity),
                entity.fields().stream().filter(Field::requiredOnCreate).map(views::get).toList(),
                entity.inputs().stream()
                        .filter(field -> field.type() == JavaType.STRING && field.converter().isEmpty() && field.input() == Field.Input.WRITABLE)
                        .filter(field -> field.maxLength() > 0 && field.maxLength() < LONGEST_TEXT)
                        .map(views::get).toList(),
                uniques(entity, sample, views),
                missing(entity, views),
                referred(entity, views),
                relations.includeTests(entity, sample),
                relations.childTests(entity, sample),
                relations.finderTests(entity, sample),
                entity.transactional(),
                patched(entity, sample, other).map(views::get),
                entity.key().stream().filter(field -> differs(sample.values().get(field))).map(views::get).toList(),
                JavaString.of("?limit=500&sort=" + entity.key().stream().map(field -> "-" + encoded(field))
                        .collect(Collectors.joining(","))),
                sorted(entity).map(views::get),
                JavaString.of(sorted(entity).map(TestViews::encoded).orElse("")),
                new EntityView.OneField(JavaString.of(entity.fields().get(0).jsonName()),
                        JavaString.of("?fields=" + encoded(entity.fields().get(0)))),
                PermissionsView.tests(mapping, entity));
    }

    /** A column outside the key to sort by, if there is a choice one in which rows may have no value. */
    private static Optional<Field> sorted(Entity entity) {
        return entity.filters().stream().filter(field -> !field.inKey() && field.type() != JavaType.FLOAT)
                .min(Comparator.comparing(field -> !field.column().nullable()));
    }

    private static String encoded(Field field) {
        return URLEncoder.encode(field.jsonName(), StandardCharsets.UTF_8);
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
            }
        }
        return reached.stream().sorted(Comparator.comparing(order::get))
                .map(name -> EntityViews.constant(mapping.entity(name))).toList();
    }

    private List<RuleViews.UniqueView> uniques(Entity entity, SampleRow sample, Map<Field, FieldView> views) {
        List<UniqueKey> keys = new ArrayList<>(entity.table().primaryKey().stream().toList());
        keys.addAll(entity.table().uniqueKeys());
        List<RuleViews.UniqueView> found = new ArrayList<>();
        Set<JavaName> labels = new HashSet<>();
        for (UniqueKey key : keys) {
            List<Field> fields = key.columns().stream().map(entity::field).toList();
            JavaName label = JavaName.of(fields.stream()
                    .map(field -> FieldViews.capitalised(field.name()).value()).collect(Collectors.joining("And")));
            if (fields.stream().allMatch(sample::has) && labels.add(label)) {
                found.add(new RuleViews.UniqueView(label, fields.stream().map(views::get).toList()));
            }
        }
        return found;
    }

    private List<RuleViews.MissingView> missing(Entity entity, Map<Field, FieldView> views) {
        List<RuleViews.MissingView> found = new ArrayList<>();
        Set<Field> covered = new LinkedHashSet<>();
        for (Relation relation : entity.relations()) {
            Field field = relation.fields().get(relation.fields().size() - 1);
            boolean alone = entity.relations().stream()
                    .filter(another -> another.fields().contains(field)).count() == 1;
            boolean whole = samples.isFollowed(entity, relation) || relation.fields().size() == 1;
            Optional<JavaCode> value = missingValue(field);
            if (alone && whole && value.isPresent() && field.input() == Field.Input.WRITABLE && covered.add(field)) {
                found.add(new RuleViews.MissingView(views.get(field), value.get()));
            }
        }
        return found;
    }

    /** A value that no row has, or nothing if rules leave no room for one. */
    private static Optional<JavaCode> missingValue(Field field) {
        BigDecimal most = FAR_AWAY;
        for (FieldRule rule : field.rules()) {
            if (rule instanceof FieldRule.Most bound) {
                most = most.min(bound.inclusive() ? bound.bound() : bound.bound().subtract(BigDecimal.ONE));
            } else if (rule instanceof FieldRule.Digits digits) {
                most = most.min(BigDecimal.ONE.movePointRight(digits.integer()).subtract(BigDecimal.ONE));
            } else if (rule instanceof FieldRule.Pattern) {
                return Optional.empty();
            }
        }
        return switch (field.type()) {
            case INTEGER, LONG, BIG_DECIMAL -> Optional.of(SampleViews.number(field.type(), most));
            case UUID -> Optional.of(JavaCode.of("new UUID(-1, -1)"));
            case STRING -> Optional.of(JavaCode.of("%s", JavaString.of("?".repeat(
                    field.maxLength() == 0 ? 3 : Math.min(3, field.maxLength())))));
            case DATE -> Optional.of(SampleViews.moment(JavaType.DATE, "1901-01-01"));
            default -> Optional.empty();
        };
    }

    private List<RuleViews.ReferredView> referred(Entity entity, Map<Field, FieldView> views) {
        List<RuleViews.ReferredView> found = new ArrayList<>();
        for (Relation relation : entity.relations()) {
            Entity target = mapping.entity(relation.foreignKey().target());
            boolean byKey = target.key().size() == 1 && relation.fields().size() == 1
                    && target.key().get(0).column().name().equals(relation.foreignKey().targetColumns().get(0));
            if (byKey && !target.equals(entity) && target.can(Operation.DELETE)
                    && relation.foreignKey().onDelete().refuses() && samples.isFollowed(entity, relation)) {
                found.add(new RuleViews.ReferredView(views.get(relation.fields().get(0)),
                        JavaString.of("/" + target.path()), JavaString.of(entity.path())));
            }
        }
        return found;
    }

    /** A field that can take the value of the other sample without the rest of the row following. */
    private static Optional<Field> patched(Entity entity, SampleRow sample, SampleRow other) {
        Set<Field> bound = new HashSet<>();
        for (RowRule rule : entity.rowRules()) {
            if (rule instanceof RowRule.Compare compare) {
                bound.add(compare.left());
                bound.add(compare.right());
            }
        }
        return entity.fields().stream()
                .filter(field -> field.updatable() && !bound.contains(field) && other.has(field))
                .filter(field -> differs(other.values().get(field))
                        || !sample.values().get(field).equals(other.values().get(field)))
                .findFirst();
    }

    /** Whether two samples never have the same value here. */
    private static boolean differs(Sample sample) {
        return sample instanceof Sample.Nothing || sample instanceof Sample.Reference || SampleViews.isNumbered(sample);
    }
}
