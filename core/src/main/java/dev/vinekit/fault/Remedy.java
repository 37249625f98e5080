package dev.vinekit.fault;

import java.util.List;

/**
 * What would put a fault right, as a value: each front words it by the handles that it has itself.
 *
 * @param kind what is to be done
 * @param words what the sentence is about, in the order of its places
 */
public record Remedy(Kind kind, List<String> words) {
    /** What can be done, in the words of the library's calls; {@code %s} where a word stands. */
    public enum Kind {
        /** As it says; the same at every front. */
        PLAIN("%s"),
        SEE_CAUSE("The cause of this exception tells the reason."),
        SEE_DRIVER("The cause of this exception is what the driver says."),
        CHECK_URL("Check the URL; the cause of this exception is what the driver says."),
        GIVE_URL("If you trust it, give the URL in the call."),
        CHECK_LOGIN("Check the user and the password."),
        REPORT("Report this, with the cause of this exception."),
        NAME_SCHEMA("Name another schema in the scope, or grant the login the right to read the tables."),
        NAME_ONE_OF_SCHEMAS("There are some in %s: name it in the scope."),
        LEAVE_SCHEMA_OUT("%s has one schema, %s: name no other in the scope."),
        NAME_DIRECTORY("Name another directory."),
        NAME_EMPTY_DIRECTORY("Name an empty or a new directory, or one with a pom.xml or a %s."),
        GENERATE_FIRST("Generate and write it first, or name the project's directory."),
        GENERATE_AGAIN("Generate and write it once more."),
        RESTORE_RECORD("Restore it from version control, or name the package: %s to go on with these files, another to generate a second copy."),
        FINISH_WRITE("Call VineKit.finish, which completes that write, and plan again."),
        PLAN_AGAIN("Plan and write again."),
        NAME_EMPTY_DATABASE("Make an empty database and test on it."),
        NAME_EMPTY_DATABASE_ON_A_SERVER("Make an empty database on a server of your own, and test on it."),
        NAME_DATABASE_WITH_EXTENSIONS("Make an empty database on a server that has it, and test on that."),
        CORRECT_SCRIPT("Correct the script, or take the statement out; check that it was written for this engine."),
        READ_DUMP("Dump the database and load the dump as a script for the engine %s."),
        USE_ANOTHER_SERVER("%s, or use a server that runs already."),
        CHOOSE_PORT("Choose another port with HTTP_PORT; 0 picks a free one.");

        private final String text;

        Kind(String text) {
            this.text = text;
        }
    }

    public Remedy {
        words = List.copyOf(words);
    }

    public static Remedy of(Kind kind, String... words) {
        return new Remedy(kind, List.of(words));
    }

    /** As a sentence in the words of the library. */
    public String text() {
        return text(kind.text);
    }

    /**
     * As a sentence of another front.
     *
     * @param format its sentence, with {@code %s} in as many places as the library's has
     */
    public String text(String format) {
        return String.format(format, words.toArray());
    }
}
