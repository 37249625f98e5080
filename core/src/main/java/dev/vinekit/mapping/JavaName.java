package dev.vinekit.mapping;

import javax.lang.model.SourceVersion;

/**
 * An identifier that Java accepts; dots separate the parts of a package or qualified name.
 *
 * @param value never a keyword
 * @param ofDomain whether code that is being written has the name of a class of the domain here, so that it is told
 *     apart from a library's class of the same name
 */
public record JavaName(String value, boolean ofDomain) implements Comparable<JavaName> {
    /**
     * What stands before the name of a class of the domain while a file is being written: no character at all (Unicode
     * 15, 23.7).
     */
    public static final char MARK = '\ufdd0';

    /** Stands for the dots of a name with its package that has a mark; no character either. */
    private static final char DOT = '\ufdd1';

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
        return new JavaName(value, false);
    }

    /** This name, with a mark before it in code; one with its package is shortened there if it can be. */
    public JavaName inCode() {
        return new JavaName(value, true);
    }

    /** Whether a name goes on with this character in code that is being written. */
    public static boolean isPart(char c) {
        return Character.isJavaIdentifierPart(c) || c == DOT;
    }

    /** A name as Java has it, of one that stands behind a mark. */
    public static String written(String marked) {
        return marked.replace(DOT, '.');
    }

    /** This name with letters or digits put behind. */
    public JavaName with(String suffix) {
        return new JavaName(value + suffix, ofDomain);
    }

    @Override
    public int compareTo(JavaName other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return ofDomain ? MARK + value.replace('.', DOT) : value;
    }
}
