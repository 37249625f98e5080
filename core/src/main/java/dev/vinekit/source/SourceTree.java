package dev.vinekit.source;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.TableName;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Every file of a generated project.
 *
 * @param mapping what it was made from
 * @param rules the rules of every table, with their tests
 * @param unfilled why no rows could be made up for some tables
 * @param libraries what the service needs, as {@code group:artifact}
 * @param files sorted by path
 * @param ownTemplates the templates of the house that took the place of ours
 */
public record SourceTree(
        Mapping mapping, List<SourceFile> files, Map<TableName, List<TestedRule>> rules,
        Map<TableName, String> unfilled,
        List<String> libraries, Set<String> ownTemplates) {
    public SourceTree {
        files = files.stream().sorted(Comparator.comparing(SourceFile::path)).toList();
        rules = Map.copyOf(rules);
        unfilled = Map.copyOf(unfilled);
        libraries = List.copyOf(libraries);
        ownTemplates = new TreeSet<>(ownTemplates);
    }
}
