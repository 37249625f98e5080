import java.math.BigDecimal;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Keys as one path segment: the parts, percent-encoded, joined by commas. */
public final class PathKeys {
    private static final Pattern PLAIN = Pattern.compile("-?(?:0|[1-9][0-9]*+)(?:\\.[0-9]++)?");

    private PathKeys() {
    }

    public static String join(Object... parts) {
        return Arrays.stream(parts)
                .map(PathKeys::text)
                .map(part -> URLEncoder.encode(part, StandardCharsets.UTF_8).replace("+", "%20"))
                .collect(Collectors.joining(","));
    }

    /** A part as text, without percent-encoding; a key of several parts is told as its segment. */
    static String text(Object part) {
<#if s.binary>
        if (part instanceof Binary binary) {
            return binary.segment();
        }
</#if>
        return part instanceof CodedEnum coded ? coded.code() : part.toString();
    }

    /**
     * The parts of a segment.
     *
     * @throws IllegalArgumentException if there are not so many
     */
    public static List<String> split(String segment, int size) {
        String[] parts = segment.split(",", -1);
        if (parts.length != size) {
            throw new IllegalArgumentException("a key has " + size + " parts");
        }
        return Arrays.stream(parts).map(PathKeys::decoded).toList();
    }

    /**
     * A part without its percent-encoding.
     *
     * @throws IllegalArgumentException if the encoding is broken
     */
    static String decoded(String part) {
        return URLDecoder.decode(part.replace("+", "%2B"), StandardCharsets.UTF_8);
    }

    /**
     * A part as a value, in the one form that it has in paths.
     *
     * @throws IllegalArgumentException if it is not one of this type, or has another form
     */
    public static <T> T part(String part, Class<T> type) {
        T value = type == Long.class ? type.cast(Long.valueOf(part)) : parse(part, type);
        boolean usual = !(value instanceof Number || value instanceof UUID) || text(value).equals(part)
                || value instanceof BigDecimal && PLAIN.matcher(part).matches();
        if (!usual) {
            throw new IllegalArgumentException("another form of " + value);
        }
        return value;
    }

    /**
     * A part as a value.
     *
     * @throws IllegalArgumentException if it is not one of this type
     */
    public static <T> T parse(String part, Class<T> type) {
        if (part.indexOf('\0') >= 0) {
            throw new IllegalArgumentException("a NUL character");
        }
        if (type == String.class) {
            return type.cast(part);
        }
<#if s.binary>
        if (type == Binary.class) {
            return type.cast(Binary.fromString(part));
        }
</#if>
        if (type == Boolean.class && !part.equals("true") && !part.equals("false")) {
            throw new IllegalArgumentException("neither true nor false");
        }
        T value = Json.LENIENT.convertValue(part, type);
        if (value == null) {
            throw new IllegalArgumentException("no value");
        }
        if (value instanceof BigDecimal number && Math.abs((long) number.scale()) > InputReader.MOST_DIGITS
                || value instanceof Double real && real.isInfinite() && part.matches(".*[0-9].*")
                || value instanceof Float single && single.isInfinite() && part.matches(".*[0-9].*")) {
            throw new IllegalArgumentException("no number to count with");
        }
        return value;
    }
}
