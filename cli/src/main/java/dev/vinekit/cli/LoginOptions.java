package dev.vinekit.cli;

import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
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

    private String password() {
        if (passwordVariable == null) {
            return "";
        }
        String password = System.getenv(passwordVariable);
        if (password == null) {
            throw Fault.inCall("The environment variable " + passwordVariable + " is not set.",
                    "Set it to the password, or name another one with --password-env.");
        }
        return password;
    }
}
