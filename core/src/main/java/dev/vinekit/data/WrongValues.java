package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.SqlType;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Values that break one rule of a field, while the rest of a sample row and all other rules stand. */
final class WrongValues {
    private static final List<String> TEXTS =
            List.of("?", "!", "x", "X", "1", "-", " ", "_", "é", "a1", "?x?", "no such value");
    private static final int LONGEST = 5000;
    private static final BigDecimal FAR_AWAY = BigDecimal.valueOf(2_000_000_000);
    /** The first field of an interval has two digits where nothing is said (ISO/IEC 9075-2, 10.1). */
    private static final String MOST_OF_AN_INTERVAL = "98";

    private final Entity entity;
    private final SampleRow sample;

    WrongValues(Entity entity, SampleRow sample) {
        this.entity = entity;
        this.sample = sample;
    }

    /** The trials by which a field shows that it keeps a rule; none if whatever breaks it breaks another rule too. */
    List<Trial> against(Field field, FieldRule rule) {
        List<Trial> trials = new ArrayList<>();
        if (rule instanceof FieldRule.Length length) {
            if (length.most() < LONGEST) {
                first(field, rule, lengthened(length.most() + 1))
                        .ifPresent(value -> trials.add(wrong(field, value, "too long")));
            }
            if (length.least() > 0) {
                first(field, rule, lengthened(length.least() - 1))
                        .ifPresent(value -> trials.add(wrong(field, value, "too short")));
            }
        } else if (rule instanceof FieldRule.Bytes bytes) {
            if (bytes.most() < LONGEST) {
                trials.add(wrong(field, ofBytes(bytes.most() + 1), "too long"));
            }
            if (bytes.least() > 0) {
                trials.add(wrong(field, ofBytes(bytes.least() - 1), "too short"));
            }
        } else if (rule instanceof FieldRule.Least least) {
            BigDecimal value = least.inclusive() ? least.bound().subtract(step(field)) : least.bound();
            first(field, rule, Stream.of(value)).ifPresent(wrong -> trials.add(wrong(field, wrong, "below its least")));
        } else if (rule instanceof FieldRule.Most most) {
            BigDecimal value = most.inclusive() ? most.bound().add(step(field)) : most.bound();
            first(field, rule, Stream.of(value)).ifPresent(wrong -> trials.add(wrong(field, wrong, "above its most")));
        } else if (rule instanceof FieldRule.Digits digits) {
            first(field, rule, Stream.of(BigDecimal.ONE.movePointRight(digits.integer())))
                    .ifPresent(wrong -> trials.add(wrong(field, wrong, "with too many digits")));
            BigDecimal half = BigDecimal.valueOf(5).movePointLeft(digits.fraction() + 1);
            first(field, rule, number(field).stream()
                    .flatMap(value -> Stream.of(value.add(half), value.subtract(half))))
                    .ifPresent(wrong -> trials.add(wrong(field, wrong, "with too many decimals")));
        } else if (rule instanceof FieldRule.Scalar) {
            trials.add(wrong(field, true, "neither a number nor a text"));
        } else if (rule instanceof FieldRule.Pattern) {
            first(field, rule, texts(field)).ifPresent(wrong -> trials.add(wrong(field, wrong, "out of its pattern")));
        }
        return trials;
    }

    private static String ofBytes(int count) {
        return Base64.getEncoder().encodeToString(new byte[count]);
    }

    /** A text that is not among those that a field takes. */
    Optional<Trial> unlisted(Field field) {
        if (field.enumeration().isPresent()) {
            return Optional.of(wrong(field, "no such value", "not among its values"));
        }
        return texts(field).filter(text -> field.rules().stream().anyMatch(rule -> !keeps(rule, text))
                        && field.rules().stream().filter(FieldRule.Length.class::isInstance)
                        .allMatch(rule -> keeps(rule, text)))
                .findFirst().map(text -> wrong(field, text, "not among its values"));
    }

    /** A number that is not one of a few. */
    Optional<Trial> unlisted(RowRule.OneOf rule) {
        return rule.options().stream()
                .flatMap(option -> Stream.of(option.add(BigDecimal.ONE), option.subtract(BigDecimal.ONE)))
                .filter(number -> rule.options().stream().noneMatch(option -> option.compareTo(number) == 0))
                .filter(number -> rule.field().rules().stream().allMatch(other -> keeps(other, number)))
                .findFirst().map(number -> wrong(rule.field(), number, "not among its values"));
    }

    /**
     * A value that no row has, or nothing if rules leave no room for one.
     *
     * @param there what rows have
     */
    Optional<Object> missing(Field field, Sample there) {
        Stream<Object> candidates = switch (field.type().nature()) {
            case NUMBER -> !field.type().isExactNumber() ? Stream.of() : Stream.concat(Stream.of(FAR_AWAY),
                    field.rules().stream().flatMap(WrongValues::most));
            case BYTES -> Stream.of(Base64.getEncoder().encodeToString(full(there)));
            case TEXT -> field.column().type().kind() == SqlType.Kind.BIT
                    ? Stream.of("1".repeat((int) Math.max(1, field.column().type().length())))
                    : field.numberedExample().isPresent()
                    ? Stream.of(field.numberedExample().get().replace("##", "59").replace("#",
                            field.column().type().kind() == SqlType.Kind.INTERVAL ? MOST_OF_AN_INTERVAL : "9876"))
                    : Stream.of("???", "??", "?", "ZZZZ", "ZZZ", "ZZ", "Z", "zzz", "z", "999", "9", "Z9");
            case MOMENT, IDENTIFIER -> Stream.of(field.type().unlikely()).filter(text -> !text.isEmpty())
                    .map(Object.class::cast);
            case TRUTH, CHOICE, DOCUMENT, LIST -> Stream.of();
        };
        return candidates.filter(value -> field.rules().stream().allMatch(rule -> keeps(rule, value)))
                .filter(value -> keepsRows(field, value)).findFirst();
    }

    /** As many bytes as a value has, all of their bits set. */
    private static byte[] full(Sample value) {
        byte[] bytes = new byte[value instanceof Sample.NumberedBytes numbered ? numbered.length()
                : value instanceof Sample.Bytes other ? other.hex().length() / 2 : Integer.BYTES];
        Arrays.fill(bytes, (byte) -1);
        return bytes;
    }

    private static Stream<BigDecimal> most(FieldRule rule) {
        if (rule instanceof FieldRule.Most bound) {
            return Stream.of(bound.inclusive() ? bound.bound() : bound.bound().subtract(BigDecimal.ONE));
        }
        return rule instanceof FieldRule.Digits digits
                ? Stream.of(BigDecimal.ONE.movePointRight(digits.integer()).subtract(BigDecimal.ONE)) : Stream.of();
    }

    private static Trial wrong(Field field, Object value, String how) {
        return new Trial.Values(Map.of(field, value), how);
    }

    private Optional<Object> first(Field field, FieldRule broken, Stream<?> candidates) {
        return candidates.filter(value -> !keeps(broken, value))
                .filter(value -> field.rules().stream().filter(rule -> !rule.equals(broken))
                        .allMatch(rule -> keeps(rule, value)))
                .filter(value -> keepsRows(field, value))
                .map(Object.class::cast).findFirst();
    }

    /** Whether the rules that tie a number to others still hold. */
    private boolean keepsRows(Field field, Object value) {
        if (!(value instanceof BigDecimal number)) {
            return true;
        }
        return entity.rowRules().stream().allMatch(rule -> {
            if (rule instanceof RowRule.OneOf oneOf) {
                return !oneOf.field().equals(field)
                        || oneOf.options().stream().anyMatch(option -> option.compareTo(number) == 0);
            }
            RowRule.Compare compare = (RowRule.Compare) rule;
            Optional<BigDecimal> left = compare.left().equals(field) ? Optional.of(number) : number(compare.left());
            Optional<BigDecimal> right = compare.right().equals(field) ? Optional.of(number) : number(compare.right());
            return !compare.left().equals(field) && !compare.right().equals(field) || left.isEmpty() || right.isEmpty()
                    || compare.operator().holds(left.get().compareTo(right.get()));
        });
    }

    private Optional<BigDecimal> number(Field field) {
        Sample value = sample.values().get(field);
        return value instanceof Sample.Number number ? Optional.of(number.value())
                : value instanceof Sample.NumberedNumber number ? Optional.of(number.base().add(BigDecimal.TEN))
                : Optional.empty();
    }

    private static BigDecimal step(Field field) {
        return field.type() == JavaType.BIG_DECIMAL && field.column().type().precision() > 0
                ? BigDecimal.ONE.movePointLeft(Math.max(0, field.column().type().scale())) : BigDecimal.ONE;
    }

    private static Stream<Object> lengthened(int length) {
        return length == 0 ? Stream.of("")
                : Stream.of('x', 'X', '1', 'a', 'A').map(unit -> new Trial.LongText(unit, length));
    }

    private static Stream<String> texts(Field field) {
        int most = field.maxLength() == 0 ? Integer.MAX_VALUE : field.maxLength();
        int least = field.rules().stream().filter(FieldRule.Length.class::isInstance)
                .mapToInt(rule -> ((FieldRule.Length) rule).least()).max().orElse(0);
        return TEXTS.stream().flatMap(text -> Stream.of(text, text.repeat(Math.max(1, Math.min(least, LONGEST)))))
                .filter(text -> text.length() <= most);
    }

    /** Whether a value keeps a rule: text, a number, or a text of one character so many times. */
    static boolean keeps(FieldRule rule, Object value) {
        if (value instanceof BigDecimal number) {
            return keeps(rule, number);
        }
        String text = value instanceof Trial.LongText repeated ? repeated.text() : value.toString();
        if (rule instanceof FieldRule.Length length) {
            return text.length() >= length.least() && text.length() <= length.most();
        }
        return !(rule instanceof FieldRule.Pattern pattern)
                || Pattern.compile(pattern.regex(), Pattern.DOTALL).matcher(text).matches();
    }

    private static boolean keeps(FieldRule rule, BigDecimal number) {
        if (rule instanceof FieldRule.Least least) {
            int order = number.compareTo(least.bound());
            return order > 0 || least.inclusive() && order == 0;
        } else if (rule instanceof FieldRule.Most most) {
            int order = number.compareTo(most.bound());
            return order < 0 || most.inclusive() && order == 0;
        } else if (rule instanceof FieldRule.Digits digits) {
            BigDecimal plain = number.stripTrailingZeros();
            return plain.precision() - plain.scale() <= digits.integer()
                    && Math.max(0, plain.scale()) <= digits.fraction();
        }
        return true;
    }
}
