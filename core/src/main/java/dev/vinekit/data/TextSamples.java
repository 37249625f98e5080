package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.schema.SqlType;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** Text that keeps the length and pattern rules of a field. */
final class TextSamples {
    /** Texts with a bar between them; what means something in a regular expression has a backslash before it. */
    private static final Pattern LIST = Pattern.compile("(?s)(?:[^\\\\^$.?*+()\\[\\]{}]|\\\\[^\\p{Alnum}])*");

    private static final Pattern ANY_CASE = Pattern.compile("(?s)^\\(\\?iu:(.*)\\)$");

    private final Field field;
    private final boolean numbered;
    private final int room;
    private final int within;
    private int least;
    private int most = Integer.MAX_VALUE;

    /**
     * Texts for a field.
     *
     * @param room how many digits the number in a numbered text may have
     * @param within how many letters from the beginning must tell numbered texts apart
     */
    TextSamples(Field field, boolean numbered, int room, int within) {
        this.field = field;
        this.room = room;
        this.within = within;
        this.numbered = numbered;
        for (FieldRule rule : field.rules()) {
            if (rule instanceof FieldRule.Length length) {
                least = Math.max(least, length.least());
                most = Math.min(most, length.most());
            }
        }
        if (field.column().type().kind() == SqlType.Kind.CHAR && most < Integer.MAX_VALUE) {
            least = most;
        }
    }

    Sample value(boolean other) {
        String words = field.name().value().replaceAll("(?<=[a-z])(?=[A-Z])", " ").toLowerCase(Locale.ROOT);
        String title = Character.toUpperCase(words.charAt(0)) + words.substring(1);
        List<String[]> candidates = List.of(
                new String[] {(other ? "Other " + words : title) + " ", ""},
                new String[] {field.name().value().toLowerCase(Locale.ROOT) + (other ? ".other" : ""), "@example.com"},
                new String[] {"https://example.com/" + (other ? "other/" : ""), ""},
                new String[] {other ? "B" : "A", ""},
                new String[] {other ? "b" : "a", ""},
                new String[] {other ? "CD" : "AB", ""},
                new String[] {other ? "CDE" : "ABC", ""},
                new String[] {other ? "CD-" : "AB-", ""},
                new String[] {"", ""});
        for (String[] candidate : candidates) {
            String text = (candidate[0] + (numbered ? "1".repeat(room) : "") + candidate[1]).strip();
            if (text.isBlank() || !fits(text) || numbered && candidate[0].length() + room > within) {
                continue;
            }
            boolean tooShort = candidate[0].length() + 1 + candidate[1].length() < least;
            return numbered
                    ? new Sample.NumberedText(candidate[0], tooShort ? room : 0, candidate[1])
                    : new Sample.Text(text);
        }
        if (numbered && field.rules().stream().noneMatch(FieldRule.Pattern.class::isInstance)) {
            return most < 2 ? new Sample.Letter()
                    : new Sample.NumberedText("", Math.max(Math.min(room, most), least), "");
        }
        return matching(other).orElseGet(() -> numbered && other ? value(false) : plain(other));
    }

    /** A text made from the patterns. */
    private Optional<Sample> matching(boolean other) {
        List<String> texts = field.rules().stream().filter(FieldRule.Pattern.class::isInstance)
                .flatMap(rule -> PatternTexts.of(((FieldRule.Pattern) rule).regex()).stream()).filter(this::fits)
                .toList();
        if (numbered) {
            return texts.stream().flatMap(text -> PatternTexts.numbered(text).stream())
                    .filter(text -> fits(text.text(1)) && fits(text.text(11))
                            && fits(text.text(most == 1 ? Sample.LETTERS - 1 : 99)))
                    .findFirst();
        }
        return texts.isEmpty() ? Optional.empty()
                : Optional.of(new Sample.Text(texts.get(other ? texts.size() - 1 : 0)));
    }

    private Sample plain(boolean other) {
        for (String unit : other ? List.of("y", "Y", "2", "b", "B") : List.of("x", "X", "1", "a", "A")) {
            String text = unit.repeat(Math.max(1, Math.min(least, 1000)));
            if (fits(text)) {
                return new Sample.Text(text);
            }
        }
        return listed(other);
    }

    /**
     * One of the texts that a pattern lists, if it is a list of quoted texts; else nothing, or where there must be
     * something a text that may not fit.
     */
    private Sample listed(boolean other) {
        List<String> options = options(field);
        if (!options.isEmpty()) {
            return new Sample.Text(options.get(other ? options.size() - 1 : 0));
        }
        return field.column().nullable() ? new Sample.Nothing() : new Sample.Text(other ? "y" : "x");
    }

    /** The texts that a pattern lists, if it lists texts and nothing else; empty otherwise. */
    static List<String> options(Field field) {
        return field.rules().stream().filter(FieldRule.Pattern.class::isInstance)
                .map(rule -> listed(((FieldRule.Pattern) rule).regex()))
                .filter(texts -> !texts.isEmpty()).findFirst().orElse(List.of());
    }

    private static List<String> listed(String pattern) {
        String regex = ANY_CASE.matcher(pattern).replaceFirst("$1");
        if (!LIST.matcher(regex).matches()) {
            return List.of();
        }
        return Arrays.stream(regex.split("(?<!\\\\)\\|", -1)).map(text -> text.replaceAll("\\\\(.)", "$1")).toList();
    }

    private boolean fits(String text) {
        return text.length() >= least && text.length() <= most && keeps(field, text);
    }

    /** Whether a text keeps the rules of a field, and fills it if it is of fixed length. */
    static boolean keeps(Field field, String text) {
        boolean filled = field.column().type().kind() != SqlType.Kind.CHAR || field.maxLength() == 0
                || text.length() == field.maxLength();
        return filled && field.rules().stream().allMatch(rule -> WrongValues.keeps(rule, text));
    }
}
