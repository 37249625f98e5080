package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import java.io.File;
import java.io.IOException;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.FileObject;
import javax.tools.ForwardingJavaFileManager;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/** Compiles a generated project with the compiler of this JDK, against the libraries that this process runs with. */
final class ProjectCompiler {
    private static final int SHOWN_ERRORS = 5;

    /** On the JDK of that release its own classes are the right ones, and found sooner than the description of them. */
    private static final List<String> RELEASE = Runtime.version().feature() == 17
            ? List.of("-source", "17", "-target", "17") : List.of("--release", "17");

    private final Path directory;

    public ProjectCompiler(Path directory) {
        this.directory = directory;
    }

    /** Compiles the service alone, as {@link #compile} does. */
    public Compilation compileService() {
        return compile(false);
    }

    /**
     * Compiles sources and tests into {@code target}, where Maven would put them: those that have changed since the
     * last time, and whatever depends on them.
     *
     * @throws Fault if there is no compiler, or the code does not compile
     */
    public Compilation compile() {
        return compile(true);
    }

    private Compilation compile(boolean withTests) {
        try {
            LibraryPath libraries = LibraryPath.of(directory);
            SourceFolder main = new SourceFolder(directory, "main");
            SourceFolder tests = new SourceFolder(directory, "test");
            CompiledState before = CompiledState.read(directory);
            boolean alike = before.classPath().equals(libraries.classPath());
            Set<String> changed = main.changed(alike ? before.main() : Map.of());
            Set<String> types = new HashSet<>(changed);
            Set<String> ofMain = main.affected(types);
            changed.addAll(tests.changed(alike ? before.tests() : Map.of()));
            types.addAll(changed);
            Set<String> ofTests = withTests ? tests.affected(types) : Set.of();
            Progress progress = Progress.current();
            progress.expect(ofMain.size() + ofTests.size());
            CompletableFuture<List<String>> compiling = CompletableFuture.supplyAsync(() -> !withTests ? List.of()
                    : compile(tests, ofTests, libraries,
                            List.of("-sourcepath", main.sources().toString(), "-implicit:none"), progress));
            List<String> warnings = new ArrayList<>();
            try {
                warnings.addAll(compile(main, ofMain, libraries, List.of(), progress));
            } finally {
                compiling.exceptionally(failure -> null).join();
            }
            warnings.addAll(compiling.join());
            new CompiledState(libraries.classPath(), main.hashes(), withTests ? tests.hashes() : Map.of())
                    .write(directory);
            return new Compilation(main.size() + (withTests ? tests.size() : 0), ofMain.size() + ofTests.size(),
                    changed,
                    classNames(ofTests), withTests ? classNames(tests.affected(new HashSet<>(changed))) : Set.of(),
                    warnings);
        } catch (CompletionException e) {
            throw e.getCause() instanceof Fault fault ? fault : e;
        } catch (IOException e) {
            throw notWritten(e);
        }
    }

    private static Set<String> classNames(Set<String> paths) {
        return paths.stream().map(SourceFolder::className).collect(Collectors.toSet());
    }

    private Fault notWritten(IOException e) {
        return Fault.inWorld("Compiling in " + directory + " failed: " + e + ".",
                "Check that the directory may be written and that the disk is not full.", e);
    }

    /** A class loader over what was compiled. */
    public URLClassLoader classLoader() {
        return new URLClassLoader(classPath(), ProjectCompiler.class.getClassLoader());
    }

    /** What was compiled, and the libraries that this process does not have. */
    URL[] classPath() {
        try {
            return Stream.concat(Stream.of("target/classes", "target/test-classes").map(directory::resolve),
                    LibraryPath.of(directory).more().stream()).map(ProjectCompiler::url).toArray(URL[]::new);
        } catch (IOException e) {
            throw Fault.inWorld("Reading in " + directory + " failed: " + e + ".", "Run again.", e);
        }
    }

    /** Beside each other, the tests against the sources of the service: two compilers on two cores take less time. */
    private List<String> compile(SourceFolder folder, Set<String> paths, LibraryPath libraries, List<String> more,
            Progress progress) {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        if (compiler == null) {
            throw Fault.inWorld("This Java has no compiler.", "Run with a JDK instead of a JRE.", null);
        }
        DiagnosticCollector<JavaFileObject> diagnostics = new DiagnosticCollector<>();
        try (OpenLibraries open = OpenLibraries.of(compiler, more.isEmpty() ? "main" : "tests", libraries.classPath())) {
            StandardJavaFileManager files = open.files();
            folder.prepare(paths);
            List<String> options = new ArrayList<>(RELEASE);
            options.addAll(List.of("-proc:none", "-encoding", "UTF-8", "-Xlint:all,-path",
                    "-d", folder.classes().toString(), "-classpath", folder.classes() + File.pathSeparator
                    + libraries.classPath()));
            options.addAll(more);
            boolean compiled = paths.isEmpty()
                    || compiler.getTask(null, told(progress, files), diagnostics, options, null,
                    files.getJavaFileObjectsFromPaths(folder.files(paths))).call();
            if (!compiled) {
                throw notCompiled(told(diagnostics, Diagnostic.Kind.ERROR));
            }
            open.sound();
            List<String> warnings = new ArrayList<>(told(diagnostics, Diagnostic.Kind.WARNING));
            warnings.addAll(told(diagnostics, Diagnostic.Kind.MANDATORY_WARNING));
            return warnings;
        } catch (IOException e) {
            throw notWritten(e);
        }
    }

    /**
     * Tells of each source file whose classes are written. A listener to the compiler's task would have it read more
     * than it must.
     */
    private static JavaFileManager told(Progress progress, JavaFileManager files) {
        Set<FileObject> written = new HashSet<>();
        return new ForwardingJavaFileManager<>(files) {
            @Override
            public JavaFileObject getJavaFileForOutput(Location location, String name, JavaFileObject.Kind kind,
                    FileObject source)
                    throws IOException {
                if (written.add(source)) {
                    progress.step(true);
                }
                return super.getJavaFileForOutput(location, name, kind, source);
            }
        };
    }

    /** What the compiler says, each with its file and line. */
    private List<String> told(DiagnosticCollector<JavaFileObject> diagnostics, Diagnostic.Kind kind) {
        return diagnostics.getDiagnostics().stream().filter(diagnostic -> diagnostic.getKind() == kind)
                .map(said -> (said.getSource() == null ? "" : directory.toAbsolutePath()
                        .relativize(Path.of(said.getSource().toUri())) + ":" + said.getLineNumber() + ": ")
                        + said.getMessage(Locale.ROOT).replaceAll("\\R\\s*", " "))
                .toList();
    }

    private static Fault notCompiled(List<String> errors) {
        String shown = errors.stream().limit(SHOWN_ERRORS).map(error -> "  " + error).collect(Collectors.joining("\n"));
        String more = errors.size() > SHOWN_ERRORS ? "\n  and " + (errors.size() - SHOWN_ERRORS) + " more" : "";
        return Fault.inCall("The project does not compile:\n" + shown + more, "Correct the lines named above.");
    }

    private static URL url(Path path) {
        try {
            return path.toUri().toURL();
        } catch (MalformedURLException e) {
            throw new IllegalArgumentException("not a path for classes: " + path, e);
        }
    }
}
