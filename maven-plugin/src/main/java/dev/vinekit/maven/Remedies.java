package dev.vinekit.maven;

import dev.vinekit.fault.Remedy;

/** What would put a fault right, in the words of a build: its properties and goals. */
final class Remedies {
    private Remedies() {
    }

    static String text(Remedy remedy) {
        return switch (remedy.kind()) {
            case SEE_CAUSE, SEE_DRIVER -> "Run again with -e to see the reason.";
            case CHECK_URL -> "Check the URL; run again with -e to see what the driver says.";
            case GIVE_URL -> "If you trust it, give it with vinekit.url.";
            case CHECK_LOGIN -> "Check vinekit.user, and the password of vinekit.server or vinekit.passwordVariable.";
            case REPORT -> "Report this, with what -e prints.";
            case NAME_SCHEMA -> "Name another schema with vinekit.schemas, or grant the login the right to read the tables.";
            case NAME_ONE_OF_SCHEMAS -> remedy.text("There are some in %s: name it with vinekit.schemas.");
            case LEAVE_SCHEMA_OUT -> remedy.text("%s has one schema, %s: leave vinekit.schemas out.");
            case NAME_DIRECTORY -> "Name another directory with vinekit.directory.";
            case NAME_EMPTY_DIRECTORY ->
                remedy.text("Name an empty or a new directory with vinekit.directory, or one with a pom.xml or a %s.");
            case GENERATE_FIRST -> "Run vinekit:generate first.";
            case GENERATE_AGAIN -> "Run vinekit:generate once more.";
            case RESTORE_RECORD -> remedy.text("Restore it from version control, or choose with vinekit.package: %s to go "
                    + "on with these files, another name to generate a second copy.");
            case FINISH_WRITE -> "Run vinekit:generate without vinekit.dryRun: it completes that write first.";
            case PLAN_AGAIN -> "Run vinekit:generate again.";
            case CORRECT_SCRIPT -> "Correct the script, or take the statement out; check that vinekit.engine names the "
                    + "engine it was written for.";
            case READ_DUMP -> remedy.text("Dump the database and name the dump with vinekit.script, and %s as vinekit.engine.");
            case USE_ANOTHER_SERVER -> remedy.text("%s, or name a server with vinekit.url.");
            default -> remedy.text();
        };
    }
}
