package dev.vinekit.run;

import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.project.SourceFolders;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.TestSource;
import org.junit.platform.engine.TestTag;
import org.junit.platform.engine.reporting.ReportEntry;
import org.junit.platform.engine.support.descriptor.ClassSource;
import org.junit.platform.engine.support.descriptor.MethodSource;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.TestPlan;

/** Notes how each test ends, and by the names of classes and tags what it is about. */
final class OutcomeCollector implements TestExecutionListener {
    private final Project project;
    private final ServiceDescription service;
    private final String testFolder;
    private final Map<String, Long> starts = new ConcurrentHashMap<>();
    private final Map<String, String> exchanges = new ConcurrentHashMap<>();
    private final List<TestOutcome> outcomes = new ArrayList<>();
    private final Progress progress;

    OutcomeCollector(Project project, Progress progress) {
        this.project = project;
        this.service = project.service();
        this.testFolder = SourceFolders.of(project.directory()).test();
        this.progress = progress;
    }

    @Override
    public void testPlanExecutionStarted(TestPlan plan) {
        progress.expect((int) plan.countTestIdentifiers(TestIdentifier::isTest));
    }

    @Override
    public void dynamicTestRegistered(TestIdentifier test) {
        progress.expect(test.isTest() ? 1 : 0);
    }

    @Override
    public void executionStarted(TestIdentifier test) {
        starts.put(test.getUniqueId(), System.nanoTime());
    }

    /** Notes what a test has asked the service. */
    @Override
    public void reportingEntryPublished(TestIdentifier test, ReportEntry entry) {
        String told = entry.getKeyValuePairs().get("exchanges");
        if (told != null) {
            exchanges.put(test.getUniqueId(), told);
        }
    }

    /** Besides tests, notes classes that fail before or after theirs. */
    @Override
    public void executionFinished(TestIdentifier test, TestExecutionResult result) {
        boolean off = test.isTest() && result.getStatus() == TestExecutionResult.Status.ABORTED;
        boolean failed = !off && result.getStatus() != TestExecutionResult.Status.SUCCESSFUL;
        if (off) {
            add(test, Optional.empty(), Optional.of(result.getThrowable().map(OutcomeCollector::reason).orElse("")));
        } else if (test.isTest() || failed) {
            String message = result.getThrowable().map(this::message).orElse("ended early");
            add(test, failed ? Optional.of(message) : Optional.empty(), Optional.empty());
        }
    }

    @Override
    public void executionSkipped(TestIdentifier test, String reason) {
        add(test, Optional.empty(), Optional.of(reason));
    }

    private synchronized void add(TestIdentifier test, Optional<String> failure, Optional<String> off) {
        long start = starts.getOrDefault(test.getUniqueId(), System.nanoTime());
        String testClass = className(test.getSource().orElse(null));
        String entity = service.tableOf(testClass).map(ServiceDescription.TableDescription::entity).orElse("");
        String aspect = test.getTags().stream().map(TestTag::getName).findFirst().orElse("");
        outcomes.add(new TestOutcome(entity, aspect, testClass.substring(testClass.lastIndexOf('.') + 1), name(test),
                Duration.ofNanos(System.nanoTime() - start), failure, off, exchanges.getOrDefault(test.getUniqueId(), "")));
        if (test.isTest()) {
            progress.step(failure.isEmpty());
        }
    }

    /** In the order in which they ended. */
    synchronized List<TestOutcome> outcomes() {
        return List.copyOf(outcomes);
    }

    private static String className(TestSource source) {
        return source instanceof MethodSource method ? method.getClassName()
                : source instanceof ClassSource type ? type.getClassName() : "";
    }

    /** The name of a case, or that of a method without its parameters. */
    private static String name(TestIdentifier test) {
        String shown = test.getDisplayName();
        return test.getSource().orElse(null) instanceof MethodSource method
                && shown.startsWith(method.getMethodName() + "(") ? method.getMethodName() : shown;
    }

    /** What a person said who switched a test off; JUnit puts a few words before it. */
    private static String reason(Throwable aborted) {
        return String.valueOf(aborted.getMessage()).replaceFirst("^Assumption failed: ", "");
    }

    /** The line of a test's source, from the project's directory; nothing if it is of something else. */
    private Optional<String> place(StackTraceElement frame) {
        int dot = frame.getClassName().lastIndexOf('.');
        String file = testFolder + "/" + frame.getClassName().substring(0, dot + 1).replace('.', '/')
                + frame.getFileName();
        return frame.getFileName() != null && Files.isRegularFile(project.directory().resolve(file))
                ? Optional.of(file + ":" + frame.getLineNumber()) : Optional.empty();
    }

    private String message(Throwable failure) {
        StringBuilder text = new StringBuilder(String.valueOf(failure.getMessage()).strip());
        List<String> places = Arrays.stream(failure.getStackTrace()).flatMap(frame -> place(frame).stream()).toList();
        places.stream().filter(place -> place.contains("Test.java:")).findFirst()
                .or(() -> places.stream().findFirst())
                .ifPresent(place -> text.append('\n').append(TestOutcome.AT).append(place));
        Throwable cause = failure.getCause();
        boolean said = cause == null || String.valueOf(failure.getMessage())
                .contains(String.valueOf(cause.getMessage()).strip());
        return said ? text.toString() : text + "\ncaused by " + cause;
    }
}
