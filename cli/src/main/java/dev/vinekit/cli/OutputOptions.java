package dev.vinekit.cli;

import picocli.CommandLine.Option;

/** How much is said, and in which colours. The launcher tells what the terminal can show. */
final class OutputOptions {
    private static final int USUAL = 118;
    private static final int NARROWEST = 40;

    @Option(names = "--quiet", description = "No progress on standard error.")
    private boolean quiet;

    @Option(names = "--verbose", description =
            "Everything: each table, file, rule and remark; stack traces with errors.")
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
        return new Stages(quiet, Boolean.getBoolean("vinekit.live"));
    }

    /** Colours and symbols for standard output. */
    Style style() {
        String unwanted = System.getenv("NO_COLOR");
        boolean coloured = !noColor && (unwanted == null || unwanted.isEmpty()) && Boolean.getBoolean("vinekit.color");
        Integer columns = Integer.getInteger("vinekit.columns");
        return new Style(coloured, Boolean.getBoolean("vinekit.unicode"),
                Math.max(NARROWEST, columns == null ? USUAL : columns), columns == null);
    }

    /** For what is written to a file: no colours, and nothing cut. */
    Style plain() {
        return new Style(false, Boolean.getBoolean("vinekit.unicode"), USUAL, true);
    }
}
