package dev.vinekit.sql;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;

/** Makes text of the bytes of a script. */
public final class ScriptText {
    private final String bytes;
    private final StringBuilder result = new StringBuilder();
    private int position;

    private ScriptText(byte[] bytes) {
        this.bytes = new String(bytes, StandardCharsets.ISO_8859_1);
    }

    /**
     * The text of a script in UTF-8. MariaDB's dumps have the bytes of binary columns in strings; strings that are no
     * text become hexadecimal.
     *
     * @throws CharacterCodingException if the bytes are no such text
     */
    public static String of(byte[] bytes, ScriptSyntax syntax) throws CharacterCodingException {
        boolean mayHoldBytes = syntax.backslashEscapes() && !isText(bytes);
        return decoded(mayHoldBytes ? new ScriptText(bytes).withoutBinaryStrings() : bytes);
    }

    private static boolean isText(byte[] bytes) {
        try {
            decoded(bytes);
            return true;
        } catch (CharacterCodingException e) {
            return false;
        }
    }

    private static String decoded(byte[] bytes) throws CharacterCodingException {
        return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    }

    private byte[] withoutBinaryStrings() {
        while (position < bytes.length()) {
            int start = position;
            char c = bytes.charAt(position);
            if (c == '\'') {
                string();
            } else if (c == '"' || c == '`') {
                position = after(String.valueOf(c), position + 1);
                result.append(bytes, start, position);
            } else if (bytes.startsWith("-- ", position) || c == '#') {
                position = after("\n", position);
                result.append(bytes, start, position);
            } else if (bytes.startsWith("/*", position) && !bytes.startsWith("/*!", position)) {
                position = after("*/", position);
                result.append(bytes, start, position);
            } else {
                result.append(c);
                position++;
            }
        }
        return result.toString().getBytes(StandardCharsets.ISO_8859_1);
    }

    private int after(String end, int from) {
        int found = bytes.indexOf(end, from);
        return found < 0 ? bytes.length() : found + end.length();
    }

    private void string() {
        int start = position;
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        boolean open = true;
        for (position++; open && position < bytes.length(); position++) {
            char c = bytes.charAt(position);
            boolean doubled = c == '\'' && position + 1 < bytes.length() && bytes.charAt(position + 1) == '\'';
            if (c == '\\' && position + 1 < bytes.length()) {
                position++;
                Lexer.escaped(bytes.charAt(position)).chars().forEach(content::write);
            } else if (c == '\'' && !doubled) {
                open = false;
            } else {
                position += doubled ? 1 : 0;
                content.write(c);
            }
        }
        result.append(isText(content.toByteArray()) ? bytes.substring(start, position)
                : "X'" + HexFormat.of().formatHex(content.toByteArray()) + "'");
    }
}
