package dev.vinekit.engine.mysql;

import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Expressions as MySQL's catalog tells them: each byte of their UTF-8 as a letter, as if in a string, and with a
 * character set before each text.
 */
final class CatalogText {
    /** A text or a quoted name, which stay as they are, or the character set before a text. */
    private static final Pattern TOKEN =
            Pattern.compile("('(?:[^'\\\\]|\\\\.|'')*'|`(?:[^`]|``)*`)|\\b_[a-z0-9]+(?=')", Pattern.DOTALL);

    private CatalogText() {
    }

    /** The expression as a statement spells it. */
    static String expression(String bytes) {
        String told = decoded(bytes);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < told.length(); i++) {
            char letter = told.charAt(i);
            text.append(letter == '\\' && i + 1 < told.length() ? unescaped(told.charAt(++i)) : letter);
        }
        return TOKEN.matcher(text).replaceAll(token -> token.group(1) == null ? ""
                : Matcher.quoteReplacement(token.group()));
    }

    /** Texts that are no bytes of UTF-8 are told as they are. */
    private static String decoded(String bytes) {
        try {
            return StandardCharsets.UTF_8.newDecoder()
                    .decode(StandardCharsets.ISO_8859_1.newEncoder().encode(CharBuffer.wrap(bytes))).toString();
        } catch (CharacterCodingException e) {
            return bytes;
        }
    }

    private static char unescaped(char letter) {
        return switch (letter) {
            case 'n' -> '\n';
            case 'r' -> '\r';
            case '0' -> '\0';
            case 'Z' -> '\u001a';
            default -> letter;
        };
    }
}
