package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Enumeration;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.Filling;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.Dialect;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Makes the views of fields. */
final class FieldViews {
    private final Dialect dialect;
    private final KeyViews keys;

    FieldViews(Dialect dialect, KeyViews keys) {
        this.dialect = dialect;
        this.keys = keys;
    }

    FieldView of(Entity entity, Field field, int position) {
        JavaCode boxed = type(field, true);
        boolean mayBeNull = field.column().nullable() || !dialect.keepsTypes(entity.table(), field.column());
        return new FieldView(
                field.name(),
                type(field, mayBeNull),
                boxed,
                field.converter().isPresent() ? boxed
                : field.member().map(member -> list(member, annotations(field.memberRules(), member))).orElse(boxed),
                DocText.of(field.column().comment()),
                DocText.of(field.column().name()),
                JavaString.of(field.column().name()),
                JavaString.of(field.sqlName()),
                field.parameter().equals("?") ? Optional.empty() : Optional.of(JavaString.of(field.parameter())),
                annotations(field),
                read(field, boxed, mayBeNull, position),
                filter(field),
                entity.key().size() > 1
                        ? JavaCode.of("key.%s()", field.name())
                        : JavaCode.of("%s", keys.variable(entity)),
                field.filling() == Filling.RANDOM ? JavaCode.of("input.%1$s() == null ? UUID.randomUUID() : input.%1$s()", field.name())
                : bound(field),
                changed(field),
                stored(field),
                JavaString.of(field.name().value()),
                JavaString.of(field.jsonName()),
                !field.jsonName().equals(field.name().value()),
                capitalised(field.name()),
                field.inKey(),
                field.input() == Field.Input.ASSIGNED,
                field.told(),
                field.filling() == Filling.OWNER,
                field.type() == JavaType.ENUM,
                field.maxLength(),
                field.enumeration().map(FieldViews::enumeration));
    }

    /** A field as something to filter and sort by. */
    JavaCode filter(Field field) {
        List<JavaCode> arguments = new ArrayList<>(List.of(JavaCode.of("%s", JavaString.of(field.jsonName())),
                JavaCode.of("%s", JavaString.of(field.sqlName()))));
        String parameter = dialect.compared(field.column().type(), field.parameter());
        if (!parameter.equals("?")) {
            arguments.add(JavaCode.of("%s", JavaString.of(parameter)));
        }
        boolean whole = field.type() == JavaType.STRING && !field.column().type().isText();
        return JavaCode.of("Filters.on(%s, %s.class)" + (whole ? ".asWhole()" : "")
                + (field.column().nullable() ? ".orNull()" : ""),
                JavaCode.list(arguments), type(field, true));
    }

    static JavaName capitalised(JavaName name) {
        return JavaName.of(capitalised(name.value()));
    }

    static String capitalised(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }

    /** The converter of a field, as a constant of its repository. */
    Optional<RelationView.ConverterView> converter(Field field) {
        return field.converter().map(converter -> new RelationView.ConverterView(
                constant(field), JavaCode.type(field.type(), true),
                converter.type().inCode(), converter.by().inCode()));
    }

    private static JavaName constant(Field field) {
        return JavaName.of(field.name().value().replaceAll("(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})", "_")
                .toUpperCase(Locale.ROOT)
                + "_CONVERTER");
    }

    private static JavaCode bound(Field field) {
        return field.filling() == Filling.OWNER
                ? JavaCode.of("SCOPE.given(%s)", field.input() == Field.Input.READ_ONLY ? JavaCode.of("null") : sent(field))
                : field.told() ? sent(field) : JavaCode.of("Untold.of(%s)", sent(field));
    }

    /** The value for a changed row. */
    private static JavaCode changed(Field field) {
        return field.filling() == Filling.OWNER && field.input() != Field.Input.READ_ONLY
                ? JavaCode.of("SCOPE.changed(%s)", sent(field)) : bound(field);
    }

    /** The value by which a row that is written refers to another. */
    static JavaCode referring(Field field) {
        return field.filling() == Filling.OWNER ? bound(field) : sent(field);
    }

    private static JavaCode sent(Field field) {
        return field.converter().isPresent()
                ? JavaCode.of("%s.write(input.%s())", constant(field), field.name())
                : JavaCode.of("input.%s()", field.name());
    }

    private static JavaCode stored(Field field) {
        JavaString column = JavaString.of(field.column().name());
        JavaCode row = JavaCode.of("row.get(%s)", column);
        boolean fromRow = field.input() == Field.Input.ASSIGNED || field.inKey();
        JavaCode value = JavaCode.of(fromRow ? "stored.%s()" : "input.%s()", field.name());
        if (field.converter().isPresent() && !field.told()) {
            // What is stored of a secret may be another each time: a hash with salt.
            return JavaCode.of("assertThat(%s == null).isEqualTo(%s == null);", row, value);
        }
        if (field.converter().isPresent()) {
            return JavaCode.of("assertThat(%s).isEqualTo(new %s().write(%s));",
                    row, field.converter().get().by().inCode(), value);
        } else if (isAsText(field)) {
            return JavaCode.of("assertThat(row.text(%s)).isEqualTo(%s);", column, value);
        } else if (field.isUuidInBytes()) {
            return JavaCode.of(
                    "assertThat(String.valueOf(%s).replace(\"-\", \"\")).isEqualTo(String.valueOf(%s).replace(\"-\", \"\"));", row, value);
        } else if (field.overridden() || field.column().type().kind() == SqlType.Kind.ANY || field.type() == JavaType.INTEGER
                && !field.selected().equals(field.sqlName())) {
            return JavaCode.of("assertThat(String.valueOf(%s)).isEqualTo(String.valueOf(%s));", row, value);
        }
        if (field.member().isPresent()) {
            return JavaCode.of("assertThat(TestValues.list(%s, %s.class)).isEqualTo(%s);", row,
                    JavaCode.type(field.member().get(), true), value);
        }
        return JavaCode.of(field.type() == JavaType.ENUM
                ? "assertThat(%s).isEqualTo(Sql.databaseValue(%s));" : "assertThat(%s).isEqualTo(%s);", row, value);
    }

    static JavaCode type(Field field, boolean boxed) {
        if (field.converter().isPresent()) {
            return JavaCode.of("%s", field.converter().get().type().inCode());
        }
        return field.enumeration().isPresent()
                ? JavaCode.of("%s", field.enumeration().get().name().inCode())
                : field.member().map(member -> list(member, List.of()))
                .orElseGet(() -> JavaCode.type(field.type(), boxed));
    }

    private static JavaCode list(JavaType member, List<JavaCode> annotations) {
        List<JavaCode> parts = new ArrayList<>(annotations);
        parts.add(JavaCode.type(member, true));
        return JavaCode.of("List<%s>", JavaCode.list(parts, " "));
    }

    private static EnumView enumeration(Enumeration enumeration) {
        return new EnumView(enumeration.name().inCode(), enumeration.constants().entrySet().stream()
                .map(entry -> new EnumView.ConstantView(entry.getKey(), JavaString.of(entry.getValue())))
                .toList());
    }

    private JavaCode read(Field field, JavaCode boxed, boolean mayBeNull, int position) {
        if (field.converter().isPresent()) {
            return JavaCode.of("%s.read(%s)", constant(field),
                    stored(field, JavaCode.type(field.type(), true), true, position));
        }
        return stored(field, boxed, mayBeNull, position);
    }

    /** Whether somebody chose to have it as text, though its type is another. */
    static boolean isAsText(Field field) {
        return field.overridden() && field.type() == JavaType.STRING;
    }

    /** Whether the column has the standard's decimal floating point, whose values may have exponents above zero. */
    static boolean isFloating(Field field) {
        return field.column().type().text().startsWith("DECFLOAT");
    }

    private JavaCode stored(Field field, JavaCode boxed, boolean nullable, int position) {
        boolean readsTyped = dialect.readsTyped(field.column().type());
        if (readsTyped && field.overridden() && field.type().isPrimitive()) {
            JavaCode plain = JavaCode.of("row." + field.type().getter() + "(%s)", position);
            return nullable ? JavaCode.of("Sql.nullable(row, %s)", plain) : plain;
        }
        if (field.isUuidInBytes() && !dialect.readsUuids()) {
            return JavaCode.of("Columns.uuid(row, %s)", position);
        }
        return switch (field.type()) {
            case BIG_DECIMAL -> readsTyped && isFloating(field)
                    ? JavaCode.of("Sql.plain(row.getBigDecimal(%s))", position) : readsTyped
                    ? JavaCode.of("row.getBigDecimal(%s)", position)
                    : JavaCode.of("Columns.decimal(row, %s, %s)", position, field.column().type().scale());
            case STRING -> JavaCode.of("row." + field.type().getter() + "(%s)", position);
            case BINARY -> JavaCode.of("Binary.of(row.getBytes(%s))", position);
            case JSON -> JavaCode.of("Json.parse(row.getString(%s))", position);
            case ENUM -> JavaCode.of("%s.fromString(row.getString(%s))", boxed, position);
            case LIST -> JavaCode.of("Lists.get(row, %s, %s.class)", position,
                    JavaCode.type(field.member().orElseThrow(), true));
            default -> field.type().isPrimitive() && !nullable
                    ? JavaCode.of("row." + field.type().getter() + "(%s)", position)
                    : JavaCode.of(readsTyped ? "row.getObject(%s, %s.class)" : "Columns.get(row, %s, %s.class)",
                            position, boxed);
        };
    }

    private static List<JavaCode> annotations(Field field) {
        List<JavaCode> annotations = new ArrayList<>();
        if (field.input() == Field.Input.ASSIGNED) {
            annotations.add(JavaCode.of("@Null(groups = OnCreate.class)"));
        } else if (field.requiredOnCreate()) {
            annotations.add(JavaCode.of(field.inKey() || !field.told() ? "@NotNull(groups = OnCreate.class)" : "@NotNull"));
        } else if (field.requiredOnReplaceOnly()) {
            annotations.add(JavaCode.of("@NotNull(groups = OnReplace.class)"));
        }
        annotations.addAll(annotations(field.rules(), field.type()));
        return annotations;
    }

    private static List<JavaCode> annotations(List<FieldRule> rules, JavaType type) {
        List<JavaCode> annotations = new ArrayList<>();
        size("@Size", lengths(rules)).ifPresent(annotations::add);
        size("@Bytes", bytes(rules)).ifPresent(annotations::add);
        bound(rules, type, true).ifPresent(annotations::add);
        bound(rules, type, false).ifPresent(annotations::add);
        for (FieldRule rule : rules) {
            if (rule instanceof FieldRule.Digits digits) {
                annotations.add(JavaCode.of(
                        "@Digits(integer = %s, fraction = %s)", digits.integer(), digits.fraction()));
            } else if (rule instanceof FieldRule.Scalar) {
                annotations.add(JavaCode.of("@Scalar"));
            } else if (rule instanceof FieldRule.Pattern pattern) {
                annotations.add(JavaCode.of(pattern.hasPoint() ? "@Pattern(regexp = %s, flags = Pattern.Flag.DOTALL)"
                        : "@Pattern(regexp = %s)",
                        JavaString.of(pattern.regex())));
            }
        }
        return annotations;
    }

    private static List<FieldRule.Length> lengths(List<FieldRule> rules) {
        return rules.stream().filter(FieldRule.Length.class::isInstance).map(FieldRule.Length.class::cast).toList();
    }

    private static List<FieldRule.Length> bytes(List<FieldRule> rules) {
        return rules.stream().filter(FieldRule.Bytes.class::isInstance).map(FieldRule.Bytes.class::cast)
                .map(bytes -> new FieldRule.Length(bytes.least(), bytes.most())).toList();
    }

    private static Optional<JavaCode> size(String annotation, List<FieldRule.Length> lengths) {
        int least = lengths.stream().mapToInt(FieldRule.Length::least).max().orElse(0);
        int most = lengths.stream().mapToInt(FieldRule.Length::most).min().orElse(Integer.MAX_VALUE);
        if (least == 0 && most == Integer.MAX_VALUE) {
            return Optional.empty();
        }
        List<JavaCode> limits = new ArrayList<>();
        if (least > 0) {
            limits.add(JavaCode.of("min = %s", least));
        }
        if (most < Integer.MAX_VALUE) {
            limits.add(JavaCode.of("max = %s", most));
        }
        return Optional.of(JavaCode.of(annotation + "(%s)", JavaCode.list(limits)));
    }

    /** The strictest lower or upper bound. */
    private static Optional<JavaCode> bound(List<FieldRule> rules, JavaType type, boolean lower) {
        BigDecimal strictest = null;
        boolean inclusive = true;
        for (FieldRule rule : rules) {
            BigDecimal bound = lower && rule instanceof FieldRule.Least least ? least.bound()
                    : !lower && rule instanceof FieldRule.Most most ? most.bound() : null;
            if (bound == null) {
                continue;
            }
            boolean closed = rule instanceof FieldRule.Least least ? least.inclusive()
                    : ((FieldRule.Most) rule).inclusive();
            int order = strictest == null ? 1 : lower ? bound.compareTo(strictest) : strictest.compareTo(bound);
            if (order > 0 || order == 0 && !closed) {
                strictest = bound;
                inclusive = closed;
            }
        }
        if (strictest == null) {
            return Optional.empty();
        }
        return Optional.of(bound(type, lower, strictest.stripTrailingZeros(), inclusive));
    }

    private static JavaCode bound(JavaType type, boolean lower, BigDecimal bound, boolean inclusive) {
        boolean whole = (type == JavaType.INTEGER || type == JavaType.LONG) && bound.scale() <= 0
                && bound.abs().compareTo(BigDecimal.valueOf(Long.MAX_VALUE - 1)) < 0;
        if (whole) {
            long limit = bound.longValueExact() + (inclusive ? 0 : lower ? 1 : -1);
            boolean needsSuffix = limit > Integer.MAX_VALUE || limit < Integer.MIN_VALUE;
            return JavaCode.of((lower ? "@Min(%s" : "@Max(%s") + (needsSuffix ? "L)" : ")"), limit);
        }
        JavaString text = JavaString.of(bound.toPlainString());
        String annotation = lower ? "@DecimalMin" : "@DecimalMax";
        return inclusive
                ? JavaCode.of(annotation + "(%s)", text)
                : JavaCode.of(annotation + "(value = %s, inclusive = false)", text);
    }
}
