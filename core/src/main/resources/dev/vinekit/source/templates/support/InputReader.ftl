import com.fasterxml.jackson.annotation.JacksonAnnotation;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.Constructor;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoField;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Makes an input record of a JSON object, and reports every property that does not fit at once. */
public final class InputReader {
    /** More digits than a database keeps: writing them out would be an attack. */
    static final int MOST_DIGITS = 9999;
    private static final int USUAL_DIGITS = 40;

    /** How deep a value may be nested, so that it can be told again as a part of a row and of a list. */
    private static final int MOST_LEVELS = 200;
    private static final int LONGEST_NAME = 60;
    private static final int LAST_YEAR = ${s.lastYear};
<#if s.endless>
    private static final int LAST_YEAR_OF_DATES = ${s.lastYearOfDates};
</#if>

    private static final ClassValue<Shape> SHAPES = new ClassValue<>() {
        @Override
        protected Shape computeValue(Class<?> type) {
            return Shape.of(type);
        }
    };

    /** The components of a record, and how it is made. */
<#if s.lists>
    private record Shape(List<String> names, Class<?>[] types, Type[] generic, Constructor<?> constructor, boolean annotated) {
<#else>
    private record Shape(List<String> names, Class<?>[] types, Constructor<?> constructor, boolean annotated) {
</#if>
        static Shape of(Class<?> type) {
            Class<?>[] types = Arrays.stream(type.getRecordComponents()).map(RecordComponent::getType).toArray(Class<?>[]::new);
<#if s.lists>
            Type[] generic = Arrays.stream(type.getRecordComponents()).map(RecordComponent::getGenericType).toArray(Type[]::new);
</#if>
            try {
                return new Shape(Json.properties(type), types, <#if s.lists>generic, </#if>type.getDeclaredConstructor(types),
                        isAnnotated(type) || Arrays.stream(type.getRecordComponents()).map(RecordComponent::getAccessor).anyMatch(Shape::isAnnotated));
            } catch (NoSuchMethodException e) {
                throw new IllegalStateException("a record without its constructor", e);
            }
        }

        /** Whether a person has said how Jackson is to read it. */
        private static boolean isAnnotated(AnnotatedElement element) {
            return Arrays.stream(element.getAnnotations()).map(Annotation::annotationType)
                    .anyMatch(kind -> kind.isAnnotationPresent(JacksonAnnotation.class) && kind != JsonProperty.class);
        }
    }

    private InputReader() {
    }

    /**
     * The record that a body stands for.
     *
     * @throws ProblemException 400 naming each unknown property and each value of a wrong type
     */
    public static <T> T read(ObjectNode body, Class<T> type) {
        Shape shape = SHAPES.get(type);
        if (shape.annotated()) {
            return type.cast(readAsAnnotated(body, Json.MAPPER.constructType(type)));
        }
        List<Violation> violations = unknown(body, type);
        Object[] values = new Object[shape.names().size()];
        for (int i = 0; i < values.length; i++) {
            String name = shape.names().get(i);
            JsonNode node = body.path(name);
            if (!node.isMissingNode() && !node.isNull()) {
<#if s.lists>
                values[i] = shape.generic()[i] instanceof ParameterizedType list
                        ? list(name, node, (Class<?>) list.getActualTypeArguments()[0], violations)
                        : convert(name, node, shape.types()[i], violations);
<#else>
                values[i] = convert(name, node, shape.types()[i], violations);
</#if>
            }
        }
        if (!violations.isEmpty()) {
            throw ProblemException.invalid(violations);
        }
        try {
            return type.cast(shape.constructor().newInstance(values));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("cannot make a " + type.getSimpleName(), e);
        }
    }

    /**
     * What a body stands for as Jackson reads it: in types of a person's own, and in records that have its annotations.
     *
     * @throws ProblemException 400 naming the first value that does not fit
     */
    static Object readAsAnnotated(JsonNode body, JavaType type) {
        if (!isMeasured(body)) {
            throw ProblemException.malformed("The body must be JSON of at most " + MOST_LEVELS
                    + " levels, without NUL characters and very large numbers.");
        }
        try {
            return Json.MAPPER.treeToValue(body, type);
        } catch (JsonMappingException e) {
            String field = e.getPath().stream().map(part -> part.getFieldName() == null ? "[" + part.getIndex() + "]" : part.getFieldName())
                    .collect(Collectors.joining("."));
            if (field.isEmpty()) {
                throw ProblemException.malformed("The body must be JSON that stands for a value of its type.", e);
            }
            throw ProblemException.invalid(List.of(new Violation(field, e instanceof UnrecognizedPropertyException ? "Unknown" : "Type",
                    e instanceof UnrecognizedPropertyException ? "is not one of the properties to send" : "is not valid")));
        } catch (JsonProcessingException e) {
            throw ProblemException.malformed("The body must be JSON that stands for a value of its type.", e);
        }
    }

    /**
     * A body that has to be an object.
     *
     * @throws ProblemException 400 if it is not
     */
    static ObjectNode object(JsonNode body) {
        if (body instanceof ObjectNode object) {
            return object;
        }
        throw ProblemException.malformed("The body must be a JSON object.");
    }

    /**
     * The record that an object stands for, or the records that an array of objects does.
     *
     * @throws ProblemException 400 naming each unknown property and each value of a wrong type, of every element
     */
    static OneOrMany<Object> readAll(JsonNode body, Class<?> type) {
        if (!(body instanceof ArrayNode array)) {
            return new OneOrMany<>(List.of(read(object(body), type)), false);
        }
        if (array.size() > OneOrMany.MOST) {
            throw ProblemException.malformed("The array has " + array.size() + " elements; the most is "
                    + OneOrMany.MOST + ".");
        }
        List<Object> rows = new ArrayList<>();
        List<Violation> violations = new ArrayList<>();
        for (int i = 0; i < array.size(); i++) {
            if (array.get(i) instanceof ObjectNode object) {
                try {
                    rows.add(read(object, type));
                } catch (ProblemException e) {
                    violations.addAll(e.at(i).problem().violations());
                }
            } else {
                violations.add(new Violation("[" + i + "]", "Type", "must be a JSON object"));
            }
        }
        if (!violations.isEmpty()) {
            throw ProblemException.invalid(violations);
        }
        return new OneOrMany<>(rows, true);
    }

    /** A violation for each property that the record does not have. */
    static List<Violation> unknown(ObjectNode body, Class<?> type) {
        if (SHAPES.get(type).annotated()) {
            return List.of();
        }
        List<String> names = SHAPES.get(type).names();
        List<Violation> violations = new ArrayList<>();
        body.fieldNames().forEachRemaining(name -> {
            if (!names.contains(name)) {
                String shown = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) + "..." : name;
                violations.add(new Violation(shown, "Unknown", violations.isEmpty()
                        ? "is not one of the properties to send: " + String.join(", ", names) : "is not one of them either"));
            }
        });
        return violations;
    }

<#if s.lists>
    private static List<Object> list(String field, JsonNode node, Class<?> type, List<Violation> violations) {
        if (!node.isArray()) {
            violations.add(new Violation(field, "Type", "must be an array"));
            return null;
        }
        List<Object> list = new ArrayList<>();
        for (JsonNode element : node) {
            list.add(element.isNull() ? null : convert(field + "[" + list.size() + "]", element, type, violations));
        }
        return Collections.unmodifiableList(list);
    }

</#if>
    private static Object convert(String field, JsonNode node, Class<?> type, List<Violation> violations) {
        if (isMeasured(node) && (type == JsonNode.class<#if s.roundedNumbers> && isKeptAlone(node)</#if><#if s.roundedDocuments> && isOfDoubles(node)</#if> || type == String.class && node.isTextual())) {
            return type == JsonNode.class ? node : node.textValue();
        }
<#if s.roundedNumbers>
        if (type == JsonNode.class && !isKeptAlone(node)) {
            violations.add(new Violation(field, "Type", "must not be a number with more digits than a double has; the database would round it"));
            return null;
        }
</#if>
<#if s.roundedDocuments>
        if (type == JsonNode.class && !isOfDoubles(node)) {
            violations.add(new Violation(field, "Type", "must have no number of more digits than a double has, for the database keeps no more"));
            return null;
        }
</#if>
        boolean misplacedText = node.isTextual() && node.textValue().isBlank() && type != String.class && !type.isEnum()<#if s.binary>
                && type != Binary.class</#if>;
        boolean fromText = type.isEnum() || Temporal.class.isAssignableFrom(type) || type == UUID.class<#if s.binary> || type == Binary.class</#if>;
        if (isMeasured(node) && !misplacedText && (!fromText || node.isTextual()<#if s.binary> || node.isBinary()</#if>)) {
            try {
                Object value = Json.MAPPER.treeToValue(node, type);
                if (isKept(<#if s.infinities>node, </#if>value)) {
                    return value;
                }
            } catch (JsonProcessingException | IllegalArgumentException e) {
                violations.add(new Violation(field, "Type", expected(type)));
                return null;
            }
        }
        violations.add(new Violation(field, "Type", expected(type)));
        return null;
    }

    /** Whether a value can be written as text again: not deeper nested, and not with more digits, than is sensible. */
    private static boolean isMeasured(JsonNode node) {
        return digits(node, MOST_LEVELS) <= MOST_DIGITS;
    }

    /** How many digits writing out exponents adds; more than are allowed if a text is none, or the value is nested too deep. */
    private static long digits(JsonNode node, int levels) {
        if (node.isContainerNode()) {
            long sum = levels == 0 ? MOST_DIGITS + 1L : 0;
            for (Iterator<JsonNode> inner = node.elements(); inner.hasNext() && sum <= MOST_DIGITS;) {
                sum += digits(inner.next(), levels - 1);
            }
            return node.properties().stream().allMatch(property -> isText(property.getKey())) ? sum : MOST_DIGITS + 1L;
        }
        if (node.isTextual()) {
            return isText(node.textValue()) ? 0 : MOST_DIGITS + 1L;
        } else if (!node.isBigDecimal()) {
            return 0;
        }
        BigDecimal number = node.decimalValue();
        long added = Math.max(-(long) number.scale(), (long) number.scale() - number.precision());
        return Math.abs((long) number.scale()) > MOST_DIGITS ? MOST_DIGITS + 1L : added > USUAL_DIGITS ? added : 0;
    }

<#if s.roundedNumbers>
    /** Whether a number that is the whole value is stored without rounding: as 64 bits, or as a double. */
    private static boolean isKeptAlone(JsonNode node) {
        return !node.isNumber() || node.isIntegralNumber() && node.canConvertToLong() || Double.isFinite(node.doubleValue())
                && BigDecimal.valueOf(node.doubleValue()).compareTo(node.decimalValue()) == 0;
    }

</#if>
<#if s.roundedDocuments>
    /** Whether every number is a whole one of 64 bits, or one that a double tells from its neighbours. */
    private static boolean isOfDoubles(JsonNode node) {
        if (node.isContainerNode()) {
            for (JsonNode inner : node) {
                if (!isOfDoubles(inner)) {
                    return false;
                }
            }
            return true;
        }
        boolean whole = node.isIntegralNumber() && (node.canConvertToLong()
                || node.bigIntegerValue().signum() > 0 && node.bigIntegerValue().bitLength() <= Long.SIZE);
        return whole || !node.isNumber() || Double.isFinite(node.doubleValue())
                && BigDecimal.valueOf(node.doubleValue()).compareTo(node.decimalValue()) == 0;
    }

</#if>
    /** Whether a text can be stored: no NUL, and no half of a pair of UTF-16 alone. */
    static boolean isText(String text) {
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int c = text.codePointAt(i);
            if (c == 0 || c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE) {
                return false;
            }
        }
        return true;
    }

    /** Whether a value comes back as it was sent: a number that its type can hold, a date of a year that every reader knows. */
    private static boolean isKept(<#if s.infinities>JsonNode node, </#if>Object value) {
        if (value instanceof Temporal moment && moment.isSupported(ChronoField.YEAR)) {
            int year = moment.get(ChronoField.YEAR);
<#if s.endless>
            return year >= 1 && year <= (value instanceof LocalDate ? LAST_YEAR_OF_DATES : LAST_YEAR);
<#else>
            return year >= 1 && year <= LAST_YEAR;
</#if>
        }
<#if s.infinities>
        if (!(value instanceof Double || value instanceof Float) || Double.isFinite(((Number) value).doubleValue())) {
            return true;
        }
        return node.isTextual()<#if !s.notNumbers> && !Double.isNaN(((Number) value).doubleValue())</#if>;
<#else>
        return !(value instanceof Double || value instanceof Float) || Double.isFinite(((Number) value).doubleValue());
</#if>
    }

    /** What a value of a type must be. */
    static String expected(Class<?> type) {
        if (type.isEnum()) {
            return "must be one of " + Arrays.stream(type.getEnumConstants())
                    .map(constant -> constant instanceof CodedEnum coded ? coded.code() : constant.toString())
                    .collect(Collectors.joining(", "));
        }
        return switch (type.getSimpleName()) {
            case "Boolean" -> "must be true or false";
            case "Integer" -> "must be a whole number from -2147483648 to 2147483647";
            case "Long" -> "must be a whole number from -9223372036854775808 to 9223372036854775807";
            case "BigDecimal", "Double", "Float" -> "must be a number";
            case "LocalDate" -> "must be a date such as 2024-05-31";
            case "LocalTime" -> "must be a time such as 17:30:00";
            case "OffsetTime" -> "must be a time with an offset such as 17:30:00+02:00";
            case "LocalDateTime" -> "must be a date and time such as 2024-05-31T17:30:00";
            case "OffsetDateTime" -> "must be a date and time with an offset such as 2024-05-31T17:30:00+02:00";
            case "UUID" -> "must be a UUID such as 123e4567-e89b-42d3-a456-426614174000";
            case "Binary" -> "must be bytes in Base64";
<#if s.converted>
            case "String" -> "must be text";
            default -> "is not valid";
<#else>
            case "JsonNode" -> "must be JSON of at most " + MOST_LEVELS + " levels, without NUL characters and very large numbers";
            default -> "must be text of whole characters without NUL";
</#if>
        };
    }
}
