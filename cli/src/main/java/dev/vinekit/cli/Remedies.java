package dev.vinekit.cli;

import dev.vinekit.fault.Remedy;

/** What would put a fault right, in the words of the tool: its options and commands. */
final class Remedies {
    private Remedies() {
    }

    static String text(Remedy remedy) {
        return switch (remedy.kind()) {
            case PLAIN -> remedy.text();
            case SEE_CAUSE -> "Run again with --verbose to see the reason.";
            case SEE_DRIVER -> "Run again with --verbose to see what the driver says.";
            case CHECK_URL -> "Check the URL; run again with --verbose to see what the driver says.";
            case GIVE_URL -> "If you trust it, give it with --url.";
            case CHECK_LOGIN -> "Check --user, and that the variable named by --password-env holds the password.";
            case REPORT -> "Report this, with the output of --verbose.";
            case NAME_SCHEMA ->
                "Name another schema with --schema, or grant the login the right to read the tables.";
            case NAME_ONE_OF_SCHEMAS -> remedy.text("There are some in %s: name it with --schema.");
            case LEAVE_SCHEMA_OUT -> remedy.text("%s has one schema, %s: leave --schema out.");
            case NAME_DIRECTORY -> "Name another directory with --dir.";
            case NAME_EMPTY_DIRECTORY ->
                remedy.text("Name an empty or a new directory with --dir, or one with a pom.xml or a %s.");
            case GENERATE_FIRST -> "Run vinekit generate --url URL first, or name the project's directory with --dir.";
            case GENERATE_AGAIN -> "Run vinekit generate once more.";
            case RESTORE_RECORD -> remedy.text("Restore it from version control, or choose with --package: %s to go on "
                    + "with these files, another name to generate a second copy.");
            case FINISH_WRITE -> "Run vinekit generate without --dry-run, --patch or --diff: it completes that write first.";
            case PLAN_AGAIN -> "Run vinekit generate again.";
            case NAME_EMPTY_DATABASE -> "Make an empty database and name it with --on.";
            case NAME_EMPTY_DATABASE_ON_A_SERVER ->
                "Make an empty database on a server of your own, and name it with --on.";
            case NAME_DATABASE_WITH_EXTENSIONS ->
                "Make an empty database on a server that has it, and test on that: vinekit test --on URL.";
            case CORRECT_SCRIPT -> "Correct the script, or take the statement out; check that --engine names the "
                    + "engine it was written for.";
            case READ_DUMP -> remedy.text("Dump the database and read the dump: --script dump.sql --engine %s.");
            case USE_ANOTHER_SERVER -> remedy.text("%s, or name a server with --url.");
            case CHOOSE_PORT -> "Choose another port with --port or HTTP_PORT; 0 picks a free one.";
        };
    }
}
