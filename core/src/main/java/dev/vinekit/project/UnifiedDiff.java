package dev.vinekit.project;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.DeflaterOutputStream;
import org.eclipse.jgit.diff.DiffFormatter;
import org.eclipse.jgit.diff.EditList;
import org.eclipse.jgit.diff.HistogramDiff;
import org.eclipse.jgit.diff.RawText;
import org.eclipse.jgit.diff.RawTextComparator;
import org.eclipse.jgit.lib.Constants;
import org.eclipse.jgit.lib.ObjectId;
import org.eclipse.jgit.lib.ObjectInserter;
import org.eclipse.jgit.util.QuotedString;
import org.eclipse.jgit.util.io.BinaryHunkOutputStream;

/** Changes to files as a text that people read and {@code git apply} takes. */
final class UnifiedDiff {
    private UnifiedDiff() {
    }

    /** The difference between two states of a file; a state that is empty is no file. */
    static String of(String path, Optional<String> before, Optional<String> after) {
        if (before.equals(after)) {
            return "";
        }
        String hunks = hunks(before.orElse(""), after.orElse(""));
        return head(path, before.isPresent(), after.isPresent()) + (hunks.isEmpty() ? ""
                : "--- " + (before.isEmpty() ? "/dev/null" : quoted("a/" + path)) + "\n"
                + "+++ " + (after.isEmpty() ? "/dev/null" : quoted("b/" + path)) + "\n" + hunks);
    }

    private static String head(String path, boolean before, boolean after) {
        return "diff --git " + quoted("a/" + path) + " " + quoted("b/" + path) + "\n"
                + (!before ? "new file mode 100644\n" : !after ? "deleted file mode 100644\n" : "");
    }

    private static String quoted(String path) {
        return QuotedString.GIT_PATH.quote(path);
    }

    /** The same for files that may be no text: those hold a zero byte, by which version control tells them too. */
    static String ofBytes(String path, Optional<byte[]> before, Optional<byte[]> after) {
        if (before.filter(RawText::isBinary).isEmpty() && after.filter(RawText::isBinary).isEmpty()) {
            return of(path, before.map(UnifiedDiff::text), after.map(UnifiedDiff::text));
        }
        return head(path, before.isPresent(), after.isPresent())
                + "index " + name(before) + ".." + name(after) + (before.isPresent() && after.isPresent() ? " 100644" : "")
                + "\nGIT binary patch\n" + literal(after) + "\n" + literal(before) + "\n";
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    /** The name by which version control knows a content; zeros for no file. */
    private static String name(Optional<byte[]> content) {
        try (ObjectInserter.Formatter names = new ObjectInserter.Formatter()) {
            return content.map(bytes -> names.idFor(Constants.OBJ_BLOB, bytes)).orElse(ObjectId.zeroId()).name();
        }
    }

    private static String literal(Optional<byte[]> content) {
        byte[] bytes = content.orElse(new byte[0]);
        ByteArrayOutputStream text = new ByteArrayOutputStream();
        try (OutputStream lines = new BinaryHunkOutputStream(text);
                OutputStream compressed = new DeflaterOutputStream(lines)) {
            compressed.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return "literal " + bytes.length + "\n" + text.toString(StandardCharsets.US_ASCII);
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
