package dev.vinekit.source;

import dev.vinekit.mapping.Mapping;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Every file of a generated project.
 *
 * @param mapping what it was made from
 * @param libraries what the service needs, as {@code group:artifact}
 * @param files sorted by path
 * @param ownTemplates the templates of the house that took the place of ours
 */
public record SourceTree(Mapping mapping, List<SourceFile> files, List<String> libraries, Set<String> ownTemplates) {
    public SourceTree {
        files = files.stream().sorted(Comparator.comparing(SourceFile::path)).toList();
        libraries = List.copyOf(libraries);
        ownTemplates = new TreeSet<>(ownTemplates);
    }
}
