package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import java.security.SecureRandom;
import java.util.Base64;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Writes the SQL for the role that a service logs in as. */
@Command(name = "role",
        header = "Writes the SQL that makes a login role with exactly the rights that a service needs.",
        description = "It may read the tables, write the columns that clients write, and nothing else. For databases with "
                + "logins of their own. Runs nothing: an administrator does.")
final class RoleCommand extends ToolCommand {
    private static final int PASSWORD_BYTES = 18;

    @Mixin
    private SourceOptions source;

    @Mixin
    private ProjectOptions project;

    @Option(names = "--name", paramLabel = "NAME", required = true, description = "The role's name.")
    private String name;

    @Option(names = "--connections", paramLabel = "NUMBER", defaultValue = "10",
            description = "Connections at a time; the service's pool needs as many (default: ${DEFAULT-VALUE}).")
    private int connections;

    @Option(names = "--new-password-env", paramLabel = "VARIABLE",
            description = "Environment variable that holds the role's password (default: a random one).")
    private String passwordVariable;

    @Mixin
    private ResultOptions result;

    @Override
    public Integer call() {
        if (connections < 1) {
            throw Fault.inCall("A role with " + connections + " connections could not work.",
                    "Give --connections a number from 1.");
        }
        if (source.isScript()) {
            throw Fault.inCall("A script does not say which database the role is for.",
                    "Name the database with --url.");
        }
        MappingFile file = source.inDirectory(project.directory());
        try (Source opened = source.open(output)) {
            Mapping mapping = VineKit.map(VineKit.read(opened.database(), source.scope()),
                    file.inPackage(project.defaultPackage()), Project.tablesBefore(project.directory()));
            String sql = VineKit.roleScript(opened.database(), mapping, name, password(), connections);
            if (result.isJson()) {
                ResultOptions.print(new Results.Role(name, sql));
            } else {
                System.out.print(sql);
            }
            return 0;
        }
    }

    private String password() {
        if (passwordVariable != null) {
            return LoginOptions.secret(passwordVariable, "--new-password-env");
        }
        byte[] random = new byte[PASSWORD_BYTES];
        new SecureRandom().nextBytes(random);
        return Base64.getUrlEncoder().encodeToString(random);
    }
}
