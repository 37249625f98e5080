package dev.vinekit.project;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    private static final Pattern IMPORT = Pattern.compile("^import (?:static )?[\\w.]+\\.(\\w+);$", Pattern.MULTILINE);

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
        String text = bytes.toString(StandardCharsets.UTF_8);
        return new Merge(withImportsOf(edited, text), result.containsConflicts());
    }

    /**
     * The merged text with the imports of the edited one that are still in use: what the generated code no longer
     * needs, a person's own lines may.
     */
    private static String withImportsOf(String edited, String merged) {
        Set<String> lost = new TreeSet<>();
        String body = IMPORT.matcher(merged).replaceAll("");
        Matcher line = IMPORT.matcher(edited);
        while (line.find()) {
            boolean there = merged.contains("\n" + line.group() + "\n");
            if (!there && Pattern.compile("(?<![\\w.])" + line.group(1) + "\\b").matcher(body).find()
                    && !Pattern.compile("^import (?:static )?[\\w.]+\\." + line.group(1) + ";$", Pattern.MULTILINE)
                    .matcher(merged).find()) {
                lost.add(line.group());
            }
        }
        int end = lost.isEmpty() ? -1 : merged.indexOf(";\n", merged.indexOf("package "));
        return end < 0 ? merged : merged.substring(0, end + 2) + "\n" + String.join("\n", lost) + "\n"
                + merged.substring(end + 2);
    }

    private static RawText raw(String text) {
        return new RawText(text.getBytes(StandardCharsets.UTF_8));
    }
}
