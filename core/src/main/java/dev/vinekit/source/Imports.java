package dev.vinekit.source;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds out which imports a piece of Java needs: those of the known names that it uses. */
final class Imports {
    /** Comments, text blocks, strings and characters, which are passed over, or a name with what stands before it. */
    private static final Pattern TOKEN = Pattern.compile(
            "/\\*.*?\\*/|//[^\\n]*|\"\"\".*?(?<!\\\\)\"\"\"|\"(?:\\\\.|[^\"\\\\])*\"|'(?:\\\\.|[^'\\\\])*'"
                    + "|(?<dot>[.]\\s*)?(?<name>@?[\\p{L}_$][\\p{L}\\p{N}_$]*)", Pattern.DOTALL);

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
        Set<String> statics = new TreeSet<>();
        Set<String> types = new TreeSet<>();
        Matcher token = TOKEN.matcher(java);
        while (token.find()) {
            if (token.group("name") != null && token.group("dot") == null) {
                add(token.group("name"), ownPackage, statics, types);
            } else if (token.group().startsWith("/**")) {
                Matcher link = LINK.matcher(token.group());
                while (link.find()) {
                    add(link.group(1), ownPackage, statics, types);
                }
            }
        }
        StringBuilder text = new StringBuilder();
        statics.forEach(name -> text.append("import ").append(name).append(";\n"));
        text.append(statics.isEmpty() || types.isEmpty() ? "" : "\n");
        types.forEach(name -> text.append("import ").append(name).append(";\n"));
        return text.toString();
    }

    private void add(String name, String ownPackage, Set<String> statics, Set<String> types) {
        String simple = name.replaceFirst("^@", "");
        String qualified = known.getOrDefault(name, known.get(simple));
        if (qualified == null) {
            return;
        }
        if (qualified.startsWith("static ")) {
            statics.add(qualified);
        } else if (!qualified.equals(ownPackage + "." + simple)) {
            types.add(qualified.replaceFirst("^@", ""));
        }
    }
}
