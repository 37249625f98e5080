package dev.vinekit.cli;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Cells in columns as wide as they need to be, up to a limit; what does not fit on a line of a terminal is cut. */
final class TextTable {
    private static final int WIDEST_CELL = 48;
    private static final int NARROWEST_CELL = 8;
    private static final int GAP = 2;

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
        int[] widths = widths();
        for (int r = 0; r < rows.size(); r++) {
            StringBuilder line = new StringBuilder();
            for (int i = 0; i < widths.length; i++) {
                String cell = style.cell(rows.get(r)[i], widths[i]);
                line.append(cell).append(" ".repeat(widths[i] - length(cell) + (i + 1 < widths.length ? GAP : 0)));
            }
            String shown = style.cell(line.toString().stripTrailing(), style.width());
            out.println(r == 0 ? style.strong(shown) : shown);
        }
    }

    /** As wide as the cells want to be; the widest columns give way until the line fits, or all are narrow. */
    private int[] widths() {
        int columns = rows.get(0).length;
        int[] widths = new int[columns];
        for (String[] row : rows) {
            for (int i = 0; i < columns; i++) {
                widths[i] = Math.max(widths[i], length(style.cell(row[i], WIDEST_CELL)));
            }
        }
        if (style.whole()) {
            return widths;
        }
        int spare = style.width() - GAP * (columns - 1) - Arrays.stream(widths).sum();
        for (; spare < 0; spare++) {
            int widest = 0;
            for (int i = 1; i < columns; i++) {
                widest = widths[i] > widths[widest] ? i : widest;
            }
            if (widths[widest] <= NARROWEST_CELL) {
                break;
            }
            widths[widest]--;
        }
        return widths;
    }

    private static int length(String cell) {
        return cell.codePointCount(0, cell.length());
    }
}
