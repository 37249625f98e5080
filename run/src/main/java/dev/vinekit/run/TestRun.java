package dev.vinekit.run;

import dev.vinekit.engine.Engines;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;

/** Runs the generated tests of a compiled project. */
final class TestRun {
    /** Where the generated tests look for a database that is ready; without it they make their own. */
    private static final String DATABASE = "test-database.properties";

    private static final int MOST_WORKERS = 4;
    private static final int CLASSES_FOR_A_WORKER = 4;

    private final Project project;
    private final Set<String> tables;
    private final Predicate<String> chosen;

    /** Off for a part of several: the parts must be divided by the same times, also where one runs after another. */
    private final boolean keepsTimes;

    /** Of all tests. */
    public TestRun(Project project) {
        this(project, Set.of());
    }

    /**
     * Of the tests of some tables.
     *
     * @param tables their names in the database; all tables, and the service as a whole, if empty
     */
    public TestRun(Project project, Set<String> tables) {
        this.project = project;
        this.tables = Set.copyOf(tables);
        ServiceDescription service = project.service();
        this.chosen = name -> this.tables.isEmpty() || service.tableOf(name)
                .filter(table -> this.tables.contains(table.table())).isPresent();
        this.keepsTimes = true;
    }

    private TestRun(Project project, Set<String> classes, boolean keepsTimes) {
        this.project = project;
        this.tables = classes.stream().flatMap(name -> project.service().tableOf(name).stream())
                .map(ServiceDescription.TableDescription::table).collect(Collectors.toCollection(TreeSet::new));
        this.chosen = classes::contains;
        this.keepsTimes = keepsTimes;
    }

    /**
     * Of the tests that a change touches: those of the tables that it is about, and those that use what has changed. A
     * change to what all tables share touches all that depend on it.
     */
    public static TestRun touchedBy(Project project, Compilation compiled) {
        ServiceDescription service = project.service();
        Set<String> touched = new TreeSet<>(compiled.nearTests());
        for (String type : compiled.changed()) {
            Optional<ServiceDescription.TableDescription> table = service.tableOf(type);
            if (table.isEmpty() && compiled.nearTests().stream().noneMatch(name -> name.endsWith("." + type))) {
                return new TestRun(project, compiled.testClasses(), true);
            }
            if (table.isPresent()) {
                compiled.testClasses().stream().filter(test -> service.tableOf(test).equals(table))
                        .forEach(touched::add);
            }
        }
        return new TestRun(project, touched, true);
    }

    /**
     * Of one of several parts of the tests.
     *
     * @param tables their names in the database; all tables, and the service as a whole, if empty
     */
    public static TestRun of(Project project, Set<String> tables, Shard shard) {
        TestRun whole = new TestRun(project, tables);
        ServiceDescription service = project.service();
        List<String> classes = whole.classes();
        Map<String, List<String>> byTable = classes.stream().collect(Collectors.groupingBy(name ->
                service.tableOf(name).map(ServiceDescription.TableDescription::table).orElse("")));
        return new TestRun(project, Set.copyOf(shard.of(project, byTable, classes.stream().collect(
                Collectors.toMap(name -> name, name -> name.endsWith("Test") ? whole.size(name) : 0L)))), false);
    }

    /** Runs the tests on one database after each other, and compares the rows before and after. */
    public TestReport on(SeededDatabase database) {
        return merged(List.of(part(database, classes(), Progress.current())), System.nanoTime());
    }

    /**
     * Runs the tests side by side, those of different tables on databases of their own, and compares the rows before
     * and after.
     *
     * @param databases makes a scratch database, which is closed when its tests have ended
     */
    public TestReport onEach(Supplier<SeededDatabase> databases) {
        List<List<String>> shares = shares();
        Progress progress = Progress.current();
        long start = System.nanoTime();
        List<CompletableFuture<Part>> running = shares.stream().map(share -> CompletableFuture.supplyAsync(() -> {
            try (SeededDatabase database = databases.get()) {
                return part(database, share, progress);
            }
        }, task -> new Thread(task, "tests").start())).toList();
        try {
            CompletableFuture.allOf(running.toArray(CompletableFuture[]::new)).join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof Fault fault ? fault : e;
        }
        return merged(running.stream().map(CompletableFuture::join).toList(), start);
    }

    private record Part(List<TestOutcome> outcomes, long rows, List<String> changed) {
    }

    private TestReport merged(List<Part> parts, long start) {
        Duration duration = Duration.ofNanos(System.nanoTime() - start);
        Set<String> changed = new TreeSet<>();
        parts.forEach(part -> changed.addAll(part.changed()));
        if (keepsTimes) {
            LastTimes.keep(project, project.service(),
                    parts.stream().flatMap(part -> part.outcomes().stream()).toList());
        }
        return new TestReport(project.service().only(tables), parts.stream().flatMap(part -> part.outcomes().stream())
                .sorted(Comparator.comparing(TestOutcome::testClass).thenComparing(TestOutcome::name)).toList(),
                duration, parts.get(0).rows(), List.copyOf(changed));
    }

    private Part part(SeededDatabase database, List<String> classes, Progress progress) {
        try (Connection connection = database.connect()) {
            ServiceDescription service = project.service();
            Contents before = Contents.of(connection, service);
            OutcomeCollector collector = new OutcomeCollector(project, progress);
            launch(database, collector, classes);
            return new Part(collector.outcomes(), before.count(), before.differences(Contents.of(connection, service)));
        } catch (SQLException e) {
            throw Fault.inWorld("The scratch database failed (SQL state " + e.getSQLState() + ").",
                    Remedy.of(Remedy.Kind.SEE_CAUSE), e);
        }
    }

    private List<String> classes() {
        Path root = project.path("target/test-classes");
        if (!Files.isDirectory(root)) {
            throw Fault.inCall("The tests in " + project.directory() + " are not compiled.",
                    "Compile the project first, with its tests.");
        }
        try (Stream<Path> files = Files.walk(root)) {
            return files.map(file -> root.relativize(file).toString().replace('\\', '/'))
                    .filter(path -> path.endsWith(".class") && !path.contains("$"))
                    .map(path -> path.substring(0, path.length() - ".class".length()).replace('/', '.')).filter(chosen)
                    .sorted().toList();
        } catch (IOException e) {
            throw unreadable(e);
        }
    }

    /** The classes, divided so that each share takes about as long; the more bytes, the more tests. */
    private List<List<String>> shares() {
        List<String> classes = classes();
        int beside = Engines.named(project.service().engine()).runsSideBySide()
                ? Math.min(MOST_WORKERS, Runtime.getRuntime().availableProcessors()) : 1;
        int tests = (int) classes.stream().filter(name -> name.endsWith("Test")).count();
        int workers = Math.max(1, Math.min(beside, tests / CLASSES_FOR_A_WORKER));
        List<List<String>> shares = new ArrayList<>();
        List<long[]> loads = new ArrayList<>();
        for (int i = 0; i < workers; i++) {
            shares.add(new ArrayList<>());
            loads.add(new long[1]);
        }
        classes.stream().sorted(Comparator.comparing(this::size).reversed().thenComparing(name -> name))
                .forEach(name -> {
            int least = 0;
            for (int i = 1; i < workers; i++) {
                least = loads.get(i)[0] < loads.get(least)[0] ? i : least;
            }
            shares.get(least).add(name);
            loads.get(least)[0] += size(name);
        });
        return shares;
    }

    private long size(String className) {
        try {
            return Files.size(project.path("target/test-classes")
                    .resolve(className.replace('.', '/') + ".class"));
        } catch (IOException e) {
            throw unreadable(e);
        }
    }

    private static Fault unreadable(IOException e) {
        return Fault.inWorld("The compiled classes could not be read: " + e + ".", "Run again.", e);
    }

    private void launch(SeededDatabase database, OutcomeCollector collector, List<String> classes) {
        Thread thread = Thread.currentThread();
        ClassLoader context = thread.getContextClassLoader();
        try (URLClassLoader loader = new TestLoader(new ProjectCompiler(project.directory()).classPath(), database)) {
            thread.setContextClassLoader(loader);
            LauncherFactory.create().execute(LauncherDiscoveryRequestBuilder.request()
                    .selectors(classes.stream().map(name -> DiscoverySelectors.selectClass(loader, name)).toList())
                    .build(), collector);
        } catch (IOException e) {
            throw unreadable(e);
        } finally {
            thread.setContextClassLoader(context);
        }
    }

    /** Tells the tests where their database is, and nobody else. */
    private static final class TestLoader extends URLClassLoader {
        private final byte[] database;

        TestLoader(URL[] classPath, SeededDatabase database) throws IOException {
            super(classPath, TestRun.class.getClassLoader());
            Properties properties = new Properties();
            properties.setProperty("url", database.url());
            properties.setProperty("user", database.user());
            properties.setProperty("password", database.password());
            ByteArrayOutputStream text = new ByteArrayOutputStream();
            properties.store(text, null);
            this.database = text.toByteArray();
        }

        @Override
        public InputStream getResourceAsStream(String name) {
            return name.equals(DATABASE) ? new ByteArrayInputStream(database) : super.getResourceAsStream(name);
        }
    }
}
