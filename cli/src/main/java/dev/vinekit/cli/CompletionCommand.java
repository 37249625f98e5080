package dev.vinekit.cli;

import java.util.concurrent.Callable;
import picocli.AutoComplete;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Writes what a shell completes words by. */
@Command(name = "completion", mixinStandardHelpOptions = true,
        header = "Writes what a shell completes the words of a call by.",
        description = {
            "bash: source <(vinekit completion bash)",
            "zsh: vinekit completion zsh > a folder of fpath/_vinekit",
            "fish: vinekit completion fish > ~/.config/fish/completions/vinekit.fish"})
final class CompletionCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "SHELL", description = "bash, zsh or fish.")
    private Shell shell;

    /** Shells, as people spell them. */
    enum Shell { bash, zsh, fish }

    @Override
    public Integer call() {
        System.out.print(switch (shell) {
            case bash -> AutoComplete.bash("vinekit", VineKitCommand.commandLine());
            case zsh -> Completions.zsh(VineKitCommand.commandLine());
            case fish -> Completions.fish(VineKitCommand.commandLine());
        });
        return 0;
    }
}
