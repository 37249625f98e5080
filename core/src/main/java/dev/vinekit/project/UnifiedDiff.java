package dev.vinekit.project;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.eclipse.jgit.diff.DiffFormatter;
import org.eclipse.jgit.diff.EditList;
import org.eclipse.jgit.diff.HistogramDiff;
import org.eclipse.jgit.diff.RawText;
import org.eclipse.jgit.diff.RawTextComparator;
import org.eclipse.jgit.util.QuotedString;

/** Changes to files as a text that people read and {@code git apply} takes. */
final class UnifiedDiff {
    private UnifiedDiff() {
    }

    /** The difference between two states of a file; a state that is empty is no file. */
    static String of(String path, Optional<String> before, Optional<String> after) {
        if (before.equals(after)) {
            return "";
        }
        String old = QuotedString.GIT_PATH.quote("a/" + path);
        String now = QuotedString.GIT_PATH.quote("b/" + path);
        StringBuilder diff = new StringBuilder("diff --git ").append(old).append(' ').append(now).append('\n');
        if (before.isEmpty()) {
            diff.append("new file mode 100644\n");
        } else if (after.isEmpty()) {
            diff.append("deleted file mode 100644\n");
        }
        String hunks = hunks(before.orElse(""), after.orElse(""));
        if (!hunks.isEmpty()) {
            diff.append("--- ").append(before.isEmpty() ? "/dev/null" : old).append('\n')
                    .append("+++ ").append(after.isEmpty() ? "/dev/null" : now).append('\n').append(hunks);
        }
        return diff.toString();
    }

    private static String hunks(String before, String after) {
        RawText a = new RawText(before.getBytes(StandardCharsets.UTF_8));
        RawText b = new RawText(after.getBytes(StandardCharsets.UTF_8));
        EditList edits = new HistogramDiff().diff(RawTextComparator.DEFAULT, a, b);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DiffFormatter formatter = new DiffFormatter(bytes)) {
            formatter.format(edits, a, b);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toString(StandardCharsets.UTF_8);
    }
}
