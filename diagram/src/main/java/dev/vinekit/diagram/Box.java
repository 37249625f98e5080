package dev.vinekit.diagram;

import dev.vinekit.schema.TableName;
import java.util.Comparator;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A table as it is drawn. Lengths are in pixels.
 *
 * @param rows the columns that are shown
 * @param hidden the names of those that are not
 */
record Box(TableName table, Kind kind, String title, String tooltip, List<Row> rows, List<String> hidden) {
    static final int HEADER = 28;
    static final int ROW = 18;
    static final int PADDING = 8;
    static final int MARKS = 26;

    /** Between a column's name and its type. */
    static final int GAP = 18;

    /** Sorts of boxes. */
    enum Kind { TABLE, LINK, VIEW }

    /**
     * A column.
     *
     * @param marks of the keys that it is part of
     */
    record Row(String column, String name, String type, String marks, boolean required, String tooltip) {
    }

    Box {
        rows = List.copyOf(rows);
        hidden = List.copyOf(hidden);
    }

    double width() {
        double title = Letters.width(title()) * Letters.TITLE;
        double columns = MARKS + widest(rows.stream().map(Row::name)) + GAP + widest(rows.stream().map(Row::type));
        return 2 * PADDING + Math.ceil(Math.max(Math.max(title, columns), Letters.width(more())));
    }

    /** Where the types begin, from the left side. */
    double types() {
        return PADDING + MARKS + widest(rows.stream().map(Row::name)) + GAP;
    }

    private static double widest(Stream<String> texts) {
        return texts.map(Letters::width).max(Comparator.naturalOrder()).orElse(0.0);
    }

    double height() {
        return HEADER + ROW * (rows.size() + (hidden.isEmpty() ? 0 : 1)) + PADDING / 2.0;
    }

    /** What stands for the columns that are not shown; empty if there are none. */
    String more() {
        return hidden.isEmpty() ? "" : "and " + hidden.size() + " more";
    }

    /** The middle of a column's row, from the top. */
    double middle(String column) {
        int row = IntStream.range(0, rows.size()).filter(i -> rows.get(i).column().equals(column)).findFirst()
                .orElseThrow();
        return HEADER + ROW * row + ROW / 2.0;
    }

    /** Where the rows of some columns lie, from the top: the middles of the highest and the lowest. */
    DoubleSummaryStatistics extent(List<String> columns) {
        return columns.stream().mapToDouble(this::middle).summaryStatistics();
    }
}
