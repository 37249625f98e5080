package dev.vinekit.run;

import dev.vinekit.project.ServiceDescription;
import java.util.List;
import java.util.Optional;

/**
 * What a run of the tests says of a rule of the database.
 *
 * @param reason why it is not proved; empty if it is
 */
public record RuleOutcome(ServiceDescription.RuleDescription rule, State state, String reason) {
    /** How much is known. */
    public enum State {
        /** All its tests ran and passed, and they show all of it. */
        PROVED,
        /** One of its tests failed: the service does not keep it. */
        BROKEN,
        /** No request can break it: the database gives the value, for instance, or another rule forbids more. */
        UNBREAKABLE,
        /** A request could break it, but none is known that shows it. */
        NOT_PROVABLE,
        /** There could be a test, but it did not run, or the tests show a part of the rule only. */
        NOT_TESTED
    }

    static RuleOutcome of(ServiceDescription.RuleDescription rule, List<TestOutcome> tests) {
        if (rule.tests().isEmpty()) {
            return new RuleOutcome(rule, rule.unbreakable() ? State.UNBREAKABLE : State.NOT_PROVABLE, rule.reason());
        }
        List<String> failed = tests.stream().filter(TestOutcome::failed).map(TestOutcome::name).toList();
        if (!failed.isEmpty()) {
            return new RuleOutcome(rule, State.BROKEN, String.join(", ", failed) + " failed.");
        }
        Optional<TestOutcome> off = tests.stream().filter(test -> test.off().isPresent()).findFirst();
        if (off.isPresent()) {
            return new RuleOutcome(rule, State.NOT_TESTED, "Switched off: " + off.get().off().orElseThrow());
        }
        List<String> missing = rule.tests().stream()
                .filter(name -> tests.stream().noneMatch(test -> test.name().equals(name))).toList();
        return missing.isEmpty() ? new RuleOutcome(rule, rule.reason().isEmpty() ? State.PROVED : State.NOT_TESTED,
                rule.reason())
                : new RuleOutcome(rule, State.NOT_TESTED, String.join(", ", missing) + " did not run.");
    }

    /** Whether a request can break the rule, so that it is worth a proof. */
    public boolean isBreakable() {
        return state != State.UNBREAKABLE;
    }

    /** Whether a request can break the rule, and no test has shown that the service keeps it. */
    public boolean isUnproved() {
        return isBreakable() && state != State.PROVED;
    }

    /** The rule in a few words: the constraint's name, or the column's. */
    public String title() {
        return switch (rule.kind()) {
            case "type", "default" -> rule.kind() + " " + rule.text() + " of " + rule.name();
            default -> rule.kind() + " " + (rule.name().isEmpty() ? rule.text() : rule.name());
        };
    }
}
