package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Filling;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Every rule of a table, each with the requests that show whether the service keeps it, or why there can be none. */
public final class Proofs {
    private static final Pattern NUMBER = Pattern.compile("\\(*([+-]?\\d+(?:\\.\\d+)?)\\)*(?:::[\\w ]+)?\\)?");
    private static final Pattern PART = Pattern.compile("(?is)\\bWHERE\\b(.*?);?\\s*$");
    private static final Pattern TEXT = Pattern.compile("'([^'\\\\]*)'(?:::[\\w ]+)?");

    private final Mapping mapping;
    private final Entity entity;
    private final SampleRows samples;
    private final Dialect dialect;
    private final SampleRow sample;
    private final WrongValues wrong;
    private final List<Proof> found = new ArrayList<>();

    private Proofs(Mapping mapping, Entity entity, SampleRows samples, Dialect dialect) {
        this.mapping = mapping;
        this.entity = entity;
        this.samples = samples;
        this.dialect = dialect;
        this.sample = samples.row(entity, false);
        this.wrong = new WrongValues(entity, sample);
    }

    /** The rules of a table in the order of its definition: keys, references, checks, then column by column. */
    public static List<Proof> of(Mapping mapping, Entity entity, SampleRows samples, Dialect dialect) {
        if (entity.table().isView()) {
            return List.of();
        }
        Proofs proofs = new Proofs(mapping, entity, samples, dialect);
        proofs.keys();
        entity.relations().forEach(proofs::reference);
        entity.checks().forEach(proofs::check);
        entity.fields().forEach(proofs::column);
        if (entity.can(Operation.CREATE) && samples.isEndless(entity)) {
            return proofs.found;
        }
        String reason = !entity.can(Operation.CREATE) ? "The service creates no rows of this table."
                : samples.obstacle(entity).map(obstacle -> "No row of this table could be made up. " + obstacle)
                        .orElse("Its keys leave room for a few rows, and the seed has them.");
        boolean written = Stream.of(Operation.CREATE, Operation.REPLACE, Operation.PATCH).anyMatch(entity::can);
        return proofs.found.stream().map(proof -> proof.unbreakable() ? proof
                : written ? Proof.none(proof.rule(), reason) : Proof.unbreakable(proof.rule(), reason)).toList();
    }

    private void keys() {
        List<UniqueKey> keys = new ArrayList<>(entity.table().keys());
        for (Index index : entity.table().indexes()) {
            if (index.unique() && index.definition().isPresent()) {
                keys.add(new UniqueKey(index.name(), mentioned(index.definition().get())));
            }
        }
        keys.forEach(key -> found.add(key(key, keys)));
    }

    private Proof key(UniqueKey key, List<UniqueKey> keys) {
        List<Field> fields = key.columns().stream().map(entity::field).toList();
        boolean primary = entity.table().primaryKey().filter(key::equals).isPresent();
        Optional<String> definition = entity.table().indexes().stream().filter(index -> index.name().equals(key.name()))
                .flatMap(index -> index.definition().stream()).findFirst();
        Rule rule = new Rule(primary ? Rule.Kind.PRIMARY_KEY : Rule.Kind.UNIQUE, key.name(), fields,
                definition.orElse(names(fields)));
        Matcher part = PART.matcher(definition.orElse(""));
        if (fields.isEmpty() || part.find()
                && !new RowCondition(entity, sample).holds(dialect.parseCheck(part.group(1)))) {
            return Proof.none(rule, fields.isEmpty() ? "It is about no column that is known."
                    : "No row is known to be among those that it is about.");
        }
        if (fields.stream().anyMatch(field -> field.input() == Field.Input.ASSIGNED)) {
            return Proof.unbreakable(rule, "The database numbers the rows.");
        }
        if (fields.stream().anyMatch(field -> !field.told())) {
            return Proof.none(rule, "Clients are not told " + names(fields) + ", and cannot send it again.");
        }
        if (fields.stream().anyMatch(field -> field.input() == Field.Input.READ_ONLY)) {
            return Proof.none(rule, "Clients do not write " + names(fields) + ".");
        }
        Optional<Entity.CheckedFields> tying = entity.checks().stream()
                .filter(check -> check.fields().stream().anyMatch(fields::contains)
                && check.fields().stream().anyMatch(field -> !fields.contains(field) && sample.has(field)
                        && sample.values().get(field).isNumbered())).findFirst();
        if (tying.isPresent()) {
            return Proof.none(rule, "The check " + tying.get().constraint()
                    + " ties it to a field that differs in each row.");
        }
        if (!fields.stream().allMatch(sample::has)) {
            return Proof.none(rule, "The sample row has no value in all of " + names(fields) + ".");
        }
        if (fields.stream().anyMatch(field -> field.column().type().kind() == SqlType.Kind.RANGE
                && !sample.values().get(field).isNumbered())) {
            return Proof.none(rule,
                    "No range is known that the database tells in the same words wherever the service runs.");
        }
        Optional<UniqueKey> within = keys.stream()
                .filter(other -> !other.columns().isEmpty() && other.columns().size() < key.columns().size())
                .filter(other -> key.columns().containsAll(other.columns())).findFirst();
        if (within.isPresent()) {
            String reason = "Rows that break it break " + within.get().name() + " too.";
            boolean always = entity.table().keys().containsAll(List.of(key, within.get()))
                    && within.get().columns().stream().noneMatch(name -> entity.field(name).column().nullable());
            return always ? Proof.unbreakable(rule, reason) : Proof.none(rule, reason);
        }
        boolean others = keys.stream().filter(other -> !other.equals(key)).anyMatch(other -> other.columns().stream()
                .map(entity::field).allMatch(field -> fields.contains(field) || isTheSameInEachRow(field)));
        return Proof.by(rule, new Trial.Duplicated(fields, !others && dialect.reportsKeys() && definition.isEmpty()
                && !dialect.isEnginesOwn(key.name())
                && entity.table().kind() != Table.Kind.PARTITIONED_TABLE));
    }

    /** Whether two sample rows have the same value here, so that a copied row breaks other keys with it too. */
    private boolean isTheSameInEachRow(Field field) {
        Sample value = sample.values().get(field);
        return value != null && !(value instanceof Sample.Nothing) && !(value instanceof Sample.Reference)
                && !value.isNumbered();
    }

    private List<String> mentioned(String definition) {
        Set<String> words = new HashSet<>(SqlText.identifiers(SqlText.inParentheses(definition), word -> word));
        return entity.table().columns().stream().map(Column::name).filter(words::contains).toList();
    }

    private void reference(Relation relation) {
        ForeignKey key = relation.foreignKey();
        Entity target = mapping.entity(key.target());
        Rule rule = new Rule(Rule.Kind.REFERENCE, key.name(), relation.fields(),
                names(relation.fields()) + " -> " + target.table().name().name() + " ("
                + String.join(", ", key.targetColumns())
                        + ")" + (key.onDelete() == ForeignKey.Action.NO_ACTION ? "" : " ON DELETE "
                                + key.onDelete().sql()));
        List<Trial> trials = new ArrayList<>();
        List<String> gaps = new ArrayList<>();
        Field last = relation.fields().get(relation.fields().size() - 1);
        boolean alone = entity.relations().stream().filter(other -> other.fields().contains(last)).count() == 1;
        boolean followed = samples.isFollowed(entity, relation, false);
        boolean chosenNull = samples.solutions().of(entity, false).get(last) instanceof Sample.Nothing;
        Optional<Object> missing = alone && !chosenNull && last.input() == Field.Input.WRITABLE
                && (followed || relation.fields().size() == 1)
                ? wrong.missing(last, stored(target, target.field(key.targetColumns()
                        .get(key.targetColumns().size() - 1)), 0)) : Optional.empty();
        missing.ifPresentOrElse(value -> trials.add(new Trial.Dangling(relation, value)), () -> gaps.add(
                alone ? "No request is known that refers to a missing row and breaks nothing else."
                        : last.column().name() + " belongs to another reference too."));
        if (target.can(Operation.DELETE)) {
            boolean byKey = target.key().size() == 1 && relation.fields().size() == 1
                    && target.key().get(0).column().name().equals(key.targetColumns().get(0));
            boolean tied = entity.checks().stream().anyMatch(check -> check.fields().contains(last));
            boolean testable = byKey && !samples.isCircular(entity, relation)
                    && (target.equals(entity) ? !followed && !tied && last.input() == Field.Input.WRITABLE
                            && last.converter().isEmpty()
                            : followed && sample.values().get(last) instanceof Sample.Reference);
            // A row that stays when it is deleted takes no others with it, so it may not go while they refer to it.
            if (testable && (key.onDelete().refuses() || target.deletion().isPresent())) {
                trials.add(new Trial.Abandoned(relation));
            } else if (testable && !entity.key().isEmpty() && (key.onDelete() == ForeignKey.Action.CASCADE
                    || key.onDelete() == ForeignKey.Action.SET_NULL && !tied)) {
                trials.add(new Trial.Released(relation, key.onDelete() == ForeignKey.Action.CASCADE));
            } else {
                gaps.add("No test deletes the row that it refers to.");
            }
        }
        found.add(Proof.by(rule, trials, gaps.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", gaps))));
    }

    /** What rows of a table have in a field, at the end of all references. */
    private Sample stored(Entity table, Field field, int steps) {
        Sample value = samples.row(table, false).values().getOrDefault(field, new Sample.Nothing());
        return value instanceof Sample.Reference reference && steps < mapping.entities().size()
                ? stored(mapping.entity(reference.relation().foreignKey().target()), reference.target(), steps + 1)
                : value;
    }

    private void check(Entity.CheckedFields check) {
        Rule rule = new Rule(Rule.Kind.CHECK, check.constraint(), check.fields(), check.check().expression());
        if (check.fields().stream().anyMatch(field -> field.converter().isPresent())) {
            found.add(Proof.none(rule, "A class of your own converts " + names(check.fields()) + "."));
            return;
        }
        List<Trial> trials = new ArrayList<>();
        check.fieldRules().forEach((field, rules) -> {
            if (field.input() == Field.Input.WRITABLE) {
                rules.forEach(part -> trials.addAll(wrong.against(field, part)));
            }
        });
        check.listed().stream().filter(field -> field.input() == Field.Input.WRITABLE)
                .forEach(field -> wrong.unlisted(field).ifPresent(trials::add));
        List<Optional<Trial>> ofRows = check.rowRules().stream().map(this::rowTrial).toList();
        ofRows.forEach(trial -> trial.ifPresent(trials::add));
        if (!check.understood() && check.constraint().isEmpty()) {
            found.add(Proof.none(rule, "The database does not say which check a row breaks."));
            return;
        }
        if (!check.understood()) {
            samples.solutions().breaking(entity, check.constraint()).map(Proofs::unchecked).ifPresent(trials::add);
        }
        boolean written = check.fields().stream().allMatch(field -> field.input() == Field.Input.WRITABLE);
        Optional<String> reason = trials.stream().anyMatch(Trial.Unchecked.class::isInstance) ? Optional.empty()
                : !check.understood()
                ? Optional.of("The service leaves it to the database, and no row is known that breaks it alone.")
                : !written ? Optional.of("Clients do not write all of " + names(check.fields()) + ".")
                : ofRows.stream().anyMatch(Optional::isEmpty)
                ? Optional.of("No row is known that breaks each part of it alone.")
                : trials.isEmpty() ? Optional.of("Whatever breaks it breaks another rule too.") : Optional.empty();
        boolean reachable = check.fields().stream()
                .anyMatch(field -> field.input() == Field.Input.WRITABLE || field.column().isComputed());
        found.add(reachable || reason.isEmpty() ? Proof.by(rule, trials, reason)
                : Proof.unbreakable(rule, reason.get()));
    }

    private boolean isOverwritten(Field field) {
        return samples.triggers().overwrites(entity, field);
    }

    private static Trial unchecked(Map<Field, Sample> breaking) {
        Map<Field, Optional<Object>> values = new LinkedHashMap<>();
        breaking.forEach((field, value) -> values.put(field, sent(field, value.ofRow(RowSearch.LAST))));
        return new Trial.Unchecked(values);
    }

    /** A value as a client would send it. */
    private static Optional<Object> sent(Field field, Sample value) {
        if (value instanceof Sample.Nothing) {
            return Optional.empty();
        } else if (value instanceof Sample.Truth truth) {
            return Optional.of(truth.value());
        } else if (value instanceof Sample.Bytes bytes) {
            return Optional.of(Base64.getEncoder().encodeToString(HexFormat.of().parseHex(bytes.hex())));
        } else if (value instanceof Sample.Document document) {
            return Optional.of(document);
        } else if (value instanceof Sample.Items items) {
            return Optional.of(items.values().stream().map(each -> sent(field, each).orElseThrow()).toList());
        }
        String text = value.text(RowSearch.LAST);
        return Optional.of(field.member().orElse(field.type()).isNumber() ? new BigDecimal(text) : text);
    }

    private Optional<Trial> rowTrial(RowRule rule) {
        if (rule instanceof RowRule.OneOf oneOf) {
            return wrong.unlisted(oneOf);
        }
        RowRule.Compare compare = (RowRule.Compare) rule;
        if (!sample.has(compare.left()) || !sample.has(compare.right())
                || compare.left().input() != Field.Input.WRITABLE || compare.right().input() != Field.Input.WRITABLE) {
            return Optional.empty();
        }
        return switch (compare.operator()) {
            case EQUAL -> Optional.empty();
            case NOT_EQUAL -> Optional.of(new Trial.Repeated(compare.left(), compare.right()));
            default -> Optional.of(new Trial.Exchanged(compare.left(), compare.right()));
        };
    }

    private void column(Field field) {
        Column column = field.column();
        if (column.isComputed()) {
            found.add(Proof.by(new Rule(Rule.Kind.GENERATED, column.name(), List.of(field),
                    column.computed().orElseThrow().expression()), new Trial.Given(field)));
            return;
        }
        if (field.input() == Field.Input.ASSIGNED) {
            found.add(Proof.by(new Rule(Rule.Kind.GENERATED, column.name(), List.of(field), "numbered by the database"),
                    new Trial.Given(field)));
            return;
        }
        if (field.input() != Field.Input.WRITABLE) {
            return;
        }
        if (isOverwritten(field)) {
            found.add(Proof.none(new Rule(Rule.Kind.GENERATED, column.name(), List.of(field), "by a trigger"),
                    "What a trigger stores depends on what it does."));
            return;
        }
        if (!column.nullable()) {
            found.add(notNull(field));
        }
        type(field).ifPresent(found::add);
        column.defaultValue().filter(value -> field.told() && value.isValue())
                .ifPresent(value -> found.add(defaulted(field, value)));
    }

    private Proof notNull(Field field) {
        Rule rule = new Rule(Rule.Kind.NOT_NULL, field.column().name(), List.of(field), "");
        if (field.requiredOnCreate()) {
            return Proof.by(rule, new Trial.Omitted(field));
        } else if (field.requiredOnReplaceOnly() && entity.can(Operation.PATCH)) {
            return Proof.by(rule, new Trial.Cleared(field));
        }
        String reason = field.filling() == Filling.RANDOM ? "The service makes a value for a row without one."
                : field.filling() == Filling.OWNER ? "The service reads it from the token where it is left out."
                : "A row without a value gets the default.";
        return field.requiredOnReplaceOnly() && entity.can(Operation.REPLACE) ? Proof.none(rule, reason)
                : Proof.unbreakable(rule, reason);
    }

    private Optional<Proof> type(Field field) {
        SqlType type = field.column().type();
        Set<FieldRule> ofChecks = entity.checks().stream()
                .flatMap(check -> check.fieldRules().getOrDefault(field, List.of()).stream())
                .collect(Collectors.toSet());
        Rule rule = new Rule(Rule.Kind.TYPE, field.column().name(), List.of(field), type.text());
        if (type.kind() == SqlType.Kind.ENUM) {
            return Optional.of(wrong.unlisted(field).map(trial -> Proof.by(rule, trial))
                    .orElse(Proof.none(rule, "No text is known that is not among its values.")));
        }
        if (field.enumeration().isPresent() || field.converter().isPresent()) {
            return type.length() == 0 || !type.isText() ? Optional.empty() : Optional.of(field.converter().isPresent()
                    ? Proof.none(rule, "A class of your own converts it.")
                    : Proof.unbreakable(rule, "A check lists its values."));
        }
        List<FieldRule> rules = field.rules().stream().filter(part -> !ofChecks.contains(part))
                .filter(part -> !(part instanceof FieldRule.Pattern)).toList();
        if (rules.isEmpty()) {
            return Optional.empty();
        }
        List<Trial> trials = rules.stream().flatMap(part -> wrong.against(field, part).stream()).toList();
        return Optional.of(trials.isEmpty() ? Proof.none(rule, "Whatever breaks it breaks another rule too.")
                : Proof.by(rule, trials, Optional.empty()));
    }

    private Proof defaulted(Field field, DefaultValue value) {
        Rule rule = new Rule(Rule.Kind.DEFAULT, field.column().name(), List.of(field), value.text());
        if (value.isNoDate() && field.type().nature() == JavaType.Nature.MOMENT) {
            return Proof.none(rule, "The default is no date, and rows that have it cannot be told as they are.");
        }
        return Proof.by(rule, new Trial.LeftOut(field, constant(field, value), isTied(field, value)));
    }

    private boolean isTied(Field field, DefaultValue value) {
        boolean unique = field.inKey() || entity.table().uniqueKeys().stream()
                .anyMatch(key -> key.columns().contains(field.column().name()));
        return unique && value.meaning() != DefaultValue.Meaning.NEW_UUID
                || entity.relations().stream().anyMatch(relation -> relation.fields().contains(field))
                || entity.checks().stream()
                        .anyMatch(check -> check.fields().size() > 1 && check.fields().contains(field));
    }

    private static Optional<String> constant(Field field, DefaultValue value) {
        Matcher number = NUMBER.matcher(value.text().strip());
        Matcher text = TEXT.matcher(value.text().strip());
        boolean scaled = field.column().type().kind() == SqlType.Kind.DECIMAL && field.column().type().precision() > 0;
        return field.type().isExactNumber() && number.matches() ? Optional.of(!scaled ? number.group(1)
                        : new BigDecimal(number.group(1))
                        .setScale(Math.max(0, field.column().type().scale()), RoundingMode.HALF_UP).toPlainString())
                : field.type() == JavaType.STRING && field.column().type().kind() == SqlType.Kind.VARCHAR
                && text.matches()
                ? Optional.of(text.group(1)) : Optional.empty();
    }

    private static String names(List<Field> fields) {
        return fields.stream().map(field -> field.column().name()).collect(Collectors.joining(", "));
    }
}
