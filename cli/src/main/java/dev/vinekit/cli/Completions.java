package dev.vinekit.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.StreamSupport;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.OptionSpec;

/** What shells complete words by: the commands, the options of each, and what some of these take. */
final class Completions {
    private Completions() {
    }

    /** For zsh, a function for a folder of its fpath. */
    static String zsh(CommandLine tool) {
        String name = tool.getCommandName();
        StringBuilder text = new StringBuilder("#compdef " + name + "\n\n_" + name + "() {\n  local -a commands=(\n");
        tool.getSubcommands().forEach((word, command) ->
                text.append("    ").append(quoted(word + ":" + head(command))).append('\n'));
        text.append("  )\n  _arguments -C '1: :->command' '*:: :->rest'\n  case $state in\n"
                + "    command) _describe command commands ;;\n    rest)\n      case $words[1] in\n");
        tool.getSubcommands().forEach((word, command) -> {
            List<String> arguments = new ArrayList<>();
            for (OptionSpec option : shown(command)) {
                String what = option.longestName() + "[" + head(option).replace("[", "\\[").replace("]", "\\]") + "]";
                arguments.add(quoted(what + (takesValue(option) ? ":" + label(option) + ":" + zshValues(option) : "")));
            }
            command.getCommandSpec().positionalParameters().forEach(parameter ->
                    arguments.add(quoted("1:" + label(parameter) + ":" + zshValues(parameter))));
            text.append("        ").append(word).append(") _arguments ").append(String.join(" \\\n            ", arguments))
                    .append(" ;;\n");
        });
        return text.append("      esac ;;\n  esac\n}\n\n_" + name + " \"$@\"\n").toString();
    }

    /** For fish. */
    static String fish(CommandLine tool) {
        String complete = "complete -c " + tool.getCommandName();
        StringBuilder text = new StringBuilder(complete + " -f\n");
        tool.getSubcommands().forEach((word, command) -> {
            text.append(complete).append(" -n __fish_use_subcommand -a ").append(word).append(" -d ")
                    .append(quoted(head(command))).append('\n');
            String within = complete + " -n '__fish_seen_subcommand_from " + word + "'";
            for (OptionSpec option : shown(command)) {
                text.append(within).append(" -l ").append(option.longestName().substring(2)).append(" -d ")
                        .append(quoted(head(option))).append(fishValues(option)).append('\n');
            }
            command.getCommandSpec().positionalParameters().stream().filter(parameter -> !words(parameter).isEmpty())
                    .forEach(parameter -> text.append(within).append(" -a ")
                            .append(quoted(String.join(" ", words(parameter)))).append('\n'));
        });
        return text.toString();
    }

    private static List<OptionSpec> shown(CommandLine command) {
        return command.getCommandSpec().options().stream().filter(option -> !option.hidden()).toList();
    }

    private static String zshValues(ArgSpec argument) {
        return argument.type() == Path.class ? "_files" : words(argument).isEmpty() ? " "
                : "(" + String.join(" ", words(argument)) + ")";
    }

    private static String fishValues(ArgSpec option) {
        return !takesValue(option) ? "" : option.type() == Path.class ? " -r -F" : words(option).isEmpty() ? " -x"
                : " -x -a " + quoted(String.join(" ", words(option)));
    }

    /** The words that an argument takes, if it takes certain ones only. */
    private static List<String> words(ArgSpec argument) {
        if (argument.completionCandidates() != null) {
            return StreamSupport.stream(argument.completionCandidates().spliterator(), false).toList();
        }
        Object[] constants = argument.type().getEnumConstants();
        return constants == null ? List.of() : Arrays.stream(constants).map(Object::toString).toList();
    }

    private static boolean takesValue(ArgSpec argument) {
        return argument.arity().max() > 0;
    }

    private static String label(ArgSpec argument) {
        return argument.paramLabel().replace(":", "\\:");
    }

    /** What a command or an option is for, without the details. */
    private static String head(CommandLine command) {
        String[] header = command.getCommandSpec().usageMessage().header();
        return header.length == 0 ? "" : sentence(header[0]);
    }

    private static String head(ArgSpec argument) {
        return argument.description().length == 0 ? "" : sentence(argument.description()[0]);
    }

    private static String sentence(String text) {
        return text.replaceFirst("(?s)(?: \\(default.*|[.;:]? *(?:\\R|$).*|[.;:] .*)", "");
    }

    /** As a shell reads it letter by letter. */
    private static String quoted(String text) {
        return "'" + text.replace("'", "'\\''") + "'";
    }
}
