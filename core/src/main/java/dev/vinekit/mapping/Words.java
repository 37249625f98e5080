package dev.vinekit.mapping;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The words that a database name is made of.
 *
 * @param words in lower case, letters and digits only; empty for a name without any
 */
record Words(List<String> words) {
    /**
     * Splits at everything that is no letter or digit, where a capital follows a small letter, and before the last
     * capital of several: {@code HTTPServer} is two words.
     */
    static Words of(String name) {
        List<String> words = new ArrayList<>();
        StringBuilder word = new StringBuilder();
        int previous = ' ';
        int[] letters = name.codePoints().toArray();
        for (int i = 0; i < letters.length; i++) {
            int c = letters[i];
            boolean hump = Character.isUpperCase(c)
                    && (Character.isLowerCase(previous) || Character.isUpperCase(previous) && beginsWord(letters, i));
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

    /** Whether a capital is followed by small letters, other than the s of a plural. */
    private static boolean beginsWord(int[] letters, int i) {
        boolean small = i + 1 < letters.length && Character.isLowerCase(letters[i + 1]);
        boolean lastS = small && letters[i + 1] == 's'
                && (i + 2 == letters.length || !Character.isLowerCase(letters[i + 2]));
        return small && !lastS;
    }

    private static boolean isPart(int c) {
        return Character.isLetterOrDigit(c) && Character.isJavaIdentifierPart(c)
                && !Character.isSupplementaryCodePoint(c);
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

    /** These words without the first ones, if they are those and not all. */
    Words withoutFirst(Words first) {
        int length = first.words.size();
        return words.size() > length && words.subList(0, length).equals(first.words)
                ? new Words(words.subList(length, words.size()))
                : this;
    }

    Words and(Words last) {
        return new Words(Stream.concat(words.stream(), last.words.stream()).toList());
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
