package dev.vinekit.cli;

import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** Prints how the tests of each table and operation ended. */
final class Matrix {
    private static final int GREATEST_NAME = 32;
    private static final int INDENT = 4;
    private static final int SHOWN_FAILURES = 10;
    private static final int SHOWN_LINES = 24;

    private final TestReport report;
    private final Style style;
    private final PrintStream out;

    Matrix(TestReport report, Style style, PrintStream out) {
        this.report = report;
        this.style = style;
        this.out = out;
    }

    void print() {
        int width = report.service().tables().stream().mapToInt(table -> table.table().length()).max().orElse(5);
        int nameWidth = Math.min(GREATEST_NAME, Math.max(5, width));
        out.print(style.strong(String.format(Locale.ROOT, "%-" + nameWidth + "s", "table")));
        List<String> aspects = report.aspects();
        aspects.forEach(aspect -> out.print(style.strong("  " + aspect)));
        out.println();
        for (ServiceDescription.TableDescription table : report.service().tables()) {
            String name = style.table(table.table(), nameWidth);
            out.print(name + " ".repeat(nameWidth - name.length()));
            for (String aspect : aspects) {
                out.print("  " + (aspect.equals("rules") ? rules(table) : report.isUntested(table, aspect) ? style.warning(padded("?", aspect.length()))
                        : cell(report.cell(table.entity(), aspect), aspect.length())));
            }
            out.println();
        }
        List<TestOutcome> contract = report.outcomes().stream().filter(outcome -> outcome.entity().isEmpty()).toList();
        out.println("the service as a whole: " + cell(contract, 0));
        out.println(style.faint(style.pass() + " so many tests passed   " + style.none()
                + " there is no such operation   rules: proved out of those that the database keeps"));
        boolean untested = report.service().tables().stream().anyMatch(table -> aspects.stream().anyMatch(aspect -> report.isUntested(table, aspect)));
        if (untested) {
            out.println(style.warning("? no test: rows to try it on could not be made"));
        }
        out.println();
        unproved();
        remarks();
        failures();
        summary();
    }

    /** Rules that are proved, out of all that the database keeps. */
    private String rules(ServiceDescription.TableDescription table) {
        List<RuleOutcome> rules = report.rules(table);
        long proved = rules.stream().filter(rule -> rule.state() == RuleOutcome.State.PROVED).count();
        boolean broken = rules.stream().anyMatch(rule -> rule.state() == RuleOutcome.State.BROKEN);
        String text = rules.isEmpty() ? style.none() : (broken ? style.fail() : style.pass()) + " " + proved + "/" + rules.size();
        String padded = String.format(Locale.ROOT, "%-7s", text);
        return rules.isEmpty() ? style.faint(padded) : broken ? style.bad(padded)
                : proved < rules.size() ? style.warning(padded) : style.good(padded);
    }

    /** The rules that no test has shown to be kept, by the reason. */
    private void unproved() {
        Map<String, List<String>> byReason = new TreeMap<>();
        for (ServiceDescription.TableDescription table : report.service().tables()) {
            report.rules(table).stream().filter(rule -> rule.state() != RuleOutcome.State.PROVED).forEach(rule -> byReason
                    .computeIfAbsent(words(rule.state()) + ": " + style.cell(rule.reason(), 200), key -> new ArrayList<>())
                    .add(style.table(table.table(), 60) + " " + style.cell(rule.title(), 60)));
        }
        if (byReason.isEmpty()) {
            return;
        }
        out.println(style.warning("Rules without proof"));
        byReason.forEach((reason, rules) -> {
            style.wrapped(reason, 2).forEach(line -> out.println("  " + line));
            style.filled(rules, INDENT).forEach(line -> out.println(" ".repeat(INDENT) + style.faint(line)));
        });
        out.println();
    }

    private static String words(RuleOutcome.State state) {
        return state.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private String cell(List<TestOutcome> outcomes, int width) {
        long passed = outcomes.stream().filter(TestOutcome::passed).count();
        String text = outcomes.isEmpty() ? style.none()
                : passed == outcomes.size() ? style.pass() + " " + passed
                : style.fail() + " " + passed + "/" + outcomes.size();
        String padded = padded(text, width);
        return outcomes.isEmpty() ? style.faint(padded)
                : passed == outcomes.size() ? style.good(padded) : style.bad(padded);
    }

    private static String padded(String text, int width) {
        return text + " ".repeat(Math.max(0, width - text.length()));
    }

    private void remarks() {
        boolean any = false;
        for (ServiceDescription.TableDescription table : report.service().tables()) {
            for (String remark : table.remarks()) {
                String name = style.table(table.table(), 60);
                List<String> lines = style.wrapped(name + ": " + style.cell(remark, 400), 2);
                out.println(style.warning(name) + lines.get(0).substring(name.length()));
                lines.stream().skip(1).forEach(line -> out.println("  " + line));
                any = true;
            }
        }
        if (any) {
            out.println();
        }
    }

    private void failures() {
        List<TestOutcome> failures = report.failures();
        for (TestOutcome failure : failures.subList(0, Math.min(SHOWN_FAILURES, failures.size()))) {
            out.println(style.bad(style.fail() + " " + failure.testClass() + "." + failure.name()));
            failure.failure().orElse("").lines().limit(SHOWN_LINES).forEach(line -> out.println("    " + line));
        }
        if (failures.size() > SHOWN_FAILURES) {
            out.println("... and " + (failures.size() - SHOWN_FAILURES) + " more; mvn verify in the project shows all.");
        }
        for (String table : report.changedTables()) {
            out.println(style.bad(style.fail() + " " + table + " does not hold its seed rows again"));
        }
        if (!report.isGreen()) {
            out.println();
        }
    }

    private void summary() {
        int all = report.outcomes().size();
        int failed = report.failures().size();
        String counts = (all - failed) + " passed, " + failed + " failed";
        out.println(report.isGreen() ? style.good(counts) : style.bad(all == 0 ? "no test ran" : counts));
        if (report.changedTables().isEmpty()) {
            out.println("The scratch database held its " + report.seedRows() + " seed rows again afterwards.");
        }
    }
}
