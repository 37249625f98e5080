package dev.vinekit.data;

import com.github.curiousoddman.rgxgen.RgxGen;
import com.github.curiousoddman.rgxgen.config.RgxGenOption;
import com.github.curiousoddman.rgxgen.config.RgxGenProperties;
import com.github.curiousoddman.rgxgen.parsing.dflt.RgxGenParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Texts that match a regular expression, the same each time. */
final class PatternTexts {
    private static final int ATTEMPTS = 40;
    private static final Pattern ANYWHERE = Pattern.compile("(?s)\\.\\*\\(\\?-s:(.*)\\)\\.\\*");
    private static final Pattern ANY_CASE = Pattern.compile("(?s)\\(\\?iu:(.*)\\)");
    private static final Pattern DIGITS = Pattern.compile("\\d{2,}");
    private static final Pattern LETTERS = Pattern.compile("[A-Z]{2,}|[a-z]{2,}|^[A-Za-z]$");

    private PatternTexts() {
    }

    /** Some texts, which probably match; none if the expression is too much for the library that makes them. */
    static List<String> of(String regex) {
        String plain = inner(ANY_CASE, inner(ANYWHERE, inner(ANY_CASE, regex)))
                .replaceAll("^\\.\\*|(?<!\\\\)\\.\\*$", "");
        boolean open = !plain.equals(regex) && !plain.startsWith("^");
        List<String> texts = new ArrayList<>();
        try {
            RgxGenProperties properties = new RgxGenProperties();
            RgxGenOption.INFINITE_PATTERN_REPETITION.setInProperties(properties, 3);
            RgxGen generator = RgxGen.parse(properties,
                    plain.replaceAll("^\\^|(?<!\\\\)\\$$", "").replaceAll("\\\\Q(.*?)\\\\E", "$1"));
            Random random = new Random(regex.hashCode());
            for (int i = 0; i < ATTEMPTS; i++) {
                String text = generator.generate(random);
                texts.add(open && text.isEmpty() ? "x" : text);
            }
        } catch (RgxGenParseException | UnsupportedOperationException | IllegalArgumentException e) {
            return List.of();
        }
        return texts.stream().distinct().toList();
    }

    /** Texts like this one in which the row's number takes the place of digits, or of letters. */
    static List<Sample> numbered(String text) {
        List<Sample> found = new ArrayList<>();
        Matcher digits = DIGITS.matcher(text);
        while (digits.find()) {
            found.add(new Sample.NumberedText(text.substring(0, digits.start()), digits.end() - digits.start(),
                    text.substring(digits.end())));
        }
        Matcher letters = LETTERS.matcher(text);
        while (letters.find()) {
            found.add(new Sample.NumberedLetters(text.substring(0, letters.start()),
                    Character.isUpperCase(text.charAt(letters.start())) ? 'A' : 'a', letters.end() - letters.start(),
                    text.substring(letters.end())));
        }
        return found;
    }

    private static String inner(Pattern around, String regex) {
        Matcher matcher = around.matcher(regex);
        return matcher.matches() ? matcher.group(1) : regex;
    }
}
