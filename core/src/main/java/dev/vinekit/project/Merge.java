package dev.vinekit.project;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.eclipse.jgit.diff.HistogramDiff;
import org.eclipse.jgit.diff.RawText;
import org.eclipse.jgit.diff.RawTextComparator;
import org.eclipse.jgit.merge.MergeAlgorithm;
import org.eclipse.jgit.merge.MergeFormatter;
import org.eclipse.jgit.merge.MergeResult;

/**
 * A three-way merge of one file.
 *
 * @param conflict whether both sides changed the same lines; the text then has both, marked in the usual way
 */
record Merge(String text, boolean conflict) {
    /**
     * Merges what a person and a new generation each made of what was generated last.
     *
     * @param base what was generated last
     * @param edited what the person made of it
     * @param generated what is generated now
     */
    static Merge of(String base, String edited, String generated) {
        MergeResult<RawText> result = new MergeAlgorithm(new HistogramDiff())
                .merge(RawTextComparator.DEFAULT, raw(base), raw(edited), raw(generated));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            new MergeFormatter().formatMerge(bytes, result, List.of("last generated", "edited", "generated now"),
                    StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Merge(bytes.toString(StandardCharsets.UTF_8), result.containsConflicts());
    }

    private static RawText raw(String text) {
        return new RawText(text.getBytes(StandardCharsets.UTF_8));
    }
}
