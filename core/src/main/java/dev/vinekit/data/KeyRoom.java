package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.UniqueKey;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** How many rows the columns of a key can tell apart, and by which of them. */
final class KeyRoom {
    /**
     * How many rows of a table the seed and one test may make between them, and how many are more than anybody makes.
     */
    private static final int ENOUGH_ROWS = 100;
    private static final int LARGE = 1000;

    /** So many bits distinguish as many rows as the letters do. */
    static final int ENOUGH_BITS = 5;
    private static final int LETTERS = 26;

    private KeyRoom() {
    }

    /** Whether a key of digits has a value for as many rows as tests may make. */
    static boolean hasRoom(Entity entity, UniqueKey key) {
        List<Field> digits = digits(entity, key);
        return digits.isEmpty() || product(entity, digits) >= ENOUGH_ROWS;
    }

    /**
     * The whole numbers and bits of a key in which nothing else can differ much, and none of them much by itself, and
     * the fields of a few values behind them if all together distinguish enough rows; empty for other keys.
     */
    static List<Field> digits(Entity entity, UniqueKey key) {
        List<Field> numbers = numbers(entity, key);
        if (numbers.isEmpty() || product(entity, numbers) >= ENOUGH_ROWS) {
            return numbers;
        }
        List<Field> all = Stream.concat(numbers.stream(), key.columns().stream().map(entity::field)
                .filter(field -> field.type() == JavaType.STRING && !choices(entity, field).isEmpty())).distinct().toList();
        return product(entity, all) >= ENOUGH_ROWS ? all : numbers;
    }

    private static List<Field> numbers(Entity entity, UniqueKey key) {
        List<Field> fields = key.columns().stream().map(entity::field).toList();
        boolean refers = entity.relations().stream()
                .anyMatch(relation -> relation.fields().stream().anyMatch(fields::contains));
        boolean compared = entity.rowRules().stream().anyMatch(rule -> rule instanceof RowRule.Compare compare
                && (fields.contains(compare.left()) || fields.contains(compare.right())));
        if (refers || compared || fields.stream()
                .anyMatch(field -> field.input() != Field.Input.WRITABLE || room(entity, field) >= LARGE)) {
            return List.of();
        }
        List<Field> digits = fields.stream()
                .filter(field -> field.type().isExactNumber() || isBits(field) && bits(field) < ENOUGH_BITS)
                .filter(field -> field.enumeration().isEmpty() && choices(entity, field).isEmpty()).toList();
        int others = fields.stream().filter(field -> !digits.contains(field)).mapToInt(field -> room(entity, field))
                .max().orElse(0);
        return product(entity, digits) < others ? List.of() : digits;
    }

    static long product(Entity entity, List<Field> digits) {
        return digits.stream().mapToLong(field -> room(entity, field)).reduce(1, (a, b) -> a * b);
    }

    /** About how many values a field can have. */
    private static int room(Entity entity, Field field) {
        List<String> choices = choices(entity, field);
        if (!choices.isEmpty()) {
            return choices.size();
        } else if (isBits(field)) {
            return bits(field) < Integer.SIZE - 1 ? 1 << bits(field) : Integer.MAX_VALUE;
        }
        return switch (field.type().nature()) {
            case NUMBER -> field.type().isExactNumber() ? new NumberSamples(field).room() : Integer.MAX_VALUE;
            case TEXT -> field.maxLength() == 1 ? LETTERS : field.maxLength() == 2 ? ENOUGH_ROWS : Integer.MAX_VALUE;
            case BYTES -> field.column().type().length() == 1 ? ENOUGH_ROWS : Integer.MAX_VALUE;
            case TRUTH, CHOICE, MOMENT, IDENTIFIER, DOCUMENT, LIST -> Integer.MAX_VALUE;
        };
    }

    static boolean isBits(Field field) {
        return field.column().type().kind() == SqlType.Kind.BIT;
    }

    /** How many bits a value of the field has in samples. */
    static int bits(Field field) {
        long length = field.column().type().length();
        return length > 0 && length < Long.SIZE ? (int) length : Long.SIZE;
    }

    /** The values of a field of which there are only a few, as texts; empty for others. */
    static List<String> choices(Entity entity, Field field) {
        if (field.enumeration().isPresent()) {
            return List.copyOf(field.enumeration().get().constants().values());
        }
        if (field.type() == JavaType.BOOLEAN) {
            return List.of("TRUE", "FALSE");
        } else if (field.type() == JavaType.STRING) {
            return TextSamples.options(field);
        }
        return entity.rowRules().stream()
                .filter(rule -> rule instanceof RowRule.OneOf oneOf && oneOf.field().equals(field))
                .findFirst().map(rule -> ((RowRule.OneOf) rule).options().stream().map(BigDecimal::toPlainString)
                        .toList()).orElse(List.of());
    }

    /** The column of a key by which rows differ: of those with much room the one whose type makes the best samples. */
    static String distinguishing(Entity entity, UniqueKey key) {
        List<Field> fields = key.columns().stream().map(entity::field).toList();
        int most = fields.stream().mapToInt(field -> Math.min(LARGE, room(entity, field))).max().orElse(0);
        List<Field> roomy = fields.stream().filter(field -> Math.min(LARGE, room(entity, field)) == most).toList();
        for (JavaType type : JavaType.telling()) {
            Optional<Field> found = roomy.stream().filter(field -> field.type() == type).findFirst();
            if (found.isPresent()) {
                return found.get().column().name();
            }
        }
        return roomy.get(0).column().name();
    }
}
