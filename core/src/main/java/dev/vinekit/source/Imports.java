package dev.vinekit.source;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds out which imports a piece of Java needs: those of the known names that it uses. */
final class Imports {
    private static final Pattern LINK = Pattern.compile("\\{@link (\\p{L}[\\p{L}\\p{N}_$]*)");

    private final Map<String, String> known;

    /**
     * For these names.
     *
     * @param known the qualified name for each simple name; {@code static a.B.c} for a static method,
     *     {@code @a.B} under {@code @B} for a type that is meant only where it annotates
     */
    Imports(Map<String, String> known) {
        this.known = known;
    }

    /** The import statements, sorted, static ones first; empty if none is needed. */
    String of(String java, String ownPackage) {
        Found found = new Found(ownPackage);
        int i = 0;
        while (i < java.length()) {
            char c = java.charAt(i);
            if (c == '/' || c == '"' || c == '\'') {
                int end = end(java, i);
                if (java.startsWith("/**", i)) {
                    Matcher link = LINK.matcher(java).region(i, end);
                    while (link.find()) {
                        found.add(link.group(1), false);
                    }
                }
                i = end;
            } else if (Character.isJavaIdentifierStart(c)) {
                int end = i + 1;
                while (end < java.length() && Character.isJavaIdentifierPart(java.charAt(end))) {
                    end++;
                }
                if (!followsDot(java, i)) {
                    found.add(java.substring(i, end), i > 0 && java.charAt(i - 1) == '@');
                }
                i = end;
            } else {
                i++;
            }
        }
        return found.statements();
    }

    /** Where a comment, text block, string or character ends; behind the character itself if it begins none of these. */
    private static int end(String java, int start) {
        if (java.startsWith("/*", start)) {
            return after(java, java.indexOf("*/", start + 2), 2);
        } else if (java.startsWith("//", start)) {
            return after(java, java.indexOf('\n', start), 1);
        } else if (java.charAt(start) == '/') {
            return start + 1;
        }
        String quote = java.startsWith("\"\"\"", start) ? "\"\"\"" : java.substring(start, start + 1);
        int i = start + quote.length();
        while (i < java.length() && !java.startsWith(quote, i)) {
            i += java.charAt(i) == '\\' ? 2 : 1;
        }
        return Math.min(java.length(), i + quote.length());
    }

    private static int after(String java, int place, int length) {
        return place < 0 ? java.length() : place + length;
    }

    private static boolean followsDot(String java, int start) {
        int before = start - 1;
        while (before >= 0 && Character.isWhitespace(java.charAt(before))) {
            before--;
        }
        return before >= 0 && java.charAt(before) == '.';
    }

    /** The names found so far. */
    private final class Found {
        private final String ownPackage;
        private final Set<String> statics = new TreeSet<>();
        private final Set<String> types = new TreeSet<>();

        Found(String ownPackage) {
            this.ownPackage = ownPackage;
        }

        void add(String name, boolean annotates) {
            String annotation = annotates ? known.get("@" + name) : null;
            String qualified = annotation == null ? known.get(name) : annotation;
            if (qualified == null) {
                return;
            }
            if (qualified.startsWith("static ")) {
                statics.add(qualified);
            } else if (!isOwn(qualified, name)) {
                types.add(qualified.startsWith("@") ? qualified.substring(1) : qualified);
            }
        }

        private boolean isOwn(String qualified, String name) {
            return qualified.length() == ownPackage.length() + 1 + name.length() && qualified.startsWith(ownPackage);
        }

        String statements() {
            StringBuilder text = new StringBuilder();
            statics.forEach(name -> text.append("import ").append(name).append(";\n"));
            text.append(statics.isEmpty() || types.isEmpty() ? "" : "\n");
            types.forEach(name -> text.append("import ").append(name).append(";\n"));
            return text.toString();
        }
    }
}
