package dev.vinekit.mapping;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * The words that a database name is made of.
 *
 * @param words in lower case, letters and digits only; empty for a name without any
 */
record Words(List<String> words) {
    /** Splits at everything that is no letter or digit, and where a capital follows a small letter. */
    static Words of(String name) {
        List<String> words = new ArrayList<>();
        StringBuilder word = new StringBuilder();
        int previous = ' ';
        for (int c : name.codePoints().toArray()) {
            boolean hump = Character.isUpperCase(c) && Character.isLowerCase(previous);
            if (!word.isEmpty() && (hump || !isPart(c))) {
                words.add(word.toString().toLowerCase(Locale.ROOT));
                word.setLength(0);
            }
            if (isPart(c)) {
                word.appendCodePoint(c);
            }
            previous = c;
        }
        if (!word.isEmpty()) {
            words.add(word.toString().toLowerCase(Locale.ROOT));
        }
        return new Words(List.copyOf(words));
    }

    private static boolean isPart(int c) {
        return Character.isLetterOrDigit(c) && Character.isJavaIdentifierPart(c) && !Character.isSupplementaryCodePoint(c);
    }

    boolean isEmpty() {
        return words.isEmpty();
    }

    Words singular() {
        return withLast(English::singular);
    }

    Words plural() {
        return withLast(English::plural);
    }

    private Words withLast(UnaryOperator<String> change) {
        if (words.isEmpty()) {
            return this;
        }
        List<String> changed = new ArrayList<>(words);
        changed.set(words.size() - 1, change.apply(words.get(words.size() - 1)));
        return new Words(List.copyOf(changed));
    }

    /** These words without the last, if the last is this one and not the only one. */
    Words without(String last) {
        return words.size() > 1 && words.get(words.size() - 1).equals(last)
                ? new Words(words.subList(0, words.size() - 1))
                : this;
    }

    String pascal() {
        return words.stream().map(Words::capitalised).collect(Collectors.joining());
    }

    String camel() {
        String pascal = pascal();
        return pascal.isEmpty() ? "" : words.get(0) + pascal.substring(words.get(0).length());
    }

    String joined(String separator) {
        return String.join(separator, words);
    }

    private static String capitalised(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }
}
