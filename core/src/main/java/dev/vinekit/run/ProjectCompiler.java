package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/** Compiles a generated project with the compiler of this JDK, against the libraries that this process runs with. */
public final class ProjectCompiler {
    private static final int SHOWN_ERRORS = 5;

    private final Path directory;

    public ProjectCompiler(Path directory) {
        this.directory = directory;
    }

    /** Compiles the service alone, as {@link #compile} does. */
    public int compileService() {
        return compile(false);
    }

    /**
     * Compiles sources and tests into {@code target}, where Maven would put them.
     *
     * @return the number of source files
     * @throws Fault if there is no compiler, or the code does not compile
     */
    public int compile() {
        return compile(true);
    }

    private int compile(boolean withTests) {
        try {
            CompletableFuture<Integer> tests = CompletableFuture.supplyAsync(() -> withTests ? compileTests() : 0);
            Path classes = emptied("target/classes");
            int count = compile("src/main/java", classes, libraries(), List.of());
            copy("src/main/resources", classes);
            return count + tests.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof Fault fault ? fault : e;
        } catch (IOException e) {
            throw Fault.inWorld("Compiling in " + directory + " failed: " + e + ".",
                    "Check that the directory may be written and that the disk is not full.", e);
        }
    }

    /** A class loader over what was compiled. */
    public URLClassLoader classLoader() {
        URL[] urls = Stream.of("target/classes", "target/test-classes")
                .map(name -> url(directory.resolve(name))).toArray(URL[]::new);
        return new URLClassLoader(urls, ProjectCompiler.class.getClassLoader());
    }

    /** Beside the service, against its sources: two compilers on two cores take less time than one after the other. */
    private int compileTests() {
        try {
            Path classes = emptied("target/test-classes");
            copy("src/test/resources", classes);
            return compile("src/test/java", classes, libraries(), List.of(
                    "-sourcepath", directory.resolve("src/main/java").toString(), "-implicit:none"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private int compile(String sources, Path target, String classPath, List<String> more) throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        if (compiler == null) {
            throw Fault.inWorld("This Java has no compiler.", "Run with a JDK instead of a JRE.", null);
        }
        DiagnosticCollector<JavaFileObject> diagnostics = new DiagnosticCollector<>();
        try (StandardJavaFileManager files =
                compiler.getStandardFileManager(diagnostics, Locale.ROOT, StandardCharsets.UTF_8)) {
            List<Path> javaFiles = filesUnder(directory.resolve(sources)).stream()
                    .filter(file -> file.toString().endsWith(".java")).toList();
            List<String> options = new ArrayList<>(List.of("-proc:none", "--release", "17", "-encoding", "UTF-8", "-nowarn",
                    "-d", target.toString(), "-classpath", classPath));
            options.addAll(more);
            boolean compiled = javaFiles.isEmpty() || compiler.getTask(null, files, diagnostics, options, null,
                    files.getJavaFileObjectsFromPaths(javaFiles)).call();
            if (!compiled) {
                throw notCompiled(diagnostics.getDiagnostics());
            }
            return javaFiles.size();
        }
    }

    private Fault notCompiled(List<Diagnostic<? extends JavaFileObject>> diagnostics) {
        List<String> errors = diagnostics.stream()
                .filter(diagnostic -> diagnostic.getKind() == Diagnostic.Kind.ERROR)
                .map(error -> "  " + (error.getSource() == null ? "" : directory.toAbsolutePath()
                        .relativize(Path.of(error.getSource().toUri())) + ":" + error.getLineNumber() + ": ")
                        + error.getMessage(Locale.ROOT).replaceAll("\\R\\s*", " "))
                .toList();
        String shown = errors.stream().limit(SHOWN_ERRORS).collect(Collectors.joining("\n"));
        String more = errors.size() > SHOWN_ERRORS ? "\n  and " + (errors.size() - SHOWN_ERRORS) + " more" : "";
        return Fault.inCall("The project does not compile:\n" + shown + more, "Correct the lines named above.");
    }

    /** The class path of this process without Vine Kit itself, on which no generated code may depend. */
    private static String libraries() {
        return Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(entry -> !entry.isEmpty() && !isVineKit(Path.of(entry)))
                .collect(Collectors.joining(File.pathSeparator));
    }

    private static boolean isVineKit(Path entry) {
        return entry.getFileName() != null && entry.getFileName().toString().startsWith("vinekit-")
                || Files.isDirectory(entry.resolve("dev/vinekit"));
    }

    private Path emptied(String name) throws IOException {
        Path target = directory.resolve(name);
        if (Files.isDirectory(target)) {
            try (Stream<Path> entries = Files.walk(target)) {
                for (Path entry : entries.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(entry);
                }
            }
        }
        return Files.createDirectories(target);
    }

    private void copy(String resources, Path target) throws IOException {
        Path root = directory.resolve(resources);
        for (Path file : filesUnder(root)) {
            Path copy = target.resolve(root.relativize(file).toString());
            Files.createDirectories(copy.getParent());
            Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static List<Path> filesUnder(Path root) throws IOException {
        if (!Files.isDirectory(root)) {
            return new ArrayList<>();
        }
        try (Stream<Path> files = Files.walk(root)) {
            return files.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private static URL url(Path path) {
        try {
            return path.toUri().toURL();
        } catch (MalformedURLException e) {
            throw new IllegalArgumentException("not a path for classes: " + path, e);
        }
    }
}
