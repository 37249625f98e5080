package dev.vinekit.source;

import dev.vinekit.mapping.JavaName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Finds out which imports a piece of Java needs: those of its own that it uses, and those of the classes around it.
 * Where a class of the domain has the name of another that the same file uses, it keeps it, and the other is written
 * with its package.
 */
final class Imports {
    private static final Pattern LINK = Pattern.compile("\\{@link (" + JavaName.MARK + "?\\p{L}[\\p{L}\\p{N}_$]*)");

    /** Annotations of a type stand before its simple name (Java Language Specification 17, section 9.7.4). */
    private static final Pattern QUALIFIED_ELEMENT =
            Pattern.compile("<((?:@\\w+(?:\\([^<>\\n]*\\))? )+)((?:[a-z]\\w*\\.)+)(\\w+)>");

    /** What a template says that it may use, wherever it says so. */
    private static final Pattern DECLARED =
            Pattern.compile("(?m)^import ((?:static )?[\\w.]+\\.(\\w+));\\R\\R?");

    private final Map<String, String> known;
    private final Map<String, String> domain;

    /**
     * For these names.
     *
     * @param known the qualified names of the classes that are the same for all tables, by their simple names
     * @param domain the qualified names of the classes that stand for tables, by their simple names
     */
    Imports(Map<String, String> known, Map<String, String> domain) {
        this.known = known;
        this.domain = domain;
    }

    /**
     * A file's imports, and its text without marks.
     *
     * @param statements sorted, static ones first; empty if none is needed
     */
    record Resolved(String statements, String body) {
    }

    /**
     * A name in a text.
     *
     * @param name without its package
     * @param written as it stands there, which may be with its package
     */
    private record Use(int start, int end, String name, String written, boolean marked) {
        boolean isQualified() {
            return written.length() > name.length();
        }
    }

    /** The imports and the text of a file whose own imports stand before it. */
    Resolved of(String text, String ownPackage) {
        Map<String, String> types = new HashMap<>(known);
        Matcher declared = DECLARED.matcher(text);
        while (declared.find()) {
            types.put(declared.group(2), declared.group(1));
        }
        return of(declared.replaceAll(""), ownPackage, types);
    }

    private Resolved of(String java, String ownPackage, Map<String, String> types) {
        List<Use> uses = uses(java);
        Map<String, String> ofDomain = new HashMap<>();
        uses.stream().filter(use -> use.marked && !use.isQualified() && domain.containsKey(use.name))
                .forEach(use -> ofDomain.put(use.name, domain.get(use.name)));
        uses.stream().filter(Use::isQualified).forEach(use -> ofDomain.putIfAbsent(use.name, use.written));
        Set<String> statics = new TreeSet<>();
        Set<String> plain = new TreeSet<>();
        StringBuilder body = new StringBuilder();
        int copied = 0;
        for (Use use : uses) {
            body.append(java, copied, use.marked ? use.start - 1 : use.start);
            copied = use.end;
            Optional<String> qualified = use.isQualified() ? Optional.of(use.written)
                    : use.marked && domain.containsKey(use.name) ? Optional.of(domain.get(use.name))
                    : other(use.name, types);
            boolean givesWay = ofDomain.containsKey(use.name) && qualified.isPresent()
                    && !qualified.get().equals(ofDomain.get(use.name)) && !qualified.get().startsWith("static ");
            body.append(givesWay ? qualified.get() : use.name);
            if (!givesWay && qualified.isPresent()) {
                boolean hidden = !use.marked && (ownPackage + "." + use.name).equals(domain.get(use.name));
                add(qualified.get(), use.name, ownPackage, hidden,
                        qualified.get().startsWith("static ") ? statics : plain);
            }
        }
        body.append(java.substring(copied));
        StringBuilder text = new StringBuilder();
        statics.forEach(name -> text.append("import ").append(name).append(";\n"));
        text.append(statics.isEmpty() || plain.isEmpty() ? "" : "\n");
        plain.forEach(name -> text.append("import ").append(name).append(";\n"));
        return new Resolved(text.toString(),
                QUALIFIED_ELEMENT.matcher(body.toString().replace(String.valueOf(JavaName.MARK), ""))
                .replaceAll("<$2$1$3>"));
    }

    /** @param hidden whether a class of the same package would be meant without an import */
    private static void add(String qualified, String name, String ownPackage, boolean hidden, Set<String> imports) {
        boolean own = qualified.equals(ownPackage + "." + name);
        boolean ofLanguage = qualified.equals("java.lang." + name);
        if (!own && (!ofLanguage || hidden)) {
            imports.add(qualified);
        }
    }

    /**
     * What a name without a mark stands for: a class of a library or of the service's support, one of the language, or
     * one of the domain.
     */
    private Optional<String> other(String name, Map<String, String> types) {
        String qualified = types.get(name);
        if (qualified != null || !domain.containsKey(name)) {
            return Optional.ofNullable(qualified);
        }
        return Optional.of(isOfLanguage(name) ? "java.lang." + name : domain.get(name));
    }

    private static boolean isOfLanguage(String name) {
        try {
            Class.forName("java.lang." + name, false, null);
            return true;
        } catch (ClassNotFoundException | LinkageError e) {
            return false;
        }
    }

    private static List<Use> uses(String java) {
        List<Use> uses = new ArrayList<>();
        int i = 0;
        while (i < java.length()) {
            char c = java.charAt(i);
            if (c == '/' || c == '"' || c == '\'') {
                int end = end(java, i);
                if (java.startsWith("/**", i)) {
                    Matcher link = LINK.matcher(java).region(i, end);
                    while (link.find()) {
                        uses.add(use(java, link.start(1), link.end(1)));
                    }
                }
                i = end;
            } else if (Character.isJavaIdentifierStart(c) || c == JavaName.MARK) {
                int end = i + 1;
                while (end < java.length() && JavaName.isPart(java.charAt(end))) {
                    end++;
                }
                if (!followsDot(java, i)) {
                    uses.add(use(java, i, end));
                }
                i = end;
            } else {
                i++;
            }
        }
        return uses;
    }

    private static Use use(String java, int start, int end) {
        boolean marked = java.charAt(start) == JavaName.MARK;
        int first = marked ? start + 1 : start;
        String written = JavaName.written(java.substring(first, end));
        return new Use(first, end, written.substring(written.lastIndexOf('.') + 1), written, marked);
    }

    /**
     * Where a comment, text block, string or character ends; behind the character itself if it begins none of these.
     */
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
}
