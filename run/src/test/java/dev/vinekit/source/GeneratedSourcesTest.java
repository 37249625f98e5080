package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.Feature;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.source.view.CommentText;
import dev.vinekit.source.view.DocText;
import dev.vinekit.source.view.JavaCode;
import dev.vinekit.source.view.JavaString;
import dev.vinekit.source.view.ServiceView;
import java.io.File;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TimeZone;
import java.util.stream.Collectors;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class GeneratedSourcesTest {
    @TempDir
    private Path directory;

    @Test
    void cellarCompilesWithoutAWarning() throws Exception {
        assertThat(warnings(cellar())).isEmpty();
    }

    @Test
    void generatedFilesKnowNothingOfVineKit() {
        assertThat(cellar().files()).allSatisfy(file ->
                assertThat(file.text().toLowerCase(Locale.ROOT)).as(file.path()).doesNotContain("vinekit", "vine kit"));
    }

    @Test
    void generatedCodeIsTidy() throws Exception {
        assertThat(cellar().files()).filteredOn(file -> file.path().endsWith(".java")).allSatisfy(file -> {
            assertThat(file.text().lines()).as(file.path()).allMatch(line -> line.length() <= LineBreaker.WIDTH);
            assertThat(unusedImports(file.text())).as(file.path()).isEmpty();
            assertTidy(file);
        });
        try (TestDatabases clauses = TestDatabases.clauses("h2")) {
            assertThat(sources(clauses.database()).files()).filteredOn(file -> file.path().endsWith(".java"))
                    .allSatisfy(GeneratedSourcesTest::assertTidy);
        }
    }

    private static void assertTidy(SourceFile file) {
        assertThat(file.text()).as(file.path())
                .doesNotContain("\t", " \n", "\n\n\n", "{\n\n", "\n\n    }", "\n\n}").endsWith("}\n");
    }

    @Test
    void generatingAgainElsewhereGivesTheSameBytes() {
        SourceTree first = cellar();
        Locale locale = Locale.getDefault();
        TimeZone zone = TimeZone.getDefault();
        try {
            Locale.setDefault(Locale.forLanguageTag("tr-TR"));
            TimeZone.setDefault(TimeZone.getTimeZone("Pacific/Kiritimati"));

            assertThat(cellar().files()).isEqualTo(first.files());
        } finally {
            Locale.setDefault(locale);
            TimeZone.setDefault(zone);
        }
    }

    @Test
    void templatesSeeNothingButSafeTypes() {
        Set<Type> seen = new HashSet<>();

        assertThat(unsafe(ServiceView.class, seen)).isEmpty();

        assertThat(seen.size()).isGreaterThan(10);
    }

    @Test
    void commentsOfTheDatabaseSayTheSameInJavaAndEndNothing() throws Exception {
        try (TestDatabases clauses = TestDatabases.clauses("h2")) {
            String entity = sources(clauses.database()).files().stream()
                    .filter(file -> file.path().endsWith("/OrderRow.java")).findFirst().orElseThrow().text();

            assertThat(entity).contains("Ends a comment &#42;/ and &#92;u0022 escapes \"quotes\" 'too' "
                    + "&#123;&#64;link X&#125; &lt;b&gt;");
        }
    }

    private static SourceTree cellar() {
        try (Cellar cellar = Cellar.open()) {
            return VineKit.generate(VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar"),
                    Cellar.seed());
        }
    }

    private static SourceTree sources(Database database) {
        return VineKit.generate(VineKit.map(VineKit.read(database, Scope.all()), "com.example.made"));
    }

    /** What {@code javac -Xlint:all -Werror} has to say. */
    private List<String> warnings(SourceTree sources) throws Exception {
        List<Path> files = new ArrayList<>();
        for (SourceFile file : sources.files()) {
            Path path = directory.resolve(file.path());
            Files.createDirectories(path.getParent());
            Files.writeString(path, file.text());
            if (file.path().endsWith(".java")) {
                files.add(path);
            }
        }
        String libraries = Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(entry -> entry.endsWith(".jar") && !entry.contains("vinekit"))
                .collect(Collectors.joining(File.pathSeparator));
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        DiagnosticCollector<JavaFileObject> diagnostics = new DiagnosticCollector<>();
        try (StandardJavaFileManager manager = compiler.getStandardFileManager(diagnostics, Locale.ROOT, null)) {
            List<String> options = List.of("-proc:none", "--release", "17", "-Xlint:all", "-Xlint:-path", "-Werror",
                    "-d", Files.createDirectories(directory.resolve("classes")).toString(), "-classpath", libraries);
            boolean compiled = compiler.getTask(null, manager, diagnostics, options, null,
                    manager.getJavaFileObjectsFromPaths(files)).call();
            List<String> found = diagnostics.getDiagnostics().stream().map(Object::toString).toList();
            assertThat(compiled).as(found.toString()).isTrue();
            return found;
        }
    }

    private static List<String> unusedImports(String java) {
        String body = java.substring(java.lastIndexOf("\nimport ") + 1).replaceFirst("import.*", "");
        return java.lines().filter(line -> line.startsWith("import "))
                .map(line -> line.substring(line.lastIndexOf('.') + 1, line.length() - 1))
                .filter(name -> !body.matches("(?s).*\\b" + name + "\\b.*")).toList();
    }

    private static List<String> unsafe(Class<?> record, Set<Type> seen) {
        List<String> found = new ArrayList<>();
        for (RecordComponent component : record.getRecordComponents()) {
            Type type = component.getGenericType();
            while (type instanceof ParameterizedType list
                    && (list.getRawType() == List.class || list.getRawType() == Optional.class)) {
                type = list.getActualTypeArguments()[0];
            }
            Set<Type> safe = Set.of(JavaName.class, JavaString.class, DocText.class, CommentText.class,
                    JavaCode.class, Feature.class, boolean.class, int.class);
            if (safe.contains(type) || !seen.add(type)) {
                continue;
            }
            if (type instanceof Class<?> inner && inner.isRecord()) {
                found.addAll(unsafe(inner, seen));
            } else {
                found.add(record.getSimpleName() + "." + component.getName() + ": " + type);
            }
        }
        return found;
    }
}
