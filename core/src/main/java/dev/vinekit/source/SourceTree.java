package dev.vinekit.source;

import dev.vinekit.mapping.Mapping;
import java.util.Comparator;
import java.util.List;

/**
 * Every file of a generated project.
 *
 * @param mapping what it was made from
 * @param files sorted by path
 */
public record SourceTree(Mapping mapping, List<SourceFile> files) {
    public SourceTree {
        files = files.stream().sorted(Comparator.comparing(SourceFile::path)).toList();
    }
}
