package dev.vinekit.source.view;

import dev.vinekit.data.Proof;
import dev.vinekit.data.Proofs;
import dev.vinekit.data.Sample;
import dev.vinekit.data.SampleRow;
import dev.vinekit.data.SampleRows;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Spells sample rows as Java. */
final class SampleViews {
    private static final Pattern NUMBER = Pattern.compile("##?");

    private final Mapping mapping;
    private final SampleRows samples;
    private final Dialect dialect;
    private final Map<TableName, SampleRow> first = new ConcurrentHashMap<>();
    private final Map<TableName, SampleRow> second = new ConcurrentHashMap<>();

    SampleViews(Mapping mapping, SampleRows samples, Dialect dialect) {
        this.mapping = mapping;
        this.dialect = dialect;
        this.samples = samples;
    }

    /** A row of samples; each is made once, because every field of a table asks for it. */
    SampleRow row(Entity entity, boolean other) {
        return (other ? second : first).computeIfAbsent(entity.table().name(), name -> samples.row(entity, other));
    }

    /** Whether rows that a row must refer to must refer to rows of its table. */
    boolean isReferredInCircle(Entity entity) {
        return mapping.entities().stream().anyMatch(other -> other.relations().stream().anyMatch(relation ->
                relation.foreignKey().target().equals(entity.table().name()) && samples.isCircular(other, relation)));
    }

    /** Whether tests can make rows, as many as they want. */
    boolean isCreated(Entity entity) {
        return entity.can(Operation.CREATE) && samples.isEndless(entity);
    }

    /** Whether each sample row has a new row to refer to here. */
    boolean isParentCreated(Entity entity, Relation relation) {
        return isCreated(mapping.entity(relation.foreignKey().target())) && !samples.isCircular(entity, relation);
    }

    /** Whether two samples never have the same value here, where clients write one at all. */
    boolean differs(Entity entity, boolean other, Field field) {
        Sample sample = row(entity, other).values().get(field);
        if (sample instanceof Sample.Reference reference) {
            Entity target = mapping.entity(reference.relation().foreignKey().target());
            return isParentCreated(entity, reference.relation())
                    && (target.equals(entity) || differs(target, false, reference.target()));
        }
        boolean slow = sample instanceof Sample.NumberedDigit digit && digit.divisor() > 1
                || sample instanceof Sample.NumberedChoice choice && choice.divisor() > 1
                || sample instanceof Sample.NumberedBits bits && bits.divisor() > 1;
        return sample != null && !field.isFilledByService()
                && (sample instanceof Sample.Nothing || sample.isNumbered() && !slow);
    }

    /** Whether the field tells rows apart only together with others. */
    boolean isDigit(Entity entity, Field field) {
        Sample sample = row(entity, false).values().get(field);
        return sample instanceof Sample.NumberedDigit || sample instanceof Sample.NumberedChoice
                || sample instanceof Sample.NumberedBits bits && bits.isRepeated();
    }

    /** Whether rows can be made up. */
    boolean isFillable(Entity entity) {
        return samples.isFillable(entity);
    }

    /** How the rules of a table are proved. */
    List<Proof> proofs(Entity entity) {
        return Proofs.of(mapping, entity, samples, dialect);
    }

    SampleView of(Entity entity, boolean other) {
        SampleRow row = row(entity, other);
        List<Relation> used = entity.relations().stream()
                .filter(relation -> row.values().values().stream().anyMatch(value ->
                        value instanceof Sample.Reference reference && reference.relation().equals(relation)))
                .toList();
        List<SampleView.ParentView> parents = used.stream()
                .map(relation -> new SampleView.ParentView(
                        mapping.entity(relation.foreignKey().target()).name().inCode(), relation.name(),
                        JavaName.of(isParentCreated(entity, relation) ? "inserted" : "stored")))
                .toList();
        List<JavaCode> arguments = new ArrayList<>();
        Map<Field, Sample> sent = new LinkedHashMap<>(row.values());
        sent.keySet().removeIf(field -> field.input() == Field.Input.READ_ONLY);
        for (Map.Entry<Field, Sample> value : sent.entrySet()) {
            arguments.add(argument(value.getKey(), value.getValue()));
        }
        return new SampleView(sent.values().stream().anyMatch(Sample::isNumbered), parents, arguments);
    }

    /** A row by itself: it refers to rows that nobody has inserted. */
    EntityView.UnitView alone(Entity entity) {
        SampleRow row = row(entity, false);
        List<JavaCode> input = entity.inputs().stream()
                .map(field -> argument(field, constant(entity, row.values().get(field), 1, 0))).toList();
        Optional<Field> needed = entity.inputs().stream().filter(field -> field.requiredOnCreate() && row.has(field))
                .findFirst();
        List<JavaCode> lacking = needed.map(field -> entity.inputs().stream().map(other ->
                other.equals(field) ? JavaCode.of("null") : input.get(entity.inputs().indexOf(other))).toList())
                .orElse(List.of());
        return new EntityView.UnitView(input, lacking,
                entity.told().stream().map(field -> argument(field, stored(entity, field, 1, 0))).toList());
    }

    private Sample constant(Entity entity, Sample sample, int n, int steps) {
        if (sample instanceof Sample.Reference reference) {
            TableName target = reference.relation().foreignKey().target();
            int other = entity.relations().stream().filter(relation -> relation.foreignKey().target().equals(target))
                    .toList()
                    .indexOf(reference.relation());
            return stored(mapping.entity(target), reference.target(), n + other, steps + 1);
        }
        return sample.ofRow(n);
    }

    /** What a stored row may have in a field; rows that refer to each other in a circle have no value of their own. */
    private Sample stored(Entity entity, Field field, int n, int steps) {
        Sample sample = row(entity, false).values().getOrDefault(field, new Sample.Nothing());
        boolean filled = sample instanceof Sample.Nothing && !field.column().nullable()
                || steps > mapping.entities().size();
        return filled ? samples.free(entity, field, false).ofRow(n) : constant(entity, sample, n, steps);
    }

    private static JavaCode argument(Field field, Sample sample) {
        JavaCode code = code(field, sample);
        boolean converted = field.converter().isPresent() && !(sample instanceof Sample.Nothing);
        return !converted ? code : JavaCode.of("new %s().fromDatabase(%s)",
                field.converter().get().by().inCode(), code);
    }

    static JavaCode code(Field field, Sample sample) {
        return code(field.member().filter(member -> !(sample instanceof Sample.Items)).orElse(field.type()), field,
                sample);
    }

    private static JavaCode code(JavaType type, Field field, Sample sample) {
        if (sample instanceof Sample.Items items) {
            return JavaCode.of("List.of(%s)",
                    JavaCode.list(items.values().stream().map(value -> code(field.member().orElseThrow(), field, value))
                            .toList()));
        } else if (sample instanceof Sample.Text text) {
            return JavaCode.of("%s", JavaString.of(text.value()));
        } else if (sample instanceof Sample.NumberedText text) {
            return numbered(text);
        } else if (sample instanceof Sample.NumberedLetters text) {
            return surrounded(text.before(), JavaCode.of(text.zero() == 'A' ? "Numbers.letters(n, 'A', %s)" : "Numbers.letters(n, 'a', %s)", text.letters()),
                    text.after());
        } else if (sample instanceof Sample.Letter) {
            return JavaCode.of("Character.toString('A' + n)");
        } else if (sample instanceof Sample.Number number) {
            return number(type, number.value());
        } else if (sample instanceof Sample.NumberedNumber number) {
            return numbered(type, number);
        } else if (sample instanceof Sample.NumberedChoice choice) {
            return JavaCode.of("List.of(%s).get(n / %s %% %s)",
                    JavaCode.list(choice.values().stream().map(JavaString::of).toList()), choice.divisor(),
                    choice.values().size());
        } else if (sample instanceof Sample.NumberedDigit digit) {
            return digit(type, digit);
        } else if (sample instanceof Sample.NumberedTemplate template) {
            return template(template.text());
        } else if (sample instanceof Sample.Truth truth) {
            return JavaCode.of("%s", truth.value());
        } else if (sample instanceof Sample.Constant constant) {
            return JavaCode.of("%s.%s", constant.enumeration().inCode(), constant.constant());
        } else if (sample instanceof Sample.Moment moment) {
            return moment(type, moment.iso());
        } else if (sample instanceof Sample.NumberedMoment moment) {
            boolean ofDay = type == JavaType.TIME || type == JavaType.OFFSET_TIME;
            return JavaCode.of(ofDay ? "%s.plusMinutes(n)" : "%s.plusDays(n)", moment(type, moment.iso()));
        } else if (sample instanceof Sample.Uuid uuid) {
            return JavaCode.of("UUID.fromString(%s)", JavaString.of(uuid.text()));
        } else if (sample instanceof Sample.NumberedUuid) {
            return JavaCode.of("Numbers.uuid(n)");
        } else if (sample instanceof Sample.NumberedBytes bytes) {
            return bytes.length() < Integer.BYTES
                    ? JavaCode.of("Binary.of(Arrays.copyOf(new byte[] {(byte) n}, %s))", bytes.length())
                    : JavaCode.of("Binary.of(ByteBuffer.allocate(%s).putInt(n).array())", bytes.length());
        } else if (sample instanceof Sample.NumberedBits bits) {
            return JavaCode.of("Numbers.bits(%s, %s)", bits.divisor() == 1 ? JavaCode.of("n")
                    : JavaCode.of("n / %s", bits.divisor()), bits.length());
        } else if (sample instanceof Sample.Document document) {
            return JavaCode.of("Json.parse(%s)", JavaString.of(document.json()));
        } else if (sample instanceof Sample.NumberedDocument document) {
            String[] parts = document.json().split("#", -1);
            return JavaCode.of("Json.parse(%s + n + %s)", JavaString.of(parts[0]), JavaString.of(parts[1]));
        } else if (sample instanceof Sample.Bytes bytes) {
            return bytes(bytes.hex());
        } else if (sample instanceof Sample.Reference reference) {
            return JavaCode.of("%s.%s()", reference.relation().name(), reference.target().name());
        }
        return JavaCode.of("null");
    }

    static JavaCode number(JavaType type, BigDecimal value) {
        return switch (type) {
            case INTEGER -> JavaCode.of("%s", value.intValueExact());
            case LONG -> JavaCode.of("%sL", value.longValueExact());
            case FLOAT -> JavaCode.of("%sF", value.floatValue());
            case DOUBLE -> JavaCode.of("%s", value.doubleValue());
            default -> JavaCode.of("new BigDecimal(%s)", JavaString.of(value.toPlainString()));
        };
    }

    private static JavaCode numbered(Sample.NumberedText text) {
        JavaCode number = text.digits() == 0 ? JavaCode.of("n") : JavaCode.of("Numbers.digits(n, %s)", text.digits());
        return text.digits() == 0 && text.before().isEmpty()
                ? JavaCode.of("\"\" + %s", surrounded("", number, text.after()))
                : surrounded(text.before(), number, text.after());
    }

    private static JavaCode surrounded(String before, JavaCode number, String after) {
        List<JavaCode> parts = new ArrayList<>();
        if (!before.isEmpty()) {
            parts.add(JavaCode.of("%s", JavaString.of(before)));
        }
        parts.add(number);
        if (!after.isEmpty()) {
            parts.add(JavaCode.of("%s", JavaString.of(after)));
        }
        return JavaCode.list(parts, " + ");
    }

    private static JavaCode template(String text) {
        Matcher number = NUMBER.matcher(text);
        List<JavaCode> parts = new ArrayList<>();
        int end = 0;
        while (number.find()) {
            parts.add(JavaCode.of("%s", JavaString.of(text.substring(end, number.start()))));
            parts.add(number.group().length() == 2 ? JavaCode.of("Numbers.digits(n %% 100, 2)") : JavaCode.of("n"));
            end = number.end();
        }
        parts.add(JavaCode.of("%s", JavaString.of(text.substring(end))));
        return JavaCode.list(parts, " + ");
    }

    private static JavaCode digit(JavaType type, Sample.NumberedDigit digit) {
        JavaCode n = digit.divisor() == 1 ? JavaCode.of("n %% %s", digit.room())
                : JavaCode.of("n / %s %% %s", digit.divisor(), digit.room());
        return type == JavaType.BIG_DECIMAL
                ? JavaCode.of("new BigDecimal(%s).add(BigDecimal.valueOf(%s))",
                        JavaString.of(digit.least().toPlainString()), n)
                : JavaCode.of("%s + %s", number(type, digit.least()), n);
    }

    private static JavaCode numbered(JavaType type, Sample.NumberedNumber number) {
        BigDecimal base = number.base();
        JavaCode n = number.step() == 1 ? JavaCode.of("n") : JavaCode.of("%s * n", number.step());
        return switch (type) {
            case INTEGER -> JavaCode.of("%s + %s", base.intValueExact(), n);
            case LONG -> JavaCode.of("%sL + %s", base.longValueExact(), n);
            case FLOAT -> JavaCode.of("%sF + %s", base.floatValue(), n);
            case DOUBLE -> JavaCode.of("%s + %s", base.doubleValue(), n);
            default -> JavaCode.of("new BigDecimal(%s).add(BigDecimal.valueOf(%s))",
                    JavaString.of(base.toPlainString()), n);
        };
    }

    static JavaCode moment(JavaType type, String iso) {
        return switch (type) {
            case DATE -> {
                LocalDate date = LocalDate.parse(iso);
                yield JavaCode.of("LocalDate.of(%s, %s, %s)",
                        date.getYear(), date.getMonthValue(), date.getDayOfMonth());
            }
            case TIME -> {
                LocalTime time = LocalTime.parse(iso);
                yield JavaCode.of("LocalTime.of(%s, %s)", time.getHour(), time.getMinute());
            }
            case DATE_TIME -> {
                LocalDateTime time = LocalDateTime.parse(iso);
                yield JavaCode.of("LocalDateTime.of(%s, %s, %s, %s, %s)", time.getYear(), time.getMonthValue(),
                        time.getDayOfMonth(), time.getHour(), time.getMinute());
            }
            default -> JavaCode.of("%s.parse(%s)", JavaCode.type(type, true), JavaString.of(iso));
        };
    }

    private static JavaCode bytes(String hex) {
        byte[] bytes = HexFormat.of().parseHex(hex);
        List<Integer> values = new ArrayList<>();
        for (byte b : bytes) {
            values.add((int) b);
        }
        return JavaCode.of("Binary.of(new byte[] {%s})", JavaCode.list(values));
    }
}
