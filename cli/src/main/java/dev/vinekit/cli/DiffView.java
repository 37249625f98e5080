package dev.vinekit.cli;

import java.io.PrintStream;

/** Shows a unified diff in colours, as far as the terminal has them. */
final class DiffView {
    private final Style style;
    private final PrintStream out;

    DiffView(Style style, PrintStream out) {
        this.style = style;
        this.out = out;
    }

    void print(String diff) {
        diff.lines().map(this::painted).forEach(out::println);
        out.print(diff.isEmpty() ? "" : System.lineSeparator());
    }

    private String painted(String line) {
        String shown = style.cell(line, Integer.MAX_VALUE - 1);
        if (line.startsWith("diff ") || line.startsWith("--- ") || line.startsWith("+++ ")) {
            return style.strong(shown);
        } else if (line.startsWith("@@")) {
            return style.faint(shown);
        } else if (line.startsWith("+")) {
            return style.good(shown);
        }
        return line.startsWith("-") ? style.bad(shown) : shown;
    }
}
