package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import java.io.IOException;
import java.net.URLClassLoader;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.platform.engine.discovery.ClassNameFilter;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;

/** Runs the generated tests of a compiled project. */
public final class TestRun {
    /** Where the generated tests look for a database that is ready; without it they make their own. */
    private static final String DATABASE_URL = "test.database.url";
    private static final String DATABASE_USER = "test.database.user";
    private static final String DATABASE_PASSWORD = "test.database.password";

    private final Project project;
    private final Set<String> tables;

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
    }

    /**
     * Runs the tests, and compares the rows before and after.
     *
     * @param database the scratch database to run on
     */
    public TestReport on(SeededDatabase database) {
        try (Connection connection = database.connect()) {
            ServiceDescription service = project.service();
            Contents before = Contents.of(connection, service);
            OutcomeCollector collector = new OutcomeCollector(service);
            long start = System.nanoTime();
            launch(database, collector);
            Duration duration = Duration.ofNanos(System.nanoTime() - start);
            List<String> changed = before.differences(Contents.of(connection, service));
            return new TestReport(service.only(tables), collector.outcomes(), duration, before.count(), changed);
        } catch (SQLException e) {
            throw Fault.inWorld("The scratch database failed (SQL state " + e.getSQLState() + ").",
                    "Run again with --verbose to see the reason.", e);
        }
    }

    private void launch(SeededDatabase database, OutcomeCollector collector) {
        Thread thread = Thread.currentThread();
        ClassLoader context = thread.getContextClassLoader();
        try (URLClassLoader loader = new ProjectCompiler(project.directory()).classLoader()) {
            thread.setContextClassLoader(loader);
            System.setProperty(DATABASE_URL, database.url());
            System.setProperty(DATABASE_USER, database.user());
            System.setProperty(DATABASE_PASSWORD, database.password());
            LauncherDiscoveryRequestBuilder request = LauncherDiscoveryRequestBuilder.request()
                    .selectors(DiscoverySelectors.selectClasspathRoots(
                            Set.of(project.directory().resolve("target/test-classes"))));
            if (!tables.isEmpty()) {
                request.filters(ClassNameFilter.includeClassNamePatterns(project.service().only(tables).tables().stream()
                        .map(table -> ".*\\." + table.entity() + "(Repository|Service|Controller)Test").toArray(String[]::new)));
            }
            LauncherFactory.create().execute(request.build(), collector);
        } catch (IOException e) {
            throw Fault.inWorld("The compiled classes could not be read: " + e + ".", "Run again.", e);
        } finally {
            List.of(DATABASE_URL, DATABASE_USER, DATABASE_PASSWORD).forEach(System::clearProperty);
            thread.setContextClassLoader(context);
        }
    }
}
