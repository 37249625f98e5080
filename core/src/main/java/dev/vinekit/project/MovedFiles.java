package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds files that people moved or renamed, by what is left of the text that was generated. */
final class MovedFiles {
    private static final Set<String> PASSED_OVER = Set.of("target", "build", "out", "node_modules");
    private static final double ENOUGH = 0.6;
    private static final double ENOUGH_WITH_SAME_NAME = 0.4;
    private static final long LARGEST = 1 << 20;

    private final Path directory;
    private final Set<String> taken;
    private Map<String, String> strangers;

    /**
     * In a project.
     *
     * @param known paths of files that are not moved ones
     */
    MovedFiles(Path directory, Set<String> known) {
        this.directory = directory;
        this.taken = new HashSet<>(known);
    }

    /** Where the file that was generated as this text is now; nothing if no file is like it. */
    Optional<String> find(String path, String generated) {
        String best = null;
        double most = 0;
        for (Map.Entry<String, String> stranger : strangers().entrySet()) {
            if (!taken.contains(stranger.getKey()) && extension(stranger.getKey()).equals(extension(path))) {
                boolean sameName = name(stranger.getKey()).equals(name(path));
                double alike = alike(renamed(generated, simple(path), simple(stranger.getKey())), stranger.getValue());
                if (alike >= (sameName ? ENOUGH_WITH_SAME_NAME : ENOUGH) && alike > most) {
                    best = stranger.getKey();
                    most = alike;
                }
            }
        }
        Optional<String> found = Optional.ofNullable(best);
        found.ifPresent(taken::add);
        return found;
    }

    /** The share of the lines of two texts that both have. */
    private static double alike(String one, String other) {
        Map<String, Integer> lines = new HashMap<>();
        List<String> first = lines(one);
        List<String> second = lines(other);
        first.forEach(line -> lines.merge(line, 1, Integer::sum));
        int common = 0;
        for (String line : second) {
            if (lines.merge(line, -1, Integer::sum) >= 0) {
                common++;
            }
        }
        return first.isEmpty() ? 0 : (double) common / first.size();
    }

    /** The lines that say something: no empty ones, no braces, no imports. */
    private static List<String> lines(String text) {
        return text.lines().map(String::strip)
                .filter(line -> line.length() > 2 && !line.startsWith("import ") && !line.startsWith("package "))
                .toList();
    }

    private static String renamed(String text, String from, String to) {
        return from.equals(to) || from.isEmpty() ? text
                : text.replaceAll("\\b" + Pattern.quote(from) + "\\b", Matcher.quoteReplacement(to));
    }

    private static String name(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String simple(String path) {
        int dot = name(path).lastIndexOf('.');
        return dot < 0 ? name(path) : name(path).substring(0, dot);
    }

    private static String extension(String path) {
        return name(path).substring(simple(path).length());
    }

    private Map<String, String> strangers() {
        if (strangers == null) {
            strangers = new HashMap<>();
            try {
                Files.walkFileTree(directory, new Collector());
            } catch (IOException e) {
                throw Fault.inWorld("Reading " + directory + " failed: " + FileFailure.reason(e) + ".",
                        "Check that the directory may be read.", e);
            }
        }
        return strangers;
    }

    private final class Collector extends SimpleFileVisitor<Path> {
        @Override
        public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
            String name = folder.equals(directory) ? "" : folder.getFileName().toString();
            return name.startsWith(".") || PASSED_OVER.contains(name) ? FileVisitResult.SKIP_SUBTREE
                    : FileVisitResult.CONTINUE;
        }

        @Override
        public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
            String path = directory.relativize(file).toString().replace('\\', '/');
            if (attributes.isRegularFile() && attributes.size() < LARGEST && !taken.contains(path)) {
                strangers.put(path, new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
            }
            return FileVisitResult.CONTINUE;
        }
    }
}
