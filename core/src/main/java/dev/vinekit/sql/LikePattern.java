package dev.vinekit.sql;

import java.util.regex.Pattern;

/** SQL LIKE patterns as regular expressions. */
public final class LikePattern {
    private LikePattern() {
    }

    /** The expression that the whole text must match; {@code .} stands for line ends too. */
    public static String regex(String like, char escape) {
        StringBuilder regex = new StringBuilder();
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < like.length(); i++) {
            char c = like.charAt(i);
            if (c == escape && i + 1 < like.length()) {
                plain.append(like.charAt(++i));
            } else if (c == '%' || c == '_') {
                flush(plain, regex);
                regex.append(c == '%' ? ".*" : ".");
            } else {
                plain.append(c);
            }
        }
        flush(plain, regex);
        return regex.toString();
    }

    private static void flush(StringBuilder plain, StringBuilder regex) {
        if (!plain.isEmpty()) {
            String text = plain.toString();
            regex.append(text.chars().allMatch(c -> Character.isLetterOrDigit(c) || "@ _-:/,".indexOf(c) >= 0)
                    ? text : Pattern.quote(text));
            plain.setLength(0);
        }
    }
}
