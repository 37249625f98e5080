package dev.vinekit.mapping.file;

import com.fasterxml.jackson.core.io.JsonStringEncoder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Spells texts for YAML. */
final class YamlText {
    private static final int WIDTH = 100;

    private YamlText() {
    }

    /** A text as a value or key: plain if it means itself, else in quotes. */
    static String of(String text) {
        boolean plain = text.matches("[A-Za-z$][A-Za-z0-9_./:;=?&$%+~{}\\-]*") && !text.matches(".*:$|.*: .*")
                && !text.matches("(?i)true|false|yes|no|on|off|null|y|n");
        return plain ? text : '"' + escaped(text) + '"';
    }

    /** JSON's escapes are YAML's too (YAML 1.2.2, section 5.7); what is not ASCII is escaped as well. */
    private static String escaped(String text) {
        StringBuilder escaped = new StringBuilder();
        for (char c : String.valueOf(JsonStringEncoder.getInstance().quoteAsString(text)).toCharArray()) {
            escaped.append(c < 0x7f || Character.isLetterOrDigit(c) ? String.valueOf(c)
                    : String.format(Locale.ROOT, "\\u%04x", (int) c));
        }
        return escaped.toString();
    }

    /** A text as lines of comment. */
    static List<String> comment(String text, String indent) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        String visible = text.codePoints().map(c -> Character.isISOControl(c) || Character.isWhitespace(c) ? ' ' : c)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
        for (String word : visible.split(" +")) {
            if (!line.isEmpty() && indent.length() + 3 + line.length() + word.length() > WIDTH) {
                lines.add(indent + "# " + line);
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(indent + "# " + line);
        return lines;
    }
}
