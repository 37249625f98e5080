package dev.vinekit.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** What every command has: help and the options for output. */
@Command(mixinStandardHelpOptions = true)
abstract class ToolCommand implements Callable<Integer> {
    @Mixin
    OutputOptions output;
}
