package dev.vinekit.cli;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;

/** Cells in columns as wide as they need to be, up to a limit; what does not fit on a line is cut. */
final class TextTable {
    static final int LINE_WIDTH = 118;
    private static final int WIDEST_CELL = 40;

    private final Style style;
    private final List<String[]> rows = new ArrayList<>();

    TextTable(Style style, String... titles) {
        this.style = style;
        rows.add(titles);
    }

    void add(String... cells) {
        rows.add(cells);
    }

    void print(PrintStream out) {
        int columns = rows.get(0).length;
        int[] widths = new int[columns];
        for (String[] row : rows) {
            for (int i = 0; i < columns; i++) {
                widths[i] = Math.max(widths[i], style.cell(row[i], WIDEST_CELL).length());
            }
        }
        for (int r = 0; r < rows.size(); r++) {
            StringBuilder line = new StringBuilder();
            for (int i = 0; i < columns; i++) {
                String cell = style.cell(rows.get(r)[i], WIDEST_CELL);
                line.append(cell).append(" ".repeat(widths[i] - cell.length() + (i + 1 < columns ? 2 : 0)));
            }
            String shown = style.cell(line.toString().stripTrailing(), LINE_WIDTH);
            out.println(r == 0 ? style.strong(shown) : shown);
        }
    }
}
