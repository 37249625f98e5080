package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.util.Map;
import picocli.CommandLine.Option;

/** Who logs in. The password comes from the environment, for arguments are seen by everyone on the machine. */
final class LoginOptions {
    @Option(names = "--user", paramLabel = "NAME", defaultValue = "", description = "Login.")
    private String user;

    @Option(names = "--password-env", paramLabel = "VARIABLE",
            description = "Environment variable that holds the password.")
    private String passwordVariable;

    /** The database behind a URL, for this login. */
    Database database(String url) {
        return Database.at(url, user, password());
    }

    /** The database that a mapping file names, for this login, or for the one in the file. */
    Database database(String file, String url, String otherUser, String otherPassword) {
        return Database.named(file, url, user.isEmpty() ? otherUser : user, passwordVariable == null ? otherPassword
                : password());
    }

    /**
     * A database that is known to let us in: where it wants a password and none is given, whoever sits at the terminal
     * is asked for it.
     */
    Database admitted(Database database) {
        if (!Boolean.getBoolean("vinekit.asks") || passwordVariable != null || !database.password().isEmpty()) {
            return database;
        }
        try {
            VineKit.login(database);
            return database;
        } catch (Fault fault) {
            if (fault.remedy().kind() != Remedy.Kind.CHECK_LOGIN) {
                throw fault;
            }
            String whose = database.user().isEmpty() ? "" : " of " + database.user();
            char[] password = System.console().readPassword("Password%s: ", whose);
            return Database.at(database.url(), database.user(), password == null ? "" : new String(password));
        }
    }

    /** Adds who logs in to a section of the mapping file; of the password only where it comes from. */
    void section(Map<String, String> section) {
        if (!user.isEmpty()) {
            section.put("user", user);
        }
        if (passwordVariable != null) {
            section.put("password", "${" + passwordVariable + "}");
        }
    }

    private String password() {
        return passwordVariable == null ? "" : secret(passwordVariable, "--password-env");
    }

    /**
     * What a variable of the environment holds.
     *
     * @param option the option that named it
     */
    static String secret(String variable, String option) {
        String value = System.getenv(variable);
        if (value == null) {
            throw Fault.inCall("The environment variable " + variable + " is not set.",
                    "Set it to the password, or name another one with " + option + ".");
        }
        return value;
    }
}
