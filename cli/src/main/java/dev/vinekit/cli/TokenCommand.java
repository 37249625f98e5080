package dev.vinekit.cli;

import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Makes a token for trying a service out. */
@Command(name = "token",
        header = "Makes a bearer token for the service of a generated project, to try the roles out.",
        description =
                "It is signed as serve expects it: with AUTH_SECRET if that is set, else with a secret of the project's own on this machine.")
final class TokenCommand extends ToolCommand {
    private static final int MOST_MINUTES = 60 * 24 * 30;

    @Mixin
    private ProjectOptions project;

    @Option(names = "--role", paramLabel = "ROLE", split = ",",
            description = "Role of the token; may be given more than once (default: all roles).")
    private List<String> roles;

    @Option(names = "--subject", paramLabel = "NAME", defaultValue = "developer",
            description = "Who the token is for (default: ${DEFAULT-VALUE}).")
    private String subject;

    @Option(names = "--claim", paramLabel = "NAME=VALUE",
            description = "What else the token says, whose rows are meant for instance; may be given more than once.")
    private Map<String, String> claims = Map.of();

    @Option(names = "--minutes", paramLabel = "NUMBER", defaultValue = "60",
            description = "How long it is valid (default: ${DEFAULT-VALUE}).")
    private int minutes;

    @Mixin
    private ResultOptions result;

    @Override
    public Integer call() {
        if (minutes < 1 || minutes > MOST_MINUTES) {
            throw Fault.inCall("A token cannot be valid for " + minutes + " minutes.",
                    "Give --minutes a number from 1 to " + MOST_MINUTES + ".");
        }
        Project existing = Project.existing(project.directory());
        List<String> chosen = roles == null ? existing.service().roles() : roles;
        String token = Runner.token(existing, System.getenv(), subject, chosen, claims, Duration.ofMinutes(minutes));
        if (result.isJson()) {
            ResultOptions.print(new Results.Token(token, subject, chosen, minutes));
            return 0;
        }
        System.out.println(token);
        if (!output.quiet()) {
            System.err.println((chosen.isEmpty() ? "No roles" : "Roles: " + String.join(", ", chosen)) + "; valid for "
                    + minutes + " minutes. Send it as header: Authorization: Bearer TOKEN");
        }
        return 0;
    }
}
