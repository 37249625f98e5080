package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
import java.util.List;
import picocli.CommandLine.Option;

/** Which database, and which part of it. */
final class SourceOptions {
    @Option(names = "--url", paramLabel = "URL", description = "JDBC URL, for example jdbc:h2:./data/cellar.")
    private String url;

    @Option(names = "--user", paramLabel = "NAME", defaultValue = "", description = "Login.")
    private String user;

    @Option(names = "--password-env", paramLabel = "VARIABLE",
            description = "Environment variable that holds the password.")
    private String passwordVariable;

    @Option(names = "--schema", paramLabel = "NAME", split = ",",
            description = "Schemas to read; the login's default schema otherwise.")
    private List<String> schemas = List.of();

    @Option(names = "--tables", paramLabel = "NAME", split = ",",
            description = "Tables to read, with * for any letters; what they need comes along.")
    private List<String> tables = List.of();

    boolean isGiven() {
        return url != null;
    }

    /** The database. */
    Database database() {
        if (url == null) {
            throw Fault.inCall("No database is named.", "Name one with --url, for example --url jdbc:h2:./data/cellar.");
        }
        return Database.at(url, user, password());
    }

    Scope scope() {
        return new Scope(schemas, tables);
    }

    boolean namesTables() {
        return !tables.isEmpty();
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
