package dev.vinekit.cli;

import dev.vinekit.fault.Fault;
import java.io.PrintStream;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The tool itself, with its commands. */
@Command(
        name = "vinekit",
        description = "From a relational schema to a tested CRUD service in plain Java.",
        synopsisSubcommandLabel = "COMMAND",
        mixinStandardHelpOptions = true,
        version = "vinekit 0.1.0",
        subcommands = {
            DemoCommand.class, InspectCommand.class, MapCommand.class, GenerateCommand.class, CompareCommand.class,
                    TestCommand.class, ServeCommand.class,
            RoleCommand.class, TokenCommand.class, CompletionCommand.class},
        footer = {
            "",
            "Exit codes: 0 done; 1 done, and something wants attention; 2 the call was wrong; 3 the database or the file system "
                    + "would not let us."})
public final class VineKitCommand implements Runnable {
    static final int ATTENTION = 1;
    static final int WRONG_CALL = 2;
    static final int REFUSED = 3;

    /** Lines that are longer are hard to read, on however wide a terminal. */
    private static final int WIDEST_HELP = 110;

    /** What the library for arguments can lay out. */
    private static final int NARROWEST_HELP = 55;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public void run() {
        throw new CommandLine.ParameterException(spec.commandLine(), "Name a command: vinekit demo goes the whole way on a bundled "
                + "database, vinekit inspect --url URL shows what is in one of yours.");
    }

    public static void main(String[] arguments) {
        System.exit(run(arguments));
    }

    /** Runs one command and gives its exit code. */
    static int run(String... arguments) {
        return commandLine().execute(arguments);
    }

    static CommandLine commandLine() {
        CommandLine commandLine = new CommandLine(new VineKitCommand());
        commandLine.setExpandAtFiles(false);
        commandLine.setUsageHelpWidth(
                Math.max(NARROWEST_HELP, Math.min(WIDEST_HELP, Integer.getInteger("vinekit.columns", WIDEST_HELP))));
        commandLine.getSubcommands().values()
                .forEach(command -> command.getCommandSpec().usageMessage().abbreviateSynopsis(true));
        commandLine.setParameterExceptionHandler(VineKitCommand::wrongCall);
        commandLine.setExecutionExceptionHandler(VineKitCommand::failed);
        return commandLine;
    }

    private static int wrongCall(CommandLine.ParameterException e, String[] arguments) {
        CommandLine command = e.getCommandLine();
        command.getErr().println(e.getMessage());
        CommandLine.UnmatchedArgumentException.printSuggestions(e, command.getErr());
        command.getErr().println("Run " + command.getCommandSpec().qualifiedName() + " --help to see what it takes.");
        return WRONG_CALL;
    }

    private static int failed(Exception e, CommandLine command, CommandLine.ParseResult parsed) {
        PrintStream err = System.err;
        boolean verbose = command.getCommand() instanceof ToolCommand tool && tool.output.verbose();
        if (e instanceof Fault fault) {
            err.println(fault.getMessage());
            err.println(Remedies.text(fault.remedy()));
        } else {
            err.println("Something went wrong that should not: " + e);
            err.println("Run again with --verbose and report what it prints.");
        }
        if (verbose) {
            e.printStackTrace(err);
        }
        return e instanceof Fault fault && fault.kind() == Fault.Kind.CALL ? WRONG_CALL : REFUSED;
    }
}
