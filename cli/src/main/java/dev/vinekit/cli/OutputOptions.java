package dev.vinekit.cli;

import picocli.CommandLine.Option;

/** How much is said, and in which colours. The launcher tells what the terminal can show. */
final class OutputOptions {
    private static final int USUAL = 118;
    private static final int NARROWEST = 40;

    @Option(names = "--quiet", description = "No progress on standard error.")
    private boolean quiet;

    @Option(names = "--verbose", description = "Stack traces with errors.")
    private boolean verbose;

    @Option(names = "--no-color", description = "No colours; NO_COLOR in the environment says the same.")
    private boolean noColor;

    boolean quiet() {
        return quiet;
    }

    boolean verbose() {
        return verbose;
    }

    Stages stages() {
        return new Stages(quiet);
    }

    /** Colours and symbols for standard output. */
    Style style() {
        String unwanted = System.getenv("NO_COLOR");
        boolean coloured = !noColor && (unwanted == null || unwanted.isEmpty()) && Boolean.getBoolean("vinekit.color");
        return new Style(coloured, Boolean.getBoolean("vinekit.unicode"),
                Math.max(NARROWEST, Integer.getInteger("vinekit.columns", USUAL)));
    }
}
