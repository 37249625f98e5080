package dev.vinekit.cli;

import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import java.io.PrintStream;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Shows what happens to files: in numbers by their sort, those by name that want a person's eye; or all, by table. */
final class ChangeView {
    private static final String WHOLE = "the service as a whole";
    private static final int INDENT = 13;
    private static final int SHOWN_FILES = 8;
    private static final int SHOWN_PATHS = 20;

    private final Style style;
    private final PrintStream out;
    private final boolean all;

    /**
     * A view.
     *
     * @param all whether to name every file, also those that stay the same
     */
    ChangeView(Style style, PrintStream out, boolean all) {
        this.style = style;
        this.out = out;
        this.all = all;
    }

    void print(ChangeSet changes) {
        List<FileChange> shown = changes.changes().stream().filter(change -> all || isNews(change)).toList();
        if (all) {
            byTable(shown);
        } else {
            byKind(shown);
        }
        out.print(shown.isEmpty() ? "" : System.lineSeparator());
    }

    /** What a run changes, and what it leaves alone against expectation. */
    private static boolean isNews(FileChange change) {
        return change.kind() != FileChange.Kind.SAME || change.isFollowed();
    }

    private void byKind(List<FileChange> changes) {
        alike(changes).forEach(group -> {
            head(group);
            FileChange.Kind kind = group.get(0).kind();
            if (kind == FileChange.Kind.CONFLICT || kind == FileChange.Kind.LEFT_ALONE) {
                group.stream().limit(SHOWN_PATHS)
                        .forEach(change -> out.println(" ".repeat(INDENT) + style.cell(change.path(), 200)));
                more(group.size() - SHOWN_PATHS);
            } else if (group.size() <= SHOWN_FILES) {
                names(group);
            } else {
                style.filled(counted(group), INDENT).forEach(line -> out.println(" ".repeat(INDENT) + line));
            }
        });
    }

    private void more(int left) {
        if (left > 0) {
            out.println(" ".repeat(INDENT) + "and " + left + " more");
        }
    }

    /** How many files there are of each sort; the name of one that is the only one. */
    private List<String> counted(List<FileChange> changes) {
        Map<String, List<FileChange>> sorts = changes.stream().collect(Collectors.groupingBy(
                change -> change.sort().orElse("of " + WHOLE), LinkedHashMap::new, Collectors.toList()));
        return sorts.entrySet().stream().map(sort -> sort.getValue().size() == 1
                ? style.cell(name(sort.getValue().get(0)), 200) : sort.getValue().size() + " " + sort.getKey()).toList();
    }

    private void byTable(List<FileChange> changes) {
        Map<String, List<FileChange>> groups = changes.stream()
                .collect(Collectors.groupingBy(change -> change.table()
                        .map(table -> style.table(table.name(), 60)).orElse(WHOLE), LinkedHashMap::new,
                        Collectors.toList()));
        List<FileChange> whole = groups.remove(WHOLE);
        groups.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .forEach(group -> group(group.getKey(), group.getValue()));
        if (whole != null) {
            group(WHOLE, whole);
        }
    }

    private void group(String title, List<FileChange> changes) {
        out.println(style.strong(title));
        alike(changes).forEach(group -> {
            head(group);
            names(group);
        });
    }

    /** Those of one kind and reason together, in the order of the kinds. */
    private static List<List<FileChange>> alike(List<FileChange> changes) {
        Map<String, List<FileChange>> byReason = changes.stream().sorted(Comparator.comparing(FileChange::kind))
                .collect(Collectors.groupingBy(
                change -> change.kind().ordinal() + change.reason(), LinkedHashMap::new, Collectors.toList()));
        return List.copyOf(byReason.values());
    }

    private void head(List<FileChange> alike) {
        FileChange.Kind kind = alike.get(0).kind();
        String label = Steps.label(kind);
        out.println("  " + painted(kind, label) + " ".repeat(INDENT - 2 - label.length())
                + style.faint(style.cell(alike.get(0).reason(), style.width() - INDENT)));
    }

    /** The names of files, as many on a line as fit; whole paths where a person will want to go there. */
    private void names(List<FileChange> changes) {
        FileChange.Kind kind = changes.get(0).kind();
        boolean whole = kind == FileChange.Kind.CONFLICT || kind == FileChange.Kind.LEFT_ALONE;
        List<String> names = changes.stream().sorted(Comparator.comparing(ChangeView::name))
                .map(change -> style.cell(whole ? change.path() : name(change), 200)).toList();
        (whole ? names : style.filled(names, INDENT)).forEach(line -> out.println(" ".repeat(INDENT) + line));
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
