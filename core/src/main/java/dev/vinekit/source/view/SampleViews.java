package dev.vinekit.source.view;

import dev.vinekit.data.Proof;
import dev.vinekit.data.Proofs;
import dev.vinekit.data.Sample;
import dev.vinekit.data.SampleRow;
import dev.vinekit.data.SampleRows;
import dev.vinekit.mapping.Converter;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/** Spells sample rows as Java. */
final class SampleViews {
    private final Mapping mapping;
    private final SampleRows samples;
    private final boolean reportsKeys;

    SampleViews(Mapping mapping, boolean reportsKeys) {
        this.mapping = mapping;
        this.reportsKeys = reportsKeys;
        this.samples = new SampleRows(mapping);
    }

    SampleRow row(Entity entity, boolean other) {
        return samples.row(entity, other);
    }

    /** How the rules of a table are proved. */
    List<Proof> proofs(Entity entity) {
        return Proofs.of(mapping, entity, samples, reportsKeys);
    }

    SampleView of(Entity entity, boolean other) {
        SampleRow row = samples.row(entity, other);
        List<Relation> used = entity.relations().stream()
                .filter(relation -> row.values().values().stream().anyMatch(value ->
                        value instanceof Sample.Reference reference && reference.relation().equals(relation)))
                .toList();
        List<SampleView.ParentView> parents = used.stream()
                .map(relation -> new SampleView.ParentView(
                        mapping.entity(relation.foreignKey().target()).name(), relation.name(),
                        JavaName.of(mapping.entity(relation.foreignKey().target()).can(Operation.CREATE) ? "inserted" : "stored")))
                .toList();
        List<JavaCode> arguments = new ArrayList<>();
        for (Map.Entry<Field, Sample> value : row.values().entrySet()) {
            JavaCode code = code(value.getKey(), value.getValue());
            boolean converted = value.getKey().converter().isPresent() && !(value.getValue() instanceof Sample.Nothing);
            arguments.add(!converted ? code : JavaCode.of("new %s().fromDatabase(%s)",
                    Converter.simple(value.getKey().converter().get().by()), code));
        }
        return new SampleView(row.values().values().stream().anyMatch(SampleViews::isNumbered), parents, arguments);
    }

    static boolean isNumbered(Sample sample) {
        return sample instanceof Sample.NumberedText || sample instanceof Sample.NumberedNumber
                || sample instanceof Sample.NumberedMoment || sample instanceof Sample.NumberedUuid
                || sample instanceof Sample.Digits || sample instanceof Sample.Letter;
    }

    static JavaCode code(Field field, Sample sample) {
        if (sample instanceof Sample.Text text) {
            return JavaCode.of("%s", JavaString.of(text.value()));
        } else if (sample instanceof Sample.NumberedText text) {
            return text.after().isEmpty()
                    ? JavaCode.of("%s + n", JavaString.of(text.before()))
                    : JavaCode.of("%s + n + %s", JavaString.of(text.before()), JavaString.of(text.after()));
        } else if (sample instanceof Sample.Digits digits) {
            return JavaCode.of("Numbers.digits(n, %s)", digits.length());
        } else if (sample instanceof Sample.Letter) {
            return JavaCode.of("Character.toString('A' + n)");
        } else if (sample instanceof Sample.Number number) {
            return number(field.type(), number.value());
        } else if (sample instanceof Sample.NumberedNumber number) {
            return numbered(field.type(), number.base());
        } else if (sample instanceof Sample.Truth truth) {
            return JavaCode.of("%s", truth.value());
        } else if (sample instanceof Sample.Constant constant) {
            return JavaCode.of("%s.%s", constant.enumeration(), constant.constant());
        } else if (sample instanceof Sample.Moment moment) {
            return moment(field.type(), moment.iso());
        } else if (sample instanceof Sample.NumberedMoment moment) {
            boolean ofDay = field.type() == JavaType.TIME || field.type() == JavaType.OFFSET_TIME;
            return JavaCode.of(ofDay ? "%s.plusMinutes(n)" : "%s.plusDays(n)", moment(field.type(), moment.iso()));
        } else if (sample instanceof Sample.NumberedUuid) {
            return JavaCode.of("Numbers.uuid(n)");
        } else if (sample instanceof Sample.Document document) {
            return JavaCode.of("Json.parse(%s)", JavaString.of(document.json()));
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

    private static JavaCode numbered(JavaType type, BigDecimal base) {
        return switch (type) {
            case INTEGER -> JavaCode.of("%s + n", base.intValueExact());
            case LONG -> JavaCode.of("%sL + n", base.longValueExact());
            case FLOAT -> JavaCode.of("%sF + n", base.floatValue());
            case DOUBLE -> JavaCode.of("%s + n", base.doubleValue());
            default -> JavaCode.of("new BigDecimal(%s).add(BigDecimal.valueOf(n))", JavaString.of(base.toPlainString()));
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
            case OFFSET_TIME -> JavaCode.of("OffsetTime.parse(%s)", JavaString.of(iso));
            default -> JavaCode.of("OffsetDateTime.parse(%s)", JavaString.of(iso));
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
