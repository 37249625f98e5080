package dev.vinekit.cli;

import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import java.io.PrintStream;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Shows what happens to files, by table. */
final class ChangeView {
    private static final String WHOLE = "the service as a whole";
    private static final int INDENT = 13;

    private final Style style;
    private final PrintStream out;
    private final boolean all;

    /**
     * A view.
     *
     * @param all whether to name files that stay the same too
     */
    ChangeView(Style style, PrintStream out, boolean all) {
        this.style = style;
        this.out = out;
        this.all = all;
    }

    void print(ChangeSet changes) {
        Map<String, List<FileChange>> groups = changes.changes().stream()
                .filter(change -> all || isNews(change))
                .collect(Collectors.groupingBy(change -> change.table()
                        .map(table -> style.table(table.name(), 60)).orElse(WHOLE), LinkedHashMap::new, Collectors.toList()));
        List<FileChange> whole = groups.remove(WHOLE);
        groups.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(group -> group(group.getKey(), group.getValue()));
        if (whole != null) {
            group(WHOLE, whole);
        }
        out.print(groups.isEmpty() && whole == null ? "" : System.lineSeparator());
    }

    /** What a run changes, and what it leaves alone against expectation. */
    private static boolean isNews(FileChange change) {
        return change.kind() != FileChange.Kind.SAME || change.isFollowed();
    }

    private void group(String title, List<FileChange> changes) {
        out.println(style.strong(title));
        Map<String, List<FileChange>> byReason = changes.stream().collect(Collectors.groupingBy(
                change -> change.kind().ordinal() + change.reason(), LinkedHashMap::new, Collectors.toList()));
        byReason.values().forEach(alike -> {
            FileChange.Kind kind = alike.get(0).kind();
            String label = Steps.label(kind);
            out.println("  " + painted(kind, label) + " ".repeat(INDENT - 2 - label.length())
                    + style.faint(style.cell(alike.get(0).reason(), style.width() - INDENT)));
            lines(alike, kind).forEach(line -> out.println(" ".repeat(INDENT) + line));
        });
    }

    /** The names of files, as many on a line as fit; whole paths where a person will want to go there. */
    private List<String> lines(List<FileChange> changes, FileChange.Kind kind) {
        boolean whole = kind == FileChange.Kind.CONFLICT || kind == FileChange.Kind.LEFT_ALONE;
        List<String> names = changes.stream().sorted(Comparator.comparing(ChangeView::name))
                .map(change -> style.cell(whole ? change.path() : name(change), 200)).toList();
        return whole ? names : style.filled(names, INDENT);
    }

    private static String name(FileChange change) {
        return change.path().substring(change.path().lastIndexOf('/') + 1);
    }

    private String painted(FileChange.Kind kind, String label) {
        return switch (kind) {
            case NEW -> style.good(label);
            case CONFLICT -> style.bad(label);
            case MERGED, LEFT_ALONE, REMOVED -> style.warning(label);
            case SAME, CHANGED -> label;
        };
    }
}
