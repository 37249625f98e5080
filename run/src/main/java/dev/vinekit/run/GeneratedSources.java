package dev.vinekit.run;

import com.sun.source.util.JavacTask;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Field;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/** Sources that are not written yet, as the compiler sees them. */
final class GeneratedSources {
    private static final int SHOWN = 3;

    private GeneratedSources() {
    }

    /** See {@link Runner#check}. */
    static void check(SourceTree sources) {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        if (compiler == null || !isOursAlone(sources)) {
            return;
        }
        List<Source> units = sources.files().stream().filter(file -> file.path().endsWith(".java")).map(Source::new)
                .toList();
        DiagnosticCollector<JavaFileObject> diagnostics = new DiagnosticCollector<>();
        String classPath = LibraryPath.ofThisProcess().classPath();
        try (OpenLibraries open = OpenLibraries.of(compiler, "check", classPath)) {
            JavacTask task = (JavacTask) compiler.getTask(null, open.files(), diagnostics,
                    List.of("-proc:none", "-Xlint:none", "-classpath", classPath), null, units);
            task.analyze();
            List<Diagnostic<? extends JavaFileObject>> errors = diagnostics.getDiagnostics().stream()
                    .filter(diagnostic -> diagnostic.getKind() == Diagnostic.Kind.ERROR)
                    .collect(Collectors.toCollection(ArrayList::new));
            if (!errors.isEmpty()) {
                throw refusal(errors);
            }
            open.sound();
        } catch (IOException e) {
            throw Fault.inWorld("Checking the generated code failed: " + e + ".", "Run again.", e);
        }
    }

    /** Custom templates, and classes of the user that convert columns, may be missing or unfinished. */
    private static boolean isOursAlone(SourceTree sources) {
        return sources.ownTemplates().isEmpty() && sources.mapping().entities().stream()
                .flatMap(entity -> entity.fields().stream()).map(Field::converter).allMatch(Optional::isEmpty);
    }

    private static Fault refusal(List<Diagnostic<? extends JavaFileObject>> errors) {
        List<String> tables = errors.stream().map(Diagnostic::getSource).filter(Source.class::isInstance)
                .flatMap(source -> ((Source) source).file.table().stream()).map(TableName::toString).distinct()
                .limit(SHOWN).toList();
        String lines = errors.stream().limit(SHOWN).map(error -> "\n  "
                + (error.getSource() instanceof Source source ? source.file.path() + ":" + error.getLineNumber() + ": " : "")
                + error.getMessage(Locale.ROOT).replaceAll("\\s+", " ")).collect(Collectors.joining());
        return Fault.inCall("The generated code does not compile, so nothing was written. This is a defect of Vine Kit."
                        + lines,
                tables.isEmpty() ? "Report it with the schema." : "List " + String.join(", ", tables)
                        + " under exclude in the mapping file, and report the table's definition.");
    }

    private static final class Source extends SimpleJavaFileObject {
        private final SourceFile file;

        Source(SourceFile file) {
            super(URI.create("string:///" + Path.of(file.path()).toUri().getRawPath().substring(1)), Kind.SOURCE);
            this.file = file;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return file.text();
        }

        /** The compiler compares the name of a public class with the last part of the path. */
        @Override
        public boolean isNameCompatible(String simpleName, Kind kind) {
            return file.path().endsWith("/" + simpleName + kind.extension);
        }
    }
}
