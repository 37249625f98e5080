package dev.vinekit.run;

import dev.vinekit.project.ServiceDescription;
import java.time.Duration;
import java.util.List;
import java.util.Locale;

/**
 * How a run of the generated tests ended.
 *
 * @param seedRows rows in the scratch database before the tests
 * @param changedTables tables that did not hold their seed rows again afterwards
 */
public record TestReport(
        ServiceDescription service,
        List<TestOutcome> outcomes,
        Duration duration,
        long seedRows,
        List<String> changedTables) {

    private static final List<String> ASPECTS =
            List.of("repository", "service", "list", "create", "read", "replace", "patch", "delete", "rules", "access");

    public TestReport {
        outcomes = List.copyOf(outcomes);
        changedTables = List.copyOf(changedTables);
    }

    /** The columns of the matrix, in order: what tests can be about in this service. */
    public List<String> aspects() {
        boolean services = outcomes.stream().anyMatch(outcome -> outcome.aspect().equals("service"));
        return ASPECTS.stream().filter(aspect -> services || !aspect.equals("service"))
                .filter(aspect -> service.secured() || !aspect.equals("access")).toList();
    }

    /** Whether tests ran, all passed, and the scratch database was left as it was. */
    public boolean isGreen() {
        return !outcomes.isEmpty() && failures().isEmpty() && changedTables.isEmpty();
    }

    public List<TestOutcome> failures() {
        return outcomes.stream().filter(outcome -> !outcome.passed()).toList();
    }

    /** What is known of every rule of a table. */
    public List<RuleOutcome> rules(ServiceDescription.TableDescription table) {
        return table.rules().stream().map(rule -> RuleOutcome.of(rule, outcomes.stream()
                .filter(outcome -> outcome.testClass().equals(table.entity() + "ControllerTest"))
                .filter(outcome -> rule.tests().contains(outcome.name())).toList())).toList();
    }

    /** Whether a table has an operation that no test is about. */
    public boolean isUntested(ServiceDescription.TableDescription table, String aspect) {
        return table.operations().stream().anyMatch(operation -> operation.name().toLowerCase(Locale.ROOT).equals(aspect))
                && cell(table.entity(), aspect).isEmpty();
    }

    /** The tests of one entity that are about one aspect. */
    public List<TestOutcome> cell(String entity, String aspect) {
        return outcomes.stream()
                .filter(outcome -> outcome.entity().equals(entity) && outcome.aspect().equals(aspect))
                .toList();
    }
}
