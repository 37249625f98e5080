package dev.vinekit.run;

import dev.vinekit.mapping.Operation;
import dev.vinekit.project.ServiceDescription;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** How a run of the generated tests ended. */
public final class TestReport {
    private static final List<String> ASPECTS = Stream.of(List.of("repository", "service"), Operation.words(),
            List.of("rules", "access")).flatMap(List::stream).toList();

    private final ServiceDescription service;
    private final List<TestOutcome> outcomes;
    private final Duration duration;
    private final long seedRows;
    private final List<String> changedTables;
    private final Map<String, Map<String, List<TestOutcome>>> byEntity;
    private final Map<String, List<TestOutcome>> byClass;

    /**
     * A report.
     *
     * @param seedRows rows in the scratch database before the tests
     * @param changedTables tables that did not hold their seed rows again afterwards
     */
    public TestReport(ServiceDescription service, List<TestOutcome> outcomes, Duration duration, long seedRows,
            List<String> changedTables) {
        this.service = service;
        this.outcomes = List.copyOf(outcomes);
        this.duration = duration;
        this.seedRows = seedRows;
        this.changedTables = List.copyOf(changedTables);
        this.byEntity = outcomes.stream()
                .collect(Collectors.groupingBy(TestOutcome::entity, Collectors.groupingBy(TestOutcome::aspect)));
        this.byClass = outcomes.stream().collect(Collectors.groupingBy(TestOutcome::testClass));
    }

    /** What was tested. */
    public ServiceDescription service() {
        return service;
    }

    /** How each test ended. */
    public List<TestOutcome> outcomes() {
        return outcomes;
    }

    public Duration duration() {
        return duration;
    }

    /** Rows in the scratch database before the tests. */
    public long seedRows() {
        return seedRows;
    }

    /** Tables that did not hold their seed rows again afterwards. */
    public List<String> changedTables() {
        return changedTables;
    }

    /** The columns of the matrix, in order: what tests can be about in this service. */
    public List<String> aspects() {
        boolean services = outcomes.stream().anyMatch(outcome -> outcome.aspect().equals("service"));
        boolean restores = service.tables().stream().anyMatch(table -> table.operations().contains(Operation.RESTORE));
        return ASPECTS.stream().filter(aspect -> services || !aspect.equals("service"))
                .filter(aspect -> restores || !aspect.equals(Operation.RESTORE.word()))
                .filter(aspect -> service.secured() || !aspect.equals("access")).toList();
    }

    /** Whether tests ran, none failed, and the scratch database was left as it was. */
    public boolean isGreen() {
        return passed() > 0 && failures().isEmpty() && changedTables.isEmpty();
    }

    public List<TestOutcome> failures() {
        return outcomes.stream().filter(TestOutcome::failed).toList();
    }

    /** The tests that somebody has switched off, in the project. */
    public List<TestOutcome> off() {
        return outcomes.stream().filter(outcome -> outcome.off().isPresent()).toList();
    }

    public long passed() {
        return outcomes.stream().filter(TestOutcome::passed).count();
    }

    /** What is known of every rule of a table. */
    public List<RuleOutcome> rules(ServiceDescription.TableDescription table) {
        Map<String, List<TestOutcome>> byName = byClass.getOrDefault(table.entity() + "ControllerTest", List.of())
                .stream()
                .collect(Collectors.groupingBy(TestOutcome::name));
        return table.rules().stream().map(rule -> RuleOutcome.of(rule, rule.tests().stream()
                .flatMap(name -> byName.getOrDefault(name, List.of()).stream()).toList())).toList();
    }

    /** Whether a table has an operation that no test is about. */
    public boolean isUntested(ServiceDescription.TableDescription table, String aspect) {
        return table.operations().stream()
                .anyMatch(operation -> operation.word().equals(aspect))
                && cell(table.entity(), aspect).isEmpty();
    }

    /** Whether there is an operation on a table that no test is about. */
    public boolean hasUntested(ServiceDescription.TableDescription table) {
        return table.operations().stream()
                .anyMatch(operation -> cell(table.entity(), operation.word()).isEmpty());
    }

    /** The tests of one entity. */
    public List<TestOutcome> of(String entity) {
        return byEntity.getOrDefault(entity, Map.of()).values().stream().flatMap(List::stream).toList();
    }

    /** The tests of one entity that are about one aspect. */
    public List<TestOutcome> cell(String entity, String aspect) {
        return byEntity.getOrDefault(entity, Map.of()).getOrDefault(aspect, List.of());
    }
}
