package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Rows that together satisfy every constraint, as many as are wanted; the same for the same number. */
final class SeedRows {
    private static final int DAYS = 1500;
    private static final int SPREAD = 200;
    private static final int EMPTY_IN = 8;

    private final Mapping mapping;
    private final SampleRows samples;
    private final KnownRows known;
    private final ReadableTexts texts;
    private final long number;
    private final int wanted;
    private final Map<TableName, Integer> counts = new HashMap<>();
    private final Map<TableName, Plan> plans = new HashMap<>();

    /**
     * @param known rows that are there
     * @param wanted how many rows a table without any is to have
     * @param number another one makes other rows
     */
    SeedRows(Mapping mapping, SampleRows samples, KnownRows known, int wanted, long number) {
        this.mapping = mapping;
        this.samples = samples.forRows(wanted);
        this.known = known;
        this.texts = new ReadableTexts(number);
        this.number = number;
        this.wanted = wanted;
    }

    /** How many rows a table has: those that are there, or as many as its keys leave room for. */
    int count(Entity entity) {
        TableName name = entity.table().name();
        if (known.has(entity)) {
            return known.of(entity).size();
        }
        if (!samples.isFillable(entity)) {
            return 0;
        }
        if (!counts.containsKey(name)) {
            counts.put(name, wanted);
            int count = wanted;
            for (Relation relation : entity.relations()) {
                count = relation.required() && count(target(relation)) == 0 ? 0 : count;
            }
            for (UniqueKey key : entity.table().keys()) {
                count = (int) Math.min(count, room(entity, key));
            }
            counts.put(name, count);
        }
        return counts.get(name);
    }

    /** How many rows can differ in a key. */
    private long room(Entity entity, UniqueKey key) {
        Plan plan = plan(entity);
        long room = 1;
        for (String column : key.columns()) {
            Field field = entity.field(column);
            Sample sample = plan.samples.get(field);
            Optional<Relation> relation = plan.referring(field);
            if (field.input() == Field.Input.ASSIGNED || field.input() == Field.Input.READ_ONLY
                    || sample instanceof Sample.Nothing) {
                return wanted;
            } else if (relation.isPresent()) {
                boolean last = relation.get().fields().get(relation.get().fields().size() - 1).equals(field);
                room *= target(relation.get()).equals(entity) ? wanted : last ? count(target(relation.get())) : 1;
            } else if (sample.isNumbered()) {
                room *= distinct(field, sample);
            } else if (plan.strides.containsKey(field)) {
                room *= KeyRoom.choices(entity, field).size();
            }
            room = Math.min(room, wanted);
        }
        return room;
    }

    /** Up to which number a sample keeps the rules of its field. */
    private int distinct(Field field, Sample sample) {
        int most = sample instanceof Sample.Letter ? Math.min(25, wanted) : wanted;
        if (sample instanceof Sample.NumberedBits bits && bits.length() < Integer.SIZE - 1) {
            most = Math.min(wanted, 1 << bits.length());
        }
        if (sample instanceof Sample.NumberedMoment
                && (field.type() == JavaType.TIME || field.type() == JavaType.OFFSET_TIME)) {
            most = Math.min(wanted, 900);
        }
        int least = 0;
        while (least < most) {
            int middle = (least + most + 1) / 2;
            if (keeps(field, sample.text(middle))) {
                least = middle;
            } else {
                most = middle - 1;
            }
        }
        return least;
    }

    private static boolean keeps(Field field, String text) {
        return !field.type().isNumber() ? TextSamples.keeps(field, text)
                : field.rules().stream().allMatch(rule -> WrongValues.keeps(rule, new BigDecimal(text)));
    }

    /** The values of a row, from 1; a field that is not in it is NULL, or takes its default. */
    Map<Field, String> row(Entity entity, int n) {
        Map<Field, String> row = new LinkedHashMap<>();
        for (Field field : entity.seeded()) {
            value(entity, field, n).ifPresent(value -> row.put(field, value));
        }
        return row;
    }

    /** The references that can be filled in only when all rows are there, by their first fields; those of each row. */
    Map<Field, String> later(Entity entity, int n) {
        Map<Field, String> values = new LinkedHashMap<>();
        for (Relation relation : plan(entity).postponed) {
            Entity target = target(relation);
            int count = count(target);
            int row = count == 0 ? 0 : (n - 1) % count + 1;
            Map<Field, String> reference = new LinkedHashMap<>();
            for (int i = 0; row > 0 && i < relation.fields().size(); i++) {
                Field field = relation.fields().get(i);
                value(target, target.field(relation.foreignKey().targetColumns().get(i)), row)
                        .ifPresent(value -> reference.put(field, value));
            }
            if (reference.size() == relation.fields().size()) {
                values.putAll(reference);
            }
        }
        return values;
    }

    /** Whether rows of some tables must refer to each other, so that no order of inserts will do. */
    boolean isCircular() {
        return mapping.entities().stream().anyMatch(entity -> count(entity) > 0 && entity.relations().stream()
                .anyMatch(relation -> !target(relation).equals(entity) && samples.isCircular(entity, relation)));
    }

    private Optional<String> value(Entity entity, Field field, int n) {
        if (known.has(entity)) {
            return Optional.ofNullable(known.of(entity).get(n - 1).get(field));
        }
        if (field.isNumbered()) {
            return Optional.of(String.valueOf(n));
        }
        Plan plan = plan(entity);
        Sample sample = (n % 2 == 0 ? plan.others : plan.samples).get(field);
        Optional<Relation> relation = plan.referring(field);
        if (relation.isPresent() && !(plan.fixed.contains(field) && sample instanceof Sample.Nothing)) {
            int row = referred(entity, plan, relation.get(), n);
            Field target = ((Sample.Reference) plan.reference(field)).target();
            return row == 0 ? Optional.empty() : value(target(relation.get()), target, row);
        }
        if (sample == null || sample instanceof Sample.Nothing || sample instanceof Sample.Reference) {
            return Optional.empty();
        }
        if (plan.fixed.contains(field)) {
            return Optional.of(sample.text(n));
        }
        if (plan.strides.containsKey(field)) {
            List<String> choices = KeyRoom.choices(entity, field);
            return Optional.of(choices.get((n - 1) / plan.strides.get(field) % choices.size()));
        }
        boolean free = !plan.tied.contains(field) && !samples.isAlike(entity);
        boolean optional = field.column().nullable() && !field.column().isFilledByDatabase()
                && !plan.referred.contains(field.column().name());
        if (free && optional && n > 2 && chance(entity, field, n, EMPTY_IN) == 0) {
            return Optional.empty();
        }
        String usual = sample.text(n);
        return Optional.of(free || sample instanceof Sample.Moment && !plan.numbered.contains(field)
                && !samples.isAlike(entity)
                ? varied(entity, field, sample, n).filter(text -> keeps(field, text)).orElse(usual)
                : usual);
    }

    /** The number of the row that a row refers to; 0 for none. */
    private int referred(Entity entity, Plan plan, Relation relation, int n) {
        Entity target = target(relation);
        int ofTarget = plan.followed.stream()
                .filter(other -> other.foreignKey().target().equals(relation.foreignKey().target()))
                .toList().indexOf(relation);
        if (target.equals(entity)) {
            return n - 1 > ofTarget ? n - 1 - ofTarget : relation.required() ? 1 : 0;
        }
        int count = count(target);
        if (count == 0) {
            return 0;
        }
        if (plan.spread.contains(relation)) {
            return chance(entity, relation.fields().get(0), n, count) + 1;
        }
        long rest = n - 1L;
        long sum = 0;
        for (Relation before : plan.followed.subList(0, plan.followed.indexOf(relation))) {
            int width = count(target(before));
            if (width > 0 && !plan.spread.contains(before) && !target(before).equals(entity)
                    && inOneKey(entity, before, relation)) {
                sum += rest % width;
                rest /= width;
            }
        }
        return (int) ((sum + rest + ofTarget) % count) + 1;
    }

    private static boolean inOneKey(Entity entity, Relation one, Relation other) {
        return entity.table().keys().stream()
                .anyMatch(key -> one.fields().stream().anyMatch(field -> key.columns().contains(field.column().name()))
                && other.fields().stream().anyMatch(field -> key.columns().contains(field.column().name())));
    }

    private Optional<String> varied(Entity entity, Field field, Sample sample, int n) {
        int chance = chance(entity, field, n, Integer.MAX_VALUE);
        if (sample instanceof Sample.Truth) {
            return Optional.of(chance % 3 == 0 ? "FALSE" : "TRUE");
        } else if (sample instanceof Sample.Constant) {
            return Optional.of(one(field.enumeration().orElseThrow().constants().values(), chance));
        } else if (sample instanceof Sample.Moment moment) {
            return Optional.of(shifted(moment.iso(), chance(entity, entity.fields().get(0), n, DAYS)));
        } else if (sample instanceof Sample.Number usual) {
            Optional<List<BigDecimal>> options = entity.rowRules().stream().filter(RowRule.OneOf.class::isInstance)
                    .map(RowRule.OneOf.class::cast).filter(rule -> rule.field().equals(field))
                    .map(RowRule.OneOf::options).findFirst();
            return Optional.of(options.map(list -> one(list, chance)).orElseGet(() -> usual.value()
                    .add(BigDecimal.valueOf(chance % SPREAD * 25L, 2))
                    .setScale(Math.max(0, usual.value().scale()), RoundingMode.DOWN)).toPlainString());
        } else if (!field.column().type().isText() || !field.examples().isEmpty()
                || SampleRows.distinctWithin(entity, field) < Integer.MAX_VALUE) {
            return Optional.empty();
        } else if (sample instanceof Sample.Text) {
            return fitting(entity, field, chance);
        } else if (sample instanceof Sample.NumberedText) {
            return fitting(entity, field, chance).filter(text -> text.chars().noneMatch(Character::isDigit))
                    .map(text -> ReadableTexts.numbered(text, n));
        }
        return Optional.empty();
    }

    private Optional<String> fitting(Entity entity, Field field, int chance) {
        List<String> all = texts.of(entity, field);
        for (int i = 0; i < all.size(); i++) {
            String text = all.get((chance + i) % all.size());
            if (keeps(field, text)) {
                return Optional.of(text);
            }
        }
        return Optional.empty();
    }

    private static String shifted(String iso, int days) {
        if (iso.indexOf('-') < 0) {
            return LocalTime.parse(iso.substring(0, 8)).plusMinutes(days % 30).format(DateTimeFormatter.ISO_LOCAL_TIME)
                    + iso.substring(8);
        }
        return LocalDate.parse(iso.substring(0, 10)).plusDays(days) + iso.substring(10);
    }

    private static <T> T one(Collection<T> options, int chance) {
        return List.copyOf(options).get(chance % options.size());
    }

    /** A number below another that looks like chance and is always the same. */
    private int chance(Entity entity, Field field, int n, int below) {
        long mixed = number * 0x9E3779B97F4A7C15L + entity.table().name().hashCode() * 0xBF58476D1CE4E5B9L
                + field.column().name().hashCode() * 0x94D049BB133111EBL + n * 0xD6E8FEB86659FD93L;
        mixed = (mixed ^ mixed >>> 30) * 0xBF58476D1CE4E5B9L;
        mixed = (mixed ^ mixed >>> 27) * 0x94D049BB133111EBL;
        return (int) Long.remainderUnsigned(mixed ^ mixed >>> 31, below);
    }

    private Entity target(Relation relation) {
        return mapping.entity(relation.foreignKey().target());
    }

    private Plan plan(Entity entity) {
        Plan plan = plans.get(entity.table().name());
        if (plan == null) {
            plan = new Plan(entity);
            plans.put(entity.table().name(), plan);
        }
        return plan;
    }

    /** What is the same for all rows of a table. */
    private final class Plan {
        private final Map<Field, Sample> samples;
        private final Map<Field, Sample> others;
        private final List<Relation> followed = new ArrayList<>();
        private final List<Relation> postponed = new ArrayList<>();
        private final Set<Relation> spread = new HashSet<>();
        private final Set<Field> tied = new HashSet<>();
        private final Set<Field> fixed = new HashSet<>();

        /** Fields of checks of which one field is the number of the row. */
        private final Set<Field> numbered = new HashSet<>();

        /** The columns to which other rows refer. */
        private final Set<String> referred;
        private final Map<Field, Relation> referring = new HashMap<>();

        /** For fields of a key of which each has a few values only: after how many rows the next one has its turn. */
        private final Map<Field, Integer> strides = new HashMap<>();

        Plan(Entity entity) {
            samples = SeedRows.this.samples.row(entity, false).values();
            others = SeedRows.this.samples.row(entity, true).values();
            entity.checks().stream().filter(check -> check.fields().size() > 1)
                    .forEach(check -> tied.addAll(check.fields()));
            entity.checks().stream().filter(check -> !check.understood())
                    .forEach(check -> fixed.addAll(check.fields()));
            entity.checks().stream().filter(check -> check.fields().stream().map(samples::get)
                    .anyMatch(sample -> sample != null && sample.isNumbered()))
                    .forEach(check -> numbered.addAll(check.fields()));
            fixed.addAll(SeedRows.this.samples.solutions().of(entity, false).keySet());
            referred = mapping.entities().stream().flatMap(other -> other.relations().stream())
                    .map(Relation::foreignKey).filter(key -> key.target().equals(entity.table().name()))
                    .flatMap(key -> key.targetColumns().stream()).collect(Collectors.toSet());
            Set<String> unique = new HashSet<>();
            entity.table().keys().forEach(key -> unique.addAll(key.columns()));
            unique.addAll(SampleRows.inIndexes(entity));
            entity.table().keys().forEach(key -> stride(entity, key));
            for (Relation relation : entity.relations()) {
                List<Field> open = relation.fields().stream()
                        .filter(field -> reference(field) instanceof Sample.Reference reference
                        && reference.relation().equals(relation)).toList();
                open.forEach(field -> referring.put(field, relation));
                if (!open.isEmpty()) {
                    followed.add(relation);
                    boolean alone = open.size() == relation.fields().size()
                            && relation.fields().stream().noneMatch(field ->
                            tied.contains(field) || fixed.contains(field) || unique.contains(field.column().name())
                            || entity.relations().stream()
                                    .anyMatch(other -> other != relation && other.fields().contains(field)));
                    if (alone && !SeedRows.this.samples.isCircular(entity, relation)) {
                        spread.add(relation);
                    }
                } else if (canWait(entity, relation)) {
                    postponed.add(relation);
                }
            }
        }

        private void stride(Entity entity, UniqueKey key) {
            List<Field> fields = key.columns().stream().map(entity::field).toList();
            boolean few = fields.stream().allMatch(field -> field.input() == Field.Input.WRITABLE
                    && !tied.contains(field)
                    && !fixed.contains(field) && !KeyRoom.choices(entity, field).isEmpty()
                    && !(samples.get(field) instanceof Sample.Reference) && !samples.get(field).isNumbered());
            int stride = 1;
            for (Field field : few ? fields : List.<Field>of()) {
                strides.put(field, stride);
                stride *= KeyRoom.choices(entity, field).size();
            }
        }

        /** Whether a reference can be filled in when the row is there. */
        private boolean canWait(Entity entity, Relation relation) {
            return !entity.key().isEmpty() && relation.fields().stream().allMatch(field -> field.updatable()
                    && field.column().nullable() && !tied.contains(field) && !fixed.contains(field)
                    && samples.get(field) instanceof Sample.Nothing
                    && entity.relations().stream()
                    .noneMatch(other -> other != relation && other.fields().contains(field)));
        }

        Sample reference(Field field) {
            Sample sample = samples.get(field);
            return sample instanceof Sample.Reference ? sample : others.get(field);
        }

        Optional<Relation> referring(Field field) {
            return Optional.ofNullable(referring.get(field));
        }
    }
}
