package dev.vinekit.mapping;

import javax.lang.model.SourceVersion;

/**
 * An identifier that Java accepts; dots separate the parts of a package or qualified name.
 *
 * @param value never a keyword
 */
public record JavaName(String value) implements Comparable<JavaName> {
    public JavaName {
        if (!isValid(value)) {
            throw new IllegalArgumentException("not a Java name: " + value);
        }
    }

    /** Whether a text can be one, or several parted by dots. */
    public static boolean isValid(String value) {
        return SourceVersion.isName(value, SourceVersion.RELEASE_17)
                && value.codePoints().noneMatch(Character::isIdentifierIgnorable);
    }

    public static JavaName of(String value) {
        return new JavaName(value);
    }

    /** This name with letters or digits put behind. */
    public JavaName with(String suffix) {
        return new JavaName(value + suffix);
    }

    @Override
    public int compareTo(JavaName other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
