package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Tells by their names which columns keep what nobody is to read, passwords, hashes of them, tokens and keys, and which
 * are about a person.
 */
final class Secrets {
    private static final Set<String> WORDS = Set.of("password", "passwords", "passwd", "pwd", "passphrase", "passcode",
            "secret", "secrets", "token", "tokens", "salt", "credential", "credentials", "apikey");

    private static final Set<String> OF_KEYS = Set.of("api", "private", "access", "secret", "encryption", "signing");

    private static final Set<String> IN_TWO = Set.of("pin hash", "pin code", "access code", "security code");

    /** What is said about a secret, rather than it. */
    private static final Set<String> ABOUT = Set.of("type", "kind", "name", "id", "algorithm", "algo", "policy", "status",
            "url", "uri", "count", "length", "format", "label", "title", "description", "note", "comment");

    private static final Set<String> PERSONAL = Set.of("email", "phone", "telephone", "mobile", "birthday", "birthdate",
            "dob", "iban", "ssn", "surname", "lastname", "firstname");

    private static final Set<String> PERSONAL_IN_TWO =
            Set.of("e mail", "birth date", "date birth", "last name", "first name", "family name", "given name", "born on");

    private Secrets() {
    }

    /** Whether a column has the name and the type of a secret. */
    static boolean isOne(Column column) {
        List<String> words = words(column);
        boolean kept = switch (column.type().kind()) {
            case UUID, BINARY -> true;
            default -> column.type().isText() && column.type().labels().isEmpty();
        };
        return kept && !ABOUT.contains(words.get(words.size() - 1))
                && (words.stream().anyMatch(WORDS::contains) || isKey(words) || isAny(IN_TWO, words));
    }

    /** Whether a column has the name of personal data: how to reach somebody, or who it is. */
    static boolean isPersonal(Column column) {
        List<String> words = words(column).stream().filter(word -> !word.equals("of")).toList();
        String last = words.isEmpty() ? "" : words.get(words.size() - 1);
        return column.type().isScalar() && (last.equals("name") || !ABOUT.contains(last))
                && (words.stream().anyMatch(PERSONAL::contains) || isAny(PERSONAL_IN_TWO, words));
    }

    private static boolean isAny(Set<String> pairs, List<String> words) {
        return IntStream.range(1, words.size()).anyMatch(i -> pairs.contains(words.get(i - 1) + " " + words.get(i)));
    }

    private static List<String> words(Column column) {
        return List.of(Words.of(column.name()).joined(" ").split(" "));
    }

    private static boolean isKey(List<String> words) {
        int last = words.size() - 1;
        return last > 0 && words.get(last).equals("key") && OF_KEYS.contains(words.get(last - 1));
    }
}
