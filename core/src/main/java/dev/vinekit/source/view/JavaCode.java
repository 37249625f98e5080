package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** A piece of Java put together from parts that are safe, by a form that is ours. */
public final class JavaCode {
    private final String code;

    private JavaCode(String code) {
        this.code = code;
    }

    /**
     * Code of a form such as {@code "%s.of(%s)"}.
     *
     * @param form a constant of ours
     * @param parts checked names, literals, other code, numbers
     * @throws IllegalArgumentException for a part that may not stand in code
     */
    static JavaCode of(String form, Object... parts) {
        Object[] texts = Arrays.stream(parts).map(JavaCode::text).toArray();
        return new JavaCode(String.format(Locale.ROOT, form, texts));
    }

    static JavaCode list(List<?> parts) {
        return new JavaCode(parts.stream().map(JavaCode::text).collect(Collectors.joining(", ")));
    }

    /**
     * Parts joined.
     *
     * @param joint a constant of ours
     */
    static JavaCode list(List<?> parts, String joint) {
        return new JavaCode(parts.stream().map(JavaCode::text).collect(Collectors.joining(joint)));
    }

    private static String text(Object part) {
        if (part instanceof JavaName || part instanceof JavaString || part instanceof JavaCode
                || part instanceof Number || part instanceof Boolean) {
            return part.toString();
        }
        throw new IllegalArgumentException("not safe in code: " + part);
    }

    /** The simple name of a type. */
    static JavaCode type(JavaType type, boolean boxed) {
        return new JavaCode(boxed ? type.boxedName() : type.simpleName());
    }

    @Override
    public String toString() {
        return code;
    }
}
