package dev.vinekit.run;

import dev.vinekit.project.ProjectPaths;
import dev.vinekit.project.SourceFolders;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A folder of Java sources with the folder that its classes go to. */
final class SourceFolder {
    private static final Pattern NOT_IN_NAMES = Pattern.compile("[^\\p{javaJavaIdentifierPart}]+");

    private final Path sources;
    private final Path resources;
    private final Path classes;
    private final Map<String, byte[]> contents = new TreeMap<>();

    /** @param side {@code main} or {@code test} */
    SourceFolder(Path project, String side) throws IOException {
        SourceFolders folders = SourceFolders.of(project);
        boolean main = side.equals("main");
        sources = ProjectPaths.of(project).resolve(main ? folders.main() : folders.test());
        resources = ProjectPaths.of(project).resolve(main ? folders.mainResources() : folders.testResources());
        classes = ProjectPaths.of(project).resolve(main ? "target/classes" : "target/test-classes");
        for (Path file : filesUnder(sources)) {
            if (file.toString().endsWith(".java")) {
                contents.put(sources.relativize(file).toString().replace('\\', '/'), Files.readAllBytes(file));
            }
        }
    }

    Path sources() {
        return sources;
    }

    Path classes() {
        return classes;
    }

    int size() {
        return contents.size();
    }

    /** What to know sources by: a hash for each path. */
    Map<String, String> hashes() {
        Map<String, String> hashes = new TreeMap<>();
        contents.forEach((path, content) -> hashes.put(path, hash(content)));
        return hashes;
    }

    static String hash(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** The names of types in sources that are not as they were, or not there any more. */
    Set<String> changed(Map<String, String> before) {
        Map<String, String> now = hashes();
        Set<String> paths = new HashSet<>(before.keySet());
        paths.addAll(now.keySet());
        return paths.stream().filter(path -> !now.getOrDefault(path, "").equals(before.get(path)) || hasNoClass(path))
                .map(SourceFolder::typeName).collect(Collectors.toCollection(HashSet::new));
    }

    /** Whether what a source was compiled to is gone; descriptions of packages are not compiled to anything. */
    private boolean hasNoClass(String path) {
        return !typeName(path).endsWith("-info") && !Files.isRegularFile(classFile(path));
    }

    /**
     * The sources that hold these types, or name one of them, or name a type that does, and so on.
     *
     * @param types is given the names of their types too
     */
    Set<String> affected(Set<String> types) {
        Set<String> affected = new TreeSet<>();
        if (types.isEmpty()) {
            return affected;
        }
        Map<String, Set<String>> words = new HashMap<>();
        contents.forEach((path, content) ->
                words.put(path, Set.of(NOT_IN_NAMES.splitAsStream(new String(content, StandardCharsets.UTF_8))
                .distinct().toArray(String[]::new))));
        boolean more = true;
        while (more) {
            List<String> found = words.keySet().stream().filter(path -> !affected.contains(path))
                    .filter(path -> types.contains(typeName(path))
                            || words.get(path).stream().anyMatch(types::contains)).toList();
            found.forEach(path -> types.add(typeName(path)));
            more = affected.addAll(found);
        }
        return affected;
    }

    List<Path> files(Set<String> paths) {
        return paths.stream().map(sources::resolve).toList();
    }

    /** The class of a source, with its package. */
    static String className(String path) {
        return path.substring(0, path.length() - ".java".length()).replace('/', '.');
    }

    private static String typeName(String path) {
        return path.substring(path.lastIndexOf('/') + 1, path.length() - ".java".length());
    }

    private Path classFile(String path) {
        return classes.resolve(path.substring(0, path.length() - ".java".length()) + ".class");
    }

    /**
     * Deletes the classes of all sources but these, and of these too if they are to be compiled; brings resources up to
     * date.
     */
    void prepare(Set<String> toCompile) throws IOException {
        Files.createDirectories(classes);
        Set<String> kept = contents.keySet().stream().filter(path -> !toCompile.contains(path))
                .map(path -> path.substring(0, path.length() - ".java".length())).collect(Collectors.toSet());
        Set<Path> copied = new HashSet<>();
        for (Path file : filesUnder(resources)) {
            Path copy = classes.resolve(resources.relativize(file).toString());
            Files.createDirectories(copy.getParent());
            Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
            copied.add(copy);
        }
        for (Path file : filesUnder(classes)) {
            String path = classes.relativize(file).toString().replace('\\', '/');
            boolean ofSource = path.endsWith(".class")
                    && kept.contains(path.substring(0, path.length() - ".class".length()).replaceFirst("\\$.*", ""));
            if (!ofSource && !copied.contains(file)) {
                Files.delete(file);
            }
        }
    }

    static List<Path> filesUnder(Path root) throws IOException {
        if (!Files.isDirectory(root)) {
            return new ArrayList<>();
        }
        try (Stream<Path> files = Files.walk(root)) {
            return files.filter(Files::isRegularFile).sorted(Comparator.naturalOrder()).toList();
        }
    }
}
