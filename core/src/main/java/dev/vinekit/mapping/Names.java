package dev.vinekit.mapping;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import javax.lang.model.SourceVersion;

/** Gives out Java names that the compiler takes and nothing else has. */
final class Names {
    /** File names have at most 255 bytes on most file systems; this leaves room for layers, tests and extensions. */
    private static final int LONGEST = 180;

    /** Methods of {@link Object} that a record component may not be called (JLS 17, section 8.10.1). */
    private static final Set<String> NO_COMPONENTS = Set.of(
            "clone", "finalize", "hashCode", "notify", "notifyAll", "toString", "wait");

    private final Set<String> taken = new HashSet<>();

    private final List<String> patterns;

    /**
     * Names for the classes of tables.
     *
     * @param patterns the names of the classes that a table gets, with {@code *} where that of its entity stands
     */
    Names(List<String> patterns) {
        this.patterns = patterns;
    }

    /**
     * A class name for a table, of which no derived class clashes with another.
     *
     * @param onRename told the name that was not to be had, and why
     */
    JavaName entity(Words words, BiConsumer<String, String> onRename) {
        return entity(words.singular().pascal(), onRename);
    }

    /** As {@link #entity(Words, BiConsumer)}, for a name that is to be taken as it is. */
    JavaName entity(String asked, BiConsumer<String, String> onRename) {
        String wanted = asked;
        if (wanted.isEmpty() || !Character.isJavaIdentifierStart(wanted.charAt(0))) {
            wanted = "Table" + wanted;
        }
        String name = shortened(wanted);
        String reason = name.equals(wanted) ? "" : "file systems allow no file name of that length";
        for (int i = 1; ; i++) {
            reason = reason.isEmpty() ? clash(name) : reason;
            if (clash(name).isEmpty()) {
                break;
            }
            name = shortened(wanted) + "Row" + (i == 1 ? "" : i);
        }
        if (!name.equals(wanted)) {
            onRename.accept(wanted, reason);
        }
        derived(name).forEach(each -> taken.add(each.toLowerCase(Locale.ROOT)));
        return JavaName.of(name);
    }

    /** Why a class may not have a name; empty if it may. */
    String clash(String name) {
        if (SourceVersion.isKeyword(name, SourceVersion.RELEASE_17)) {
            return "it is a Java keyword";
        }
        boolean clashes = derived(name).anyMatch(each -> taken.contains(each.toLowerCase(Locale.ROOT)));
        return clashes ? "another table gives a class of that name" : "";
    }

    private Stream<String> derived(String name) {
        return patterns.stream().map(pattern -> pattern.replace("*", name));
    }

    /** The beginning of a name, so long that a file of its class can be created, whatever is added to the name. */
    private static String shortened(String name) {
        String beginning = name;
        while (beginning.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            beginning = beginning.substring(0, beginning.offsetByCodePoints(beginning.length(), -1));
        }
        return beginning;
    }

    /** A class name for an enum. */
    JavaName type(String wanted) {
        String name = shortened(wanted);
        for (int i = 2; taken.contains(name.toLowerCase(Locale.ROOT)); i++) {
            name = shortened(wanted) + i;
        }
        taken.add(name.toLowerCase(Locale.ROOT));
        return JavaName.of(name);
    }

    /**
     * A record component, different from the others.
     *
     * @param others names that are taken; the new one is added
     * @param onRename told the name that was not to be had, and why
     */
    static JavaName component(Words words, Set<String> others, BiConsumer<String, String> onRename) {
        String wanted = words.camel();
        if (wanted.isEmpty() || !Character.isJavaIdentifierStart(wanted.charAt(0))) {
            wanted = "column" + words.pascal();
        }
        String name = wanted;
        String reason = "";
        if (SourceVersion.isKeyword(name, SourceVersion.RELEASE_17)) {
            name = wanted + "Value";
            reason = "it is a Java keyword";
        } else if (isGetter(name)) {
            name = "column" + capitalised(wanted);
            reason = "validation would take it for the getter of another field";
        } else if (NO_COMPONENTS.contains(name)) {
            name = wanted + "Value";
            reason = "a record component may not be called so";
        }
        String base = name;
        for (int i = 2; others.contains(name) || isReadAlike(name, others); i++) {
            reason = others.contains(name) ? "another column gives the same name"
                    : "with is in front, it and another name are the same";
            name = base + i;
        }
        others.add(name);
        if (!name.equals(wanted)) {
            onRename.accept(wanted, reason);
        }
        return JavaName.of(name);
    }

    /** Whether a name is that of a getter, whatever it gives (JavaBeans 1.01, section 8.3). */
    private static boolean isGetter(String name) {
        return name.matches("get\\p{Lu}.*");
    }

    /** Whether one component looks like the getter of another, for a truth value. */
    private static boolean isReadAlike(String name, Set<String> others) {
        return others.contains("is" + capitalised(name))
                || others.stream().anyMatch(other -> name.equals("is" + capitalised(other)));
    }

    static boolean isComponent(String name) {
        return JavaName.isValid(name) && name.indexOf('.') < 0 && !NO_COMPONENTS.contains(name) && !isGetter(name);
    }

    static String capitalised(String name) {
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }

    /** Enum constants for texts, in order. */
    static Map<JavaName, String> constants(List<String> labels) {
        Map<JavaName, String> constants = new LinkedHashMap<>();
        for (String label : labels) {
            String wanted = Words.of(label).joined("_").toUpperCase(Locale.ROOT);
            if (wanted.isEmpty() || !Character.isJavaIdentifierStart(wanted.charAt(0))) {
                wanted = "VALUE_" + (wanted.isEmpty() ? constants.size() + 1 : wanted);
            }
            String name = wanted;
            for (int i = 2; constants.containsKey(JavaName.of(name)); i++) {
                name = wanted + "_" + i;
            }
            constants.put(JavaName.of(name), label);
        }
        return constants;
    }
}
