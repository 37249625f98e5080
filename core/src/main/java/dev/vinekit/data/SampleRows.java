package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.SqlText;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes sample rows by rule, the same for the same mapping. */
public final class SampleRows {
    private static final Pattern FALSE = Pattern.compile("(?i)\\(*(?:false|b?'0'|0)\\)*(?:::\\w+)?");
    private static final Pattern CONDITION = Pattern.compile("(?is)\\)\\s*WHERE\\b.*$");

    /** The day on which moments of rows begin. */
    static final LocalDate DAY = LocalDate.of(2021, 3, 1);

    private final Mapping mapping;
    private final Solutions solutions;
    private final TriggerEffects triggers;
    private final Set<TableName> alike;
    private final int room;

    /** The columns that references of all tables go to, by table. */
    private final Map<TableName, Set<List<String>>> referred;
    private final Map<TableName, Boolean> fillable = new HashMap<>();
    private final Map<TableName, Set<TableName>> reachable = new HashMap<>();
    private final Map<TableName, Set<TableName>> required = new HashMap<>();

    /** Samples that leave checks to chance which only the database understands. */
    public SampleRows(Mapping mapping) {
        this(mapping, Solutions.NONE);
    }

    /** @param solutions values for checks that only the database understands */
    public SampleRows(Mapping mapping, Solutions solutions) {
        this(mapping, solutions, TriggerEffects.NONE, Set.of(), 2);
    }

    private SampleRows(Mapping mapping, Solutions solutions, TriggerEffects triggers, Set<TableName> alike,
            int room) {
        this.mapping = mapping;
        this.solutions = solutions;
        this.triggers = triggers;
        this.alike = Set.copyOf(alike);
        this.room = room;
        this.referred = mapping.entities().stream().flatMap(entity -> entity.relations().stream())
                .map(Relation::foreignKey).collect(Collectors.groupingBy(ForeignKey::target,
                        Collectors.mapping(ForeignKey::targetColumns, Collectors.toSet())));
    }

    /** These samples, for tables whose triggers are known. */
    public SampleRows withTriggers(TriggerEffects effects) {
        return new SampleRows(mapping, solutions, effects, alike, room);
    }

    /**
     * These samples, for seeds in which rows of some tables differ as little as their keys allow: triggers often
     * compare amounts with those of other tables.
     */
    public SampleRows alikeIn(Set<TableName> tables) {
        return new SampleRows(mapping, solutions, triggers, tables, room);
    }

    /** Whether seed rows of a table differ as little as its keys allow. */
    boolean isAlike(Entity entity) {
        return alike.contains(entity.table().name());
    }

    /** What the triggers of the tables do. */
    public TriggerEffects triggers() {
        return triggers;
    }

    /** These samples, for so many rows. */
    SampleRows forRows(int count) {
        return new SampleRows(mapping, solutions, triggers, alike, Math.max(2, String.valueOf(count).length()));
    }

    Solutions solutions() {
        return solutions;
    }

    /**
     * A row with a value in every field, as far as references allow.
     *
     * @param other whether to make the second of two rows that differ in every field that has a choice
     */
    public SampleRow row(Entity entity, boolean other) {
        Map<String, Integer> ranks = ranks(entity);
        Map<Field, Sample> values = new LinkedHashMap<>();
        for (Field field : entity.seeded()) {
            values.put(field, field.isNumbered()
                    ? new Sample.Nothing()
                    : value(entity, field, other, ranks.getOrDefault(field.column().name(), 0)));
        }
        Map<Field, Sample> solved = solutions.of(entity, other);
        entity.checks().stream().filter(check -> !check.understood()).flatMap(check -> check.fields().stream())
                .filter(field -> field.column().nullable() && values.containsKey(field))
                .forEach(field -> values.put(field, new Sample.Nothing()));
        solved.keySet().stream().filter(values::containsKey).forEach(field -> values.put(field, solved.get(field)));
        for (Relation relation : entity.relations()) {
            if (relation.fields().stream().noneMatch(solved::containsKey)) {
                refer(entity, relation, other, values);
            }
        }
        return new SampleRow(values);
    }

    /** A value for a field by itself, whatever rules tie it to others. */
    public Sample free(Entity entity, Field field, boolean other) {
        return value(entity, field, other, ranks(entity).getOrDefault(field.column().name(), 0));
    }

    /** Whether every row that this reference goes to must refer back to a row of the table, through others or not. */
    public boolean isCircular(Entity entity, Relation relation) {
        return relation.required() && reaches(required, relation.foreignKey().target(), entity.table().name(), true);
    }

    /** Whether rows can be made up that keep all constraints, as far as is known. */
    public boolean isFillable(Entity entity) {
        if (!fillable.containsKey(entity.table().name())) {
            fillable.put(entity.table().name(), true);
            fillable.put(entity.table().name(), entity.isInsertable() && !solutions.isUnsatisfiable(entity)
                    && triggers.refusal(entity).isEmpty() && entity.relations().stream()
                    .filter(Relation::required).allMatch(relation ->
                            isFillable(mapping.entity(relation.foreignKey().target()))));
        }
        return fillable.get(entity.table().name());
    }

    /** Whether rows can be made up without end: each key has a part that differs from row to row. */
    public boolean isEndless(Entity entity) {
        return isEndless(entity, new HashSet<>());
    }

    private boolean isEndless(Entity entity, Set<TableName> asked) {
        if (!isFillable(entity) || !asked.add(entity.table().name())) {
            return isFillable(entity);
        }
        Map<Field, Sample> values = row(entity, false).values();
        return entity.table().keys().stream()
                .allMatch(key -> KeyRoom.hasRoom(entity, key)
                        && key.columns().stream().map(entity::field).anyMatch(field -> {
            Sample sample = values.get(field);
            return sample instanceof Sample.Reference reference
                    ? isEndless(mapping.entity(reference.relation().foreignKey().target()), asked)
                    : sample == null || sample instanceof Sample.Nothing || sample.isNumbered();
        }));
    }

    /** Why no rows of a table can be made up; empty if they can. */
    public Optional<String> obstacle(Entity entity) {
        if (isFillable(entity)) {
            return Optional.empty();
        }
        List<String> clashes = solutions.clashes().getOrDefault(entity.table().name(), List.of());
        if (!clashes.isEmpty()) {
            return Optional.of(String.join(" ", clashes));
        }
        if (triggers.refusal(entity).isPresent()) {
            return Optional.of("A trigger refuses the rows that were made up: " + triggers.refusal(entity).get());
        }
        return Optional.of(entity.relations().stream().filter(Relation::required)
                .map(relation -> mapping.entity(relation.foreignKey().target())).filter(target -> !isFillable(target))
                .findFirst()
                .map(target -> "Its rows must refer to rows of " + target.table().name().name()
                        + ", and none of those can be made up.")
                .orElse("A column that must have a value takes none from clients."));
    }

    /** Whether a sample row has a row to refer to here. */
    public boolean isFollowed(Entity entity, Relation relation, boolean other) {
        if (!isFillable(mapping.entity(relation.foreignKey().target()))) {
            return false;
        }
        if (relation.required()) {
            return true;
        }
        boolean toItself = relation.foreignKey().target().equals(entity.table().name());
        return toItself ? other : !reaches(reachable, relation.foreignKey().target(), entity.table().name(), false);
    }

    private void refer(Entity entity, Relation relation, boolean other, Map<Field, Sample> values) {
        boolean followed = isFollowed(entity, relation, other);
        Entity target = mapping.entity(relation.foreignKey().target());
        for (int i = 0; i < relation.fields().size(); i++) {
            Field field = relation.fields().get(i);
            if (!values.containsKey(field) || values.get(field) instanceof Sample.Reference) {
                continue;
            }
            if (followed) {
                Field targetField = target.field(relation.foreignKey().targetColumns().get(i));
                values.put(field, new Sample.Reference(relation, targetField));
            } else if (field.column().nullable()) {
                values.put(field, new Sample.Nothing());
            }
        }
    }

    private boolean reaches(Map<TableName, Set<TableName>> known, TableName from, TableName to, boolean requiredOnly) {
        return known.computeIfAbsent(from, start -> {
            Set<TableName> seen = new HashSet<>();
            Deque<TableName> open = new ArrayDeque<>(List.of(start));
            while (!open.isEmpty()) {
                TableName name = open.pop();
                if (seen.add(name)) {
                    mapping.entity(name).relations().stream().filter(relation -> relation.required() || !requiredOnly)
                            .forEach(relation -> open.push(relation.foreignKey().target()));
                }
            }
            return seen;
        }).contains(to);
    }

    private Sample value(Entity entity, Field field, boolean other, int rank) {
        Optional<Sample> digit = entity.table().keys().stream()
                .filter(key -> key.columns().contains(field.column().name()))
                .map(key -> KeyRoom.digits(entity, key)).filter(digits -> digits.contains(field)).findFirst()
                .map(digits -> digit(entity, field,
                        (int) KeyRoom.product(entity, digits.subList(0, digits.indexOf(field)))));
        if (digit.isPresent()) {
            return digit.get();
        }
        if (field.enumeration().isPresent()) {
            return constant(field, other);
        }
        boolean numbered = isNumbered(entity, field) || isLaterThanNumbered(entity, field);
        return switch (field.type()) {
            case BOOLEAN -> new Sample.Truth(other == isFalseByDefault(field));
            case INTEGER, LONG, BIG_DECIMAL, FLOAT, DOUBLE -> number(entity, field, other, rank, numbered);
            case STRING -> numbered && KeyRoom.isBits(field) ? new Sample.NumberedBits(KeyRoom.bits(field), 1)
                    : numbered && field.numberedExample().isPresent() ? numbered(field.numberedExample().get())
                    : !field.examples().isEmpty() ? new Sample.Text(field.examples().get(other && !numbered ? 1 : 0))
                    : new TextSamples(field, numbered, room, distinctWithin(entity, field)).value(other);
            case BINARY -> bytes(field, other, numbered);
            case DATE -> moment(day(other && !numbered, rank).toString(), numbered);
            case TIME -> moment(time(other, rank), numbered);
            case OFFSET_TIME -> moment(time(other, rank) + "+02:00", numbered);
            case DATE_TIME -> moment(day(other && !numbered, rank) + "T" + time(other, 0), numbered);
            case OFFSET_DATE_TIME -> moment(day(other && !numbered, rank) + "T" + time(other, 0) + "Z", numbered);
            case UUID -> new Sample.NumberedUuid();
            case JSON -> IndexedDocuments.of(entity, field, other, numbered)
                    .orElseGet(() -> document(field, other, numbered));
            case LIST -> new Sample.Items(items(field, other));
            case ENUM -> throw new IllegalStateException("an enum without constants: " + field.column().name());
        };
    }

    private static Sample digit(Entity entity, Field field, int divisor) {
        List<String> choices = KeyRoom.choices(entity, field);
        return !choices.isEmpty() ? new Sample.NumberedChoice(choices, divisor)
                : KeyRoom.isBits(field) ? new Sample.NumberedBits(KeyRoom.bits(field), divisor)
                : new NumberSamples(field).digit(divisor);
    }

    /** A row begins with the default, from which triggers often let it go to another value but not back. */
    private static boolean isFalseByDefault(Field field) {
        return field.column().defaultValue().filter(value -> FALSE.matcher(value.text()).matches()).isPresent();
    }

    private static Sample document(Field field, boolean other, boolean numbered) {
        boolean scalar = field.column().type().kind() == SqlType.Kind.ANY;
        if (numbered) {
            return new Sample.NumberedDocument(scalar ? "\"text #\"" : "{\"sample\": #}");
        }
        return new Sample.Document(scalar ? other ? "\"text\"" : "1.5" : other ? "[1, 2, 3]" : "{\"sample\": 1.5}");
    }

    /** Two values, or one, of the type of a list. */
    private static List<Sample> items(Field field, boolean other) {
        SqlType member = field.column().type().members().orElseThrow();
        if (!member.labels().isEmpty()) {
            return (other || member.labels().size() == 1 ? member.labels().subList(0, 1)
                    : List.of(member.labels().get(0), member.labels().get(member.labels().size() - 1)))
                    .stream().map(Sample.Text::new).map(Sample.class::cast).toList();
        }
        List<Sample> both = switch (field.member().orElseThrow()) {
            case BOOLEAN -> List.of(new Sample.Truth(true), new Sample.Truth(false));
            case INTEGER, LONG, FLOAT, DOUBLE -> List.of(new Sample.Number(BigDecimal.ONE),
                    new Sample.Number(BigDecimal.valueOf(2)));
            case BIG_DECIMAL -> List.of(new Sample.Number(BigDecimal.ONE.setScale(Math.max(0, member.scale()))),
                    new Sample.Number(BigDecimal.ZERO.setScale(Math.max(0, member.scale()))));
            case DATE -> List.of(new Sample.Moment(day(false, 0).toString()),
                    new Sample.Moment(day(true, 0).toString()));
            case TIME -> List.of(new Sample.Moment(time(false, 0)), new Sample.Moment(time(true, 0)));
            case OFFSET_TIME -> List.of(new Sample.Moment(time(false, 0) + "+02:00"));
            case DATE_TIME -> List.of(new Sample.Moment(day(false, 0) + "T" + time(false, 0)),
                    new Sample.Moment(day(true, 0) + "T" + time(true, 0)));
            case OFFSET_DATE_TIME -> List.of(new Sample.Moment(day(false, 0) + "T" + time(false, 0) + "Z"));
            case UUID -> List.of(new Sample.Uuid("00000000-0000-4000-8000-000000000001"),
                    new Sample.Uuid("00000000-0000-4000-8000-000000000002"));
            case BINARY -> List.of(new Sample.Bytes("7F"), new Sample.Bytes("CA"));
            case STRING, JSON, ENUM, LIST -> (field.examples().isEmpty() ? Stream.of("a", "b") : field.examples().stream())
                    .map(text -> member.kind() == SqlType.Kind.CHAR ? text.repeat((int) Math.max(1, member.length()))
                            : text).map(Sample.Text::new).map(Sample.class::cast).toList();
        };
        return other ? both.subList(0, 1) : both;
    }

    /** As many bytes as a short column holds, so that a column of fixed length is filled. */
    private static Sample bytes(Field field, boolean other, boolean numbered) {
        long length = field.column().type().length();
        int least = field.rules().stream().mapToInt(rule -> rule instanceof FieldRule.Bytes bytes ? bytes.least() : 0)
                .max().orElse(0);
        int most = field.rules().stream()
                .mapToInt(rule -> rule instanceof FieldRule.Bytes bytes ? bytes.most() : Integer.MAX_VALUE).min()
                .orElse(Integer.MAX_VALUE);
        int usual = length > 0 && length <= 64 ? (int) length : numbered ? Integer.BYTES : 3;
        int filled = Math.max(least, Math.min(most, usual));
        return numbered ? new Sample.NumberedBytes(filled) : new Sample.Bytes((other ? "CA" : "7F").repeat(filled));
    }

    /** A text with the row's number where {@code #} stands, or its last two digits. */
    private static Sample numbered(String pattern) {
        if (pattern.replace("##", "#").indexOf('#') != pattern.replace("##", "#").lastIndexOf('#')) {
            return new Sample.NumberedTemplate(pattern);
        }
        int place = pattern.indexOf('#');
        boolean two = pattern.startsWith("##", place);
        return new Sample.NumberedText(pattern.substring(0, place), two ? 2 : 0,
                pattern.substring(place + (two ? 2 : 1)));
    }

    /** How many letters from the beginning of a text a key counts: all, unless a key is over beginnings. */
    static int distinctWithin(Entity entity, Field field) {
        String column = field.column().name();
        Pattern beginning = Pattern.compile(Pattern.quote("`" + column.replace("`", "``") + "`") + "\\((\\d+)\\)");
        Stream<Integer> ofIndexes = entity.table().indexes().stream().filter(Index::unique)
                .flatMap(index -> index.definition().stream())
                .map(beginning::matcher).filter(Matcher::find).map(found -> Integer.valueOf(found.group(1)));
        Stream<Integer> ofKey = entity.table().primaryKey()
                .filter(key -> !key.lengths().isEmpty() && key.columns().contains(column)).stream()
                .map(key -> key.lengths().get(key.columns().indexOf(column))).filter(length -> length > 0);
        return Stream.concat(ofKey, ofIndexes).min(Integer::compare).orElse(Integer.MAX_VALUE);
    }

    private static Sample constant(Field field, boolean other) {
        List<Map.Entry<JavaName, String>> constants =
                List.copyOf(field.enumeration().orElseThrow().constants().entrySet());
        Map.Entry<JavaName, String> chosen = constants.get(other ? constants.size() - 1 : 0);
        return new Sample.Constant(field.enumeration().orElseThrow().name(), chosen.getKey(), chosen.getValue());
    }

    private static Sample number(Entity entity, Field field, boolean other, int rank, boolean numbered) {
        for (RowRule rule : entity.rowRules()) {
            if (rule instanceof RowRule.OneOf oneOf && oneOf.field().equals(field)) {
                return new Sample.Number(oneOf.options().get(other ? oneOf.options().size() - 1 : 0));
            }
        }
        return new NumberSamples(field, compared(entity, field)).value(other, rank, numbered);
    }

    /** The fields that a field is compared with, and those that they are compared with. */
    private static Set<Field> compared(Entity entity, Field field) {
        Set<Field> found = new LinkedHashSet<>(Set.of(field));
        int before;
        do {
            before = found.size();
            entity.rowRules().stream().filter(RowRule.Compare.class::isInstance).map(RowRule.Compare.class::cast)
                    .filter(rule -> found.contains(rule.left()) != found.contains(rule.right()))
                    .toList().forEach(rule -> found.addAll(List.of(rule.left(), rule.right())));
        } while (found.size() > before);
        found.remove(field);
        return found;
    }

    private static Sample moment(String iso, boolean numbered) {
        return numbered ? new Sample.NumberedMoment(iso) : new Sample.Moment(iso);
    }

    private static LocalDate day(boolean other, int rank) {
        return DAY.plusDays(rank * 10L + (other ? 31 : 0));
    }

    private static String time(boolean other, int rank) {
        return String.format(Locale.ROOT, "%02d:30:00", (other ? 14 : 8) + Math.min(rank, 5));
    }

    /** Whether rows of other tables refer to this field, so that it should tell rows apart though no key says so. */
    private boolean isReferredTo(Entity entity, Field field) {
        return referred.getOrDefault(entity.table().name(), Set.of()).contains(List.of(field.column().name()));
    }

    /** Whether this field is the one that makes a unique key of the table unique. */
    private boolean isNumbered(Entity entity, Field field) {
        if (inIndexes(entity).contains(field.column().name())) {
            return true;
        }
        Set<String> references = new HashSet<>();
        entity.relations().forEach(relation -> references.addAll(relation.foreignKey().columns()));
        if (entity.key().isEmpty() && entity.comparable().isEmpty() && isFirstToDiffer(entity, field)) {
            return true;
        }
        boolean tellsApart = entity.key().isEmpty() && entity.comparable().contains(field)
                && KeyRoom.distinguishing(entity, new UniqueKey("",
                entity.comparable().stream().map(other -> other.column().name()).toList()))
                .equals(field.column().name());
        if (tellsApart || !references.contains(field.column().name()) && isReferredTo(entity, field)) {
            return true;
        }
        boolean besideReference = entity.table().keys().stream()
                .filter(key -> key.columns().contains(field.column().name()))
                .filter(key -> key.columns().stream().anyMatch(references::contains))
                .filter(key -> sharesReference(entity, key, references) || refersToFew(entity, key))
                .map(key -> new UniqueKey("", key.columns().stream().filter(column -> !references.contains(column))
                        .toList()))
                .anyMatch(rest -> rest.columns().contains(field.column().name())
                        && KeyRoom.distinguishing(entity, rest).equals(field.column().name()));
        if (besideReference && field.enumeration().isEmpty()) {
            return true;
        }
        return entity.table().keys().stream().filter(key -> key.columns().contains(field.column().name()))
                .filter(key -> key.columns().stream().noneMatch(references::contains))
                .anyMatch(key -> KeyRoom.distinguishing(entity, key).equals(field.column().name()));
    }

    /** The columns of unique indexes over expressions or some of the rows, and those of unique generated columns. */
    static Set<String> inIndexes(Entity entity) {
        Stream<String> ofIndexes = entity.table().indexes().stream().filter(Index::unique)
                .flatMap(index -> index.definition().stream())
                .map(sql -> CONDITION.matcher(sql.substring(Math.max(0, sql.indexOf('(')))).replaceFirst(""));
        Stream<String> ofKeys = entity.table().columns().stream()
                .filter(column -> entity.table().keys().stream()
                        .anyMatch(key -> key.columns().contains(column.name())))
                .flatMap(column -> column.computed().stream()).map(Column.Computed::expression);
        return Stream.concat(ofIndexes, ofKeys)
                .flatMap(parts -> SqlText.identifiers(parts, word -> word).stream()).collect(Collectors.toSet());
    }

    /** Whether rows of a table without comparable columns differ in this field. */
    private static boolean isFirstToDiffer(Entity entity, Field field) {
        return entity.inputs().stream().filter(other -> other.type() == JavaType.JSON
                || other.numberedExample().isPresent()).findFirst().filter(field::equals).isPresent();
    }

    /** Whether a moment is compared with one that differs from row to row, so that it must keep its distance. */
    private boolean isLaterThanNumbered(Entity entity, Field field) {
        return field.type().nature() == JavaType.Nature.MOMENT && entity.rowRules().stream()
                .filter(RowRule.Compare.class::isInstance).map(RowRule.Compare.class::cast)
                .filter(rule -> rule.left().equals(field) || rule.right().equals(field))
                .map(rule -> rule.left().equals(field) ? rule.right() : rule.left())
                .anyMatch(other -> other.type() == field.type() && isNumbered(entity, other));
    }

    /** Whether every reference in a key goes to a table whose keys leave room for a few rows only. */
    private boolean refersToFew(Entity entity, UniqueKey key) {
        return entity.relations().stream()
                .filter(relation -> key.columns().containsAll(relation.foreignKey().columns()))
                .allMatch(relation -> isFew(mapping.entity(relation.foreignKey().target()), new HashSet<>()));
    }

    private boolean isFew(Entity entity, Set<TableName> asked) {
        return asked.add(entity.table().name()) && entity.table().keys().stream().anyMatch(key -> key.columns().stream()
                .allMatch(column -> !KeyRoom.choices(entity, entity.field(column)).isEmpty()
                        || entity.relations().stream().anyMatch(relation ->
                                relation.foreignKey().columns().equals(List.of(column))
                                        && isFew(mapping.entity(relation.foreignKey().target()), asked))));
    }

    /** Whether another key has a reference of this one too: rows that repeat that must still differ here. */
    private static boolean sharesReference(Entity entity, UniqueKey key, Set<String> references) {
        return entity.table().keys().stream().filter(other -> !other.equals(key))
                .anyMatch(other -> other.columns().stream()
                        .anyMatch(column -> references.contains(column) && key.columns().contains(column)));
    }

    /** Where each column stands among those that it is compared with: least first. */
    private static Map<String, Integer> ranks(Entity entity) {
        Map<String, Integer> ranks = new HashMap<>();
        for (int round = 0; round < entity.fields().size(); round++) {
            for (RowRule rule : entity.rowRules()) {
                if (rule instanceof RowRule.Compare compare) {
                    raise(ranks, compare);
                }
            }
        }
        return ranks;
    }

    private static void raise(Map<String, Integer> ranks, RowRule.Compare compare) {
        String left = compare.left().column().name();
        String right = compare.right().column().name();
        int a = ranks.getOrDefault(left, 0);
        int b = ranks.getOrDefault(right, 0);
        switch (compare.operator()) {
            case LESS, AT_MOST -> ranks.put(right, Math.max(b, a + 1));
            case GREATER, AT_LEAST -> ranks.put(left, Math.max(a, b + 1));
            case NOT_EQUAL -> ranks.put(left, a == b ? a + 1 : a);
            case EQUAL -> {
                ranks.put(left, Math.max(a, b));
                ranks.put(right, Math.max(a, b));
            }
        }
    }
}
