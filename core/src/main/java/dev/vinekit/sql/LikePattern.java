package dev.vinekit.sql;

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

    /** The expression that matches this text and no other. */
    public static String literal(String text) {
        return text.replaceAll("[\\\\^$.|?*+()\\[\\]{}]", "\\\\$0");
    }

    private static void flush(StringBuilder plain, StringBuilder regex) {
        if (!plain.isEmpty()) {
            regex.append(literal(plain.toString()));
            plain.setLength(0);
        }
    }
}
