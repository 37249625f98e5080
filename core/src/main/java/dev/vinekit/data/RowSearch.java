package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.SqlText;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Looks for values that keep the checks of a table, by asking the database about candidates. */
public final class RowSearch {
    private static final int MOST_CANDIDATES = 3000;
    private static final int MOST_NUMBERED = 600;
    private static final int AT_A_TIME = 300;
    private static final int MOST_BYTES = 512;
    private static final int MOST_ITEMS = 64;

    /** The greatest number of a row that candidates are tried with. */
    static final int LAST = 14;

    private static final int[] NUMBERS = {1, 2, 3, 5, 11, LAST};
    private static final List<Integer> COMMON = List.of(0, 1, 2, 3, 5, 10, 12, 50, 100, 1000, -1, -10);
    private static final List<String> TEXTS =
            List.of("abc", "ABC", "Abc", "a", "A", "ab", "AB", "abc1", "AB1", "AB-123", "AB-1234", "12",
            "123", "1234", "x y", "a@b.example", "https://example.com/a", "2021-03-01", "abcde", "ABCDE", "abcdefgh");
    private static final List<String> DOCUMENTS = List.of("{\"sample\": 2.5}", "[]", "[\"a\"]",
            "[\"b\", \"c\"]", "[{}]", "\"text\"", "\"a\"", "1", "2", "true");
    private static final List<String> STEMS = List.of("a", "A", "ab", "AB", "AB-", "ab-", "abc-", "A ", "");
    private static final Pattern DATE = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    private final Mapping mapping;
    private final Conditions conditions;
    private final SampleRows samples;

    private RowSearch(Mapping mapping, Conditions conditions) {
        this.mapping = mapping;
        this.conditions = conditions;
        this.samples = new SampleRows(mapping);
    }

    /** Whether there are checks that have to be asked about. */
    public static boolean isNeeded(Mapping mapping) {
        return mapping.entities().stream().anyMatch(entity -> !groups(entity).isEmpty());
    }

    /** Values for all checks of a mapping's tables that the service leaves to the database. */
    public static Solutions in(Mapping mapping, Conditions conditions) {
        RowSearch search = new RowSearch(mapping, conditions);
        Map<TableName, List<Solutions.Solution>> found = new HashMap<>();
        for (Entity entity : mapping.entities()) {
            List<Solutions.Solution> solutions = groups(entity).stream().map(group -> search.solution(entity, group))
                    .toList();
            if (!solutions.isEmpty()) {
                found.put(entity.table().name(), solutions);
            }
        }
        return new Solutions(found);
    }

    /**
     * The checks that are not understood, each with all checks of several fields that have one of its fields in common
     * with it.
     */
    private static List<List<Entity.CheckedFields>> groups(Entity entity) {
        List<List<Entity.CheckedFields>> groups = new ArrayList<>();
        Set<Entity.CheckedFields> open = new LinkedHashSet<>(entity.checks());
        while (!open.isEmpty()) {
            List<Entity.CheckedFields> group = new ArrayList<>(List.of(open.iterator().next()));
            open.remove(group.get(0));
            for (int i = 0; i < group.size(); i++) {
                Set<Field> fields = Set.copyOf(group.get(i).fields());
                List<Entity.CheckedFields> near = open.stream()
                        .filter(check -> check.fields().stream().anyMatch(fields::contains)).toList();
                group.addAll(near);
                near.forEach(open::remove);
            }
            boolean asked = group.stream().anyMatch(check -> !check.understood())
                    && group.stream().noneMatch(check -> check.fields().isEmpty())
                    && group.stream().flatMap(check -> check.fields().stream())
                    .allMatch(field -> isFree(entity, field));
            if (asked) {
                groups.add(group);
            }
        }
        return groups;
    }

    /** Whether something can be chosen for a field: a value, or whether there is one. */
    private static boolean isFree(Entity entity, Field field) {
        List<Relation> relations = entity.relations().stream().filter(relation -> relation.fields().contains(field))
                .toList();
        return field.input() != Field.Input.ASSIGNED && field.converter().isEmpty() && !field.column().isIdentity()
                && !field.column().isComputed()
                && (field.input() == Field.Input.WRITABLE || field.column().nullable())
                && relations.size() <= 1 && relations.stream().allMatch(relation -> relation.fields().size() == 1);
    }

    private Solutions.Solution solution(Entity entity, List<Entity.CheckedFields> checks) {
        List<Field> fields = entity.fields().stream()
                .filter(field -> checks.stream().anyMatch(check -> check.fields().contains(field))).toList();
        List<String> texts = checks.stream().map(check -> check.check().expression()).toList();
        List<Map<Field, Sample>> candidates = candidates(entity, fields, texts);
        Map<Field, Sample> sample = Map.of();
        Map<Field, Sample> other = Map.of();
        Map<String, List<Map<Field, Sample>>> breaking = new LinkedHashMap<>();
        Set<Integer> kept = new LinkedHashSet<>();
        for (int from = 0; from < candidates.size(); from += AT_A_TIME) {
            List<Map<Field, Sample>> some = candidates.subList(from, Math.min(candidates.size(), from + AT_A_TIME));
            List<List<Verdict>> answers = texts.stream().map(text -> answers(entity, text, some)).toList();
            for (int i = 0; i < some.size(); i++) {
                int at = i;
                List<Integer> open = IntStream.range(0, checks.size())
                        .filter(check -> !answers.get(check).get(at).keeps()).boxed().toList();
                IntStream.range(0, checks.size()).filter(check -> answers.get(check).get(at).keeps())
                        .forEach(kept::add);
                if (open.isEmpty()) {
                    sample = sample.isEmpty() ? some.get(i) : sample;
                    other = other.isEmpty() || differences(sample, some.get(i)) > differences(sample, other)
                            ? some.get(i) : other;
                } else if (open.size() == 1 && answers.get(open.get(0)).get(at).breaks()) {
                    breaking.computeIfAbsent(checks.get(open.get(0)).constraint(), name -> new ArrayList<>())
                            .add(some.get(i));
                }
            }
            if (differences(sample, other) == fields.size() && breaking.size() == checks.size()) {
                break;
            }
        }
        List<String> clash = !sample.isEmpty() ? List.of() : IntStream.range(0, checks.size()).boxed()
                .filter(check -> kept.size() == checks.size() || !kept.contains(check))
                .map(check -> named(checks.get(check))).toList();
        Map<Field, Sample> chosen = sample;
        Map<String, Map<Field, Sample>> alone = new LinkedHashMap<>();
        breaking.forEach((check, rows) -> rows.stream().filter(row -> isSendable(entity, row, chosen)).findFirst()
                .ifPresent(row -> alone.put(check, chosenOnly(entity, row))));
        return new Solutions.Solution(fields, chosenOnly(entity, sample), chosenOnly(entity, other), alone, clash);
    }

    /** Whether a row's references are those of the sample row, or go nowhere: other rows are not there. */
    private static boolean isSendable(Entity entity, Map<Field, Sample> row, Map<Field, Sample> sample) {
        return row.entrySet().stream().allMatch(value -> !refers(entity, value.getKey())
                || value.getValue() instanceof Sample.Nothing || value.getValue().equals(sample.get(value.getKey())));
    }

    private static boolean refers(Entity entity, Field field) {
        return entity.relations().stream().anyMatch(relation -> relation.fields().contains(field));
    }

    /** The values that are chosen here: what is referred to is not, but that nothing is. */
    private static Map<Field, Sample> chosenOnly(Entity entity, Map<Field, Sample> values) {
        Map<Field, Sample> chosen = new LinkedHashMap<>(values);
        chosen.entrySet().removeIf(value -> value.getKey().input() != Field.Input.WRITABLE
                || refers(entity, value.getKey()) && !(value.getValue() instanceof Sample.Nothing));
        return chosen;
    }

    private static String named(Entity.CheckedFields check) {
        return (check.constraint().isEmpty() ? "" : check.constraint() + " ") + "(" + check.check().expression() + ")";
    }

    private static int differences(Map<Field, Sample> sample, Map<Field, Sample> other) {
        return (int) other.keySet().stream().filter(field -> other.get(field).isNumbered()
                || !isTheSame(other.get(field), sample.get(field))).count();
    }

    /** Whether two values are the same; texts that differ only in case are, because many collations ignore it. */
    private static boolean isTheSame(Sample one, Sample other) {
        return one instanceof Sample.Text text && other instanceof Sample.Text second
                ? text.value().equalsIgnoreCase(second.value()) : one.equals(other);
    }

    /**
     * What a check says of a candidate.
     *
     * @param keeps whether rows with any number keep it
     * @param breaks whether a row with the last number breaks it
     */
    private record Verdict(boolean keeps, boolean breaks) {
    }

    private List<Verdict> answers(Entity entity, String condition, List<Map<Field, Sample>> candidates) {
        List<Map<Field, Optional<String>>> rows = new ArrayList<>();
        List<Integer> sizes = new ArrayList<>();
        for (Map<Field, Sample> candidate : candidates) {
            int[] numbers = candidate.values().stream().anyMatch(Sample::isNumbered) ? NUMBERS : new int[] {1};
            for (int n : numbers) {
                Map<Field, Optional<String>> row = new LinkedHashMap<>();
                candidate.forEach((field, value) ->
                        row.put(field, value instanceof Sample.Nothing ? Optional.empty()
                                : Optional.of(value.text(n))));
                rows.add(row);
            }
            sizes.add(numbers.length);
        }
        List<Conditions.Answer> told = conditions.ask(entity, condition, rows);
        List<Verdict> answers = new ArrayList<>();
        int at = 0;
        for (int size : sizes) {
            answers.add(new Verdict(told.subList(at, at + size).stream().allMatch(Conditions.Answer.KEEPS::equals),
                    told.get(at + size - 1) == Conditions.Answer.BREAKS));
            at += size;
        }
        return answers;
    }

    /** Every combination of values, likely ones first, up to a number. */
    private List<Map<Field, Sample>> candidates(Entity entity, List<Field> fields, List<String> conditions) {
        List<List<Sample>> values = fields.stream().map(field -> values(entity, field, conditions)).toList();
        boolean numbered = values.stream().anyMatch(ofField -> ofField.get(0).isNumbered());
        int most = numbered ? MOST_NUMBERED : MOST_CANDIDATES;
        int each = Math.max(2, (int) Math.pow(most, 1.0 / fields.size()));
        List<int[]> places = new ArrayList<>(List.of(new int[0]));
        List<Integer> widths = new ArrayList<>();
        for (List<Sample> ofField : values) {
            int width = Math.min(ofField.size(), fields.size() == 1 ? most : Math.max(each, 2));
            widths.add(width);
            places = places.stream().flatMap(place -> IntStream.range(0, width).mapToObj(i -> {
                int[] longer = Arrays.copyOf(place, place.length + 1);
                longer[place.length] = i;
                return longer;
            })).sorted(Comparator.comparing(place -> IntStream.of(place).sum())).limit(most).toList();
        }
        return places.stream().map(place -> {
            Map<Field, Sample> row = new LinkedHashMap<>();
            for (int i = 0; i < place.length; i++) {
                List<Sample> ofField = values.get(i);
                // No value is the last of a field's candidates, and the last one that is tried.
                boolean last = place[i] > 1 && place[i] == widths.get(i) - 1;
                row.put(fields.get(i), ofField.get(last ? ofField.size() - 1 : place[i]));
            }
            return row;
        }).toList();
    }

    /** Values that a field takes by itself. */
    private List<Sample> values(Entity entity, Field field, List<String> conditions) {
        Optional<Relation> relation = entity.relations().stream().filter(found -> found.fields().contains(field))
                .findFirst();
        boolean followed = relation.isEmpty() || samples.isFollowed(entity, relation.get(), false);
        if (field.input() != Field.Input.WRITABLE || !followed) {
            return List.of(new Sample.Nothing());
        }
        Sample usual = relation.map(found -> referred(entity, found, field))
                .orElseGet(() -> samples.free(entity, field, false));
        if (relation.isPresent()) {
            Stream<Sample> sized = field.type() == JavaType.BINARY ? bytes(conditions, usual) : Stream.of();
            Stream<Sample> none = field.column().nullable() && !field.column().isFilledByDatabase()
                    ? Stream.of(new Sample.Nothing()) : Stream.of();
            return Stream.of(Stream.of(usual), sized, none).flatMap(part -> part).toList();
        }
        Sample other = samples.free(entity, field, true);
        Stream<Sample> more = field.enumeration().isPresent() ? constants(field) : switch (field.type().nature()) {
            case NUMBER -> numbers(entity, field, conditions, usual);
            case TEXT -> field.column().type().kind() == SqlType.Kind.RANGE ? ranges(usual)
                    : field.examples().isEmpty() ? texts(field, conditions, usual) : Stream.of();
            case MOMENT -> switch (field.type()) {
                case DATE, DATE_TIME, OFFSET_DATE_TIME -> moments(conditions, usual);
                default -> Stream.of();
            };
            case BYTES -> bytes(conditions, usual);
            case DOCUMENT -> DOCUMENTS.stream().map(Sample.Document::new);
            case LIST -> lists(conditions, usual);
            case TRUTH, CHOICE, IDENTIFIER -> Stream.of();
        };
        Stream<Sample> nothing = field.column().nullable() && !field.column().isFilledByDatabase()
                ? Stream.of(new Sample.Nothing()) : Stream.of();
        return Stream.of(Stream.of(usual, other), more, nothing).flatMap(part -> part)
                .filter(value -> value instanceof Sample.Nothing || fits(field, value)).distinct().toList();
    }

    /** What the row has that a reference goes to; references of one row to one table go to different rows. */
    private Sample referred(Entity entity, Relation relation, Field field) {
        TableName table = relation.foreignKey().target();
        Entity target = mapping.entity(table);
        int place = entity.relations().stream().filter(other -> other.foreignKey().target().equals(table)).toList()
                .indexOf(relation);
        Field key = target.field(relation.foreignKey().targetColumns().get(relation.fields().indexOf(field)));
        Sample sample = key.isNumbered() ? samples.free(entity, field, false) : samples.free(target, key, false);
        return place == 0 ? sample : sample.ofRow(LAST + place);
    }

    private static boolean fits(Field field, Sample value) {
        if (value instanceof Sample.Items items) {
            return items.values().stream().allMatch(item -> field.rules().stream().allMatch(rule ->
                    WrongValues.keeps(rule, item instanceof Sample.Number number ? number.value() : item.text(1))));
        }
        return IntStream.of(value.isNumbered() ? NUMBERS : new int[] {1}).mapToObj(value::text).allMatch(text ->
                field.type().isNumber() ? field.rules().stream()
                .allMatch(rule -> WrongValues.keeps(rule, new BigDecimal(text)))
                        : TextSamples.keeps(field, text));
    }

    private static Stream<Sample> constants(Field field) {
        JavaName type = field.enumeration().orElseThrow().name();
        return field.enumeration().orElseThrow().constants().entrySet().stream()
                .map(constant -> new Sample.Constant(type, constant.getKey(), constant.getValue()));
    }

    private static Stream<Sample> numbers(Entity entity, Field field, List<String> conditions, Sample usual) {
        List<BigDecimal> named = named(conditions).toList();
        List<BigDecimal> listed = entity.rowRules().stream()
                .filter(rule -> rule instanceof RowRule.OneOf oneOf && oneOf.field().equals(field))
                .flatMap(rule -> ((RowRule.OneOf) rule).options().stream()).toList();
        int scale = field.type() == JavaType.BIG_DECIMAL && field.column().type().precision() > 0
                ? Math.max(0, field.column().type().scale()) : 0;
        List<BigDecimal> values = Stream.of(listed,
                named.stream().flatMap(value -> Stream.of(value, value.add(BigDecimal.ONE),
                        value.subtract(BigDecimal.ONE), value.divide(BigDecimal.valueOf(2), scale, RoundingMode.DOWN),
                        value.multiply(BigDecimal.valueOf(2)))).toList(),
                                COMMON.stream().map(BigDecimal::valueOf).toList())
                .flatMap(List::stream).map(value -> value.setScale(scale, RoundingMode.DOWN)).distinct().toList();
        if (usual instanceof Sample.NumberedDigit) {
            return Stream.of();
        }
        return !usual.isNumbered() ? values.stream().map(Sample.Number::new)
                : Stream.of(1, 2, 5, 10, 100, -1)
                .flatMap(step -> Stream.concat(Stream.of(((Sample.NumberedNumber) usual).base()),
                        values.stream().limit(30)).map(base -> new Sample.NumberedNumber(base, step)));
    }

    /** The numbers that conditions mention. */
    private static Stream<BigDecimal> named(List<String> conditions) {
        return conditions.stream().flatMap(condition -> SqlText.numbers(condition).stream())
                .flatMap(text -> number(text).stream()).distinct();
    }

    private static Optional<BigDecimal> number(String text) {
        try {
            return Optional.of(new BigDecimal(text))
                    .filter(value -> value.abs().compareTo(BigDecimal.valueOf(Integer.MAX_VALUE)) < 0);
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static Stream<Sample> texts(Field field, List<String> conditions, Sample usual) {
        Set<String> named = conditions.stream().flatMap(condition -> SqlText.strings(condition).stream())
                .flatMap(text -> Stream.of(Stream.of(text, text.replace("%", "").replace("_", "a"),
                        text.replace("%", "x").replace("_", "a")),
                        PatternTexts.of(text).stream(),
                        PatternTexts.of(text.replace("*", ".*").replace("?", ".")).stream()).flatMap(part -> part))
                .filter(text -> text.length() < 200).collect(Collectors.toCollection(LinkedHashSet::new));
        if (!usual.isNumbered()) {
            Stream<Sample> sized = Stream.of(usual).filter(Sample.Text.class::isInstance).flatMap(text -> {
                String plain = ((Sample.Text) text).value();
                return Stream.of(plain.toUpperCase(Locale.ROOT), plain.toLowerCase(Locale.ROOT), plain.strip())
                        .map(Sample.Text::new);
            });
            Stream<String> filled = TEXTS.stream()
                    .map(text -> text.repeat(1 + Math.max(0, least(field) - 1) / text.length()))
                    .map(text -> least(field) == 0 ? text
                            : text.substring(0, Math.max(least(field), Math.min(text.length(), least(field)))));
            return Stream.of(sized, named.stream().map(Sample.Text::new), TEXTS.stream().map(Sample.Text::new),
                    filled.map(Sample.Text::new))
                    .flatMap(part -> part).map(Sample.class::cast);
        }
        Stream<Sample.NumberedText> stems = Stream.concat(STEMS.stream(), named.stream().limit(20))
                .flatMap(stem -> Stream.of(0, 2, 3, least(field) - stem.length()).filter(digits -> digits >= 0)
                        .distinct()
                        .map(digits -> new Sample.NumberedText(stem, digits, "")));
        return Stream.concat(named.stream().flatMap(text -> PatternTexts.numbered(text).stream()), stems)
                .map(Sample.class::cast);
    }

    /** As many bytes as a condition has numbers for, and a few less and more. */
    private static Stream<Sample> bytes(List<String> conditions, Sample usual) {
        return conditions.stream().flatMap(condition -> SqlText.numbers(condition).stream())
                .filter(text -> text.matches("\\d{1,4}"))
                .map(Integer::valueOf).flatMap(length -> Stream.of(length, length + 1, length - 1, 2 * length))
                .filter(length -> length > 0 && length <= MOST_BYTES).distinct()
                .map(length -> usual.isNumbered() ? new Sample.NumberedBytes(length)
                        : new Sample.Bytes("7F".repeat(length)));
    }

    /** The empty range, and a usual one without one end or both. */
    private static Stream<Sample> ranges(Sample usual) {
        String range = usual.text(1);
        if (range.startsWith("{")) {
            return Stream.of("{}", "{(,)}").map(Sample.Text::new);
        }
        int comma = range.indexOf(',');
        return comma < 0 ? Stream.of() : Stream.of("empty", range.substring(0, comma) + ",)",
                "(" + range.substring(comma), "(,)").map(Sample.Text::new);
    }

    /** None, one and several of the usual items, as many as the conditions have numbers for, and unusual items. */
    private static Stream<Sample> lists(List<String> conditions, Sample usual) {
        if (!(usual instanceof Sample.Items items) || items.values().isEmpty()) {
            return Stream.of();
        }
        Sample first = items.values().get(0);
        Stream<Sample> more = first instanceof Sample.Number
                ? Stream.concat(named(conditions), COMMON.stream().map(BigDecimal::valueOf)).map(Sample.Number::new)
                : first instanceof Sample.Text ? TEXTS.stream().map(Sample.Text::new) : Stream.of();
        Stream<List<Sample>> repeated = named(conditions).filter(count -> count.signum() >= 0)
                .filter(count -> count.compareTo(BigDecimal.valueOf(MOST_ITEMS)) < 0)
                .flatMap(count -> Stream.of(count.intValue(), count.intValue() + 1))
                .map(count -> Collections.nCopies(count, first));
        return Stream.of(Stream.of(List.<Sample>of(), List.of(first)), repeated, more.map(List::of))
                .flatMap(part -> part).map(Sample.Items::new);
    }

    private static int least(Field field) {
        boolean filled = field.column().type().kind() == SqlType.Kind.CHAR && field.maxLength() > 0;
        return filled ? field.maxLength() : field.rules().stream().filter(FieldRule.Length.class::isInstance)
                .mapToInt(rule -> ((FieldRule.Length) rule).least()).max().orElse(0);
    }

    /** Days that the conditions name, and moments close to that of the other fields: checks often limit a duration. */
    private static Stream<Sample> moments(List<String> conditions, Sample usual) {
        String rest = usual.text(1).substring(10);
        Stream<String> named = conditions.stream().flatMap(condition -> SqlText.strings(condition).stream())
                .filter(text -> DATE.matcher(text).lookingAt()).map(text -> LocalDate.parse(text.substring(0, 10)))
                .flatMap(date -> Stream.of(date, date.plusDays(1), date.minusDays(1), date.plusYears(1)))
                .map(date -> date + rest);
        String zone = rest.endsWith("Z") ? "Z" : "";
        Stream<String> near = rest.isEmpty()
                ? Stream.of(0, 1, 5).map(days -> SampleRows.DAY.plusDays(days).toString())
                : Stream.of("T08:30:00", "T09:30:00", "T08:40:00", "T18:30:00")
                .map(time -> SampleRows.DAY + time + zone);
        return Stream.concat(named, near).flatMap(moment -> usual.isNumbered()
                ? Stream.of(new Sample.NumberedMoment(moment))
                : Stream.of(new Sample.Moment(moment), new Sample.NumberedMoment(moment)));
    }
}
