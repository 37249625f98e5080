package dev.vinekit.cli;

import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Prints how the tests of each table and operation ended: all tables where they fit on a screen, else those that want a
 * look.
 */
final class Matrix {
    private static final int GREATEST_NAME = 32;
    private static final int RULES = 7;
    private static final int INDENT = 4;
    private static final int SHOWN_TABLES = 25;
    private static final int SHOWN_REMARKS = 10;
    private static final int SHOWN_PLACES = 100;
    private static final int ANNOTATION_LINES = 3;
    private static final int SHOWN_CAUSES = 10;
    private static final int SHOWN_LINES = 24;

    private static final Pattern STATUS = Pattern.compile("\\s*(?:expected|but was): \\d{3}");
    private static final Pattern VARYING = Pattern.compile("\"[^\"]*\"|'[^']*'|`[^`]*`|\\d+");

    private final TestReport report;
    private final Style style;
    private final PrintStream out;
    private final boolean all;

    /**
     * A matrix.
     *
     * @param all whether to show each table, rule and remark, however many there are
     */
    Matrix(TestReport report, Style style, PrintStream out, boolean all) {
        this.report = report;
        this.style = style;
        this.out = out;
        this.all = all || report.service().tables().size() <= SHOWN_TABLES;
    }

    void print() {
        List<ServiceDescription.TableDescription> shown = report.service().tables().stream()
                .filter(table -> all || wantsALook(table)).toList();
        int width = shown.stream().mapToInt(table -> table.table().length()).max().orElse(5);
        int nameWidth = Math.max(5, style.whole() ? width : Math.min(GREATEST_NAME, width));
        List<String> aspects = report.aspects();
        int cells = aspects.stream().mapToInt(aspect -> Math.max(aspect.length(), aspect.equals("rules") ? RULES : 0))
                .sum();
        String gap = nameWidth + cells + 2 * aspects.size() > style.width() ? " " : "  ";
        if (!shown.isEmpty()) {
            out.print(style.strong(String.format(Locale.ROOT, "%-" + nameWidth + "s", "table")));
            aspects.forEach(aspect -> out.print(style.strong(gap + aspect)));
            out.println();
        }
        shown.stream().limit(all ? Long.MAX_VALUE : SHOWN_TABLES).forEach(table -> row(table, nameWidth, aspects, gap));
        others(shown);
        List<TestOutcome> contract = report.outcomes().stream().filter(outcome -> outcome.entity().isEmpty()).toList();
        out.println("the service as a whole: " + cell(contract, 0));
        if (!shown.isEmpty()) {
            style.wrapped(style.pass() + " so many tests passed; " + style.none() + " there is no such operation; "
                    + "rules: proved out of those that a request can break", 0)
                    .forEach(line -> out.println(style.faint(line)));
        }
        if (shown.stream().anyMatch(report::hasUntested)) {
            out.println(style.warning("? no test: rows to try it on could not be made"));
        }
        out.println();
        unproved();
        off();
        remarks();
        failures();
        summary();
    }

    /** Whether a test of a table failed, or an operation has none. */
    private boolean wantsALook(ServiceDescription.TableDescription table) {
        return report.hasUntested(table) || report.of(table.entity()).stream().anyMatch(TestOutcome::failed);
    }

    private void row(ServiceDescription.TableDescription table, int nameWidth, List<String> aspects, String gap) {
        String name = style.table(table.table(), nameWidth);
        out.print(name + " ".repeat(Math.max(0, nameWidth - name.length())));
        for (String aspect : aspects) {
            out.print(gap + (aspect.equals("rules") ? rules(table) : report.isUntested(table, aspect)
                    ? style.warning(padded("?", aspect.length()))
                    : cell(report.cell(table.entity(), aspect), aspect.length())));
        }
        out.println();
    }

    /** The tables without a row of their own, in numbers. */
    private void others(List<ServiceDescription.TableDescription> shown) {
        if (all) {
            return;
        }
        if (shown.size() > SHOWN_TABLES) {
            out.println("... and " + (shown.size() - SHOWN_TABLES) + " more like these; --verbose shows all");
        }
        int green = report.service().tables().size() - shown.size();
        List<RuleOutcome> rules = report.service().tables().stream().flatMap(table -> report.rules(table).stream())
                .filter(RuleOutcome::isBreakable).toList();
        long proved = rules.stream().filter(rule -> rule.state() == RuleOutcome.State.PROVED).count();
        out.println(style.good(style.pass()) + " " + green + " of " + report.service().tables().size()
                + " tables: each operation has tests, and all passed");
        out.println("rules: " + proved + " proved out of " + rules.size() + " that a request can break");
    }

    /** Rules that are proved, out of all that a request can break. */
    private String rules(ServiceDescription.TableDescription table) {
        List<RuleOutcome> rules = report.rules(table).stream().filter(RuleOutcome::isBreakable).toList();
        long proved = rules.stream().filter(rule -> rule.state() == RuleOutcome.State.PROVED).count();
        boolean broken = rules.stream().anyMatch(rule -> rule.state() == RuleOutcome.State.BROKEN);
        String mark = broken ? style.fail() : proved == 0 ? "?" : style.pass();
        String text = rules.isEmpty() ? style.none() : mark + " " + proved + "/" + rules.size();
        String padded = String.format(Locale.ROOT, "%-" + RULES + "s", text);
        return rules.isEmpty() ? style.faint(padded) : broken ? style.bad(padded)
                : proved < rules.size() ? style.warning(padded) : style.good(padded);
    }

    /** The rules that no test has shown to be kept, by the reason. */
    private void unproved() {
        Map<String, List<String>> byReason = new TreeMap<>();
        for (ServiceDescription.TableDescription table : report.service().tables()) {
            report.rules(table).stream().filter(RuleOutcome::isUnproved)
                    .forEach(rule -> byReason
                    .computeIfAbsent(words(rule.state()) + ": " + style.cell(rule.reason(), 200),
                            key -> new ArrayList<>())
                    .add(style.table(table.table(), 60) + " " + style.cell(rule.title(), 60)));
        }
        if (byReason.isEmpty()) {
            return;
        }
        out.println(style.warning("Rules without proof"));
        byReason.forEach((reason, rules) -> {
            style.wrapped(reason, 2).forEach(line -> out.println("  " + line));
            List<String> lines = all ? style.filled(rules, INDENT)
                    : List.of(rules.size() + ": " + style.some(rules, INDENT + 6));
            lines.forEach(line -> out.println(" ".repeat(INDENT) + style.faint(line)));
        });
        out.println();
    }

    /** The tests that somebody has switched off, with the reasons. */
    private void off() {
        if (report.off().isEmpty()) {
            return;
        }
        out.println(style.warning("Switched off"));
        report.off().forEach(test -> style.wrapped(style.cell(test.testClass() + ": " + test.name(), 120) + ": "
                + style.cell(test.off().orElseThrow(), 200), 2).forEach(line -> out.println("  " + line)));
        out.println();
    }

    private static String words(RuleOutcome.State state) {
        return state.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private String cell(List<TestOutcome> outcomes, int width) {
        long passed = outcomes.stream().filter(TestOutcome::passed).count();
        boolean failed = outcomes.stream().anyMatch(TestOutcome::failed);
        String text = outcomes.isEmpty() ? style.none()
                : failed ? style.fail() + " " + passed + "/" + outcomes.size()
                : passed == 0 ? "off" : style.pass() + " " + passed;
        String padded = padded(text, width);
        return outcomes.isEmpty() ? style.faint(padded)
                : failed ? style.bad(padded)
                : passed < outcomes.size() ? style.warning(padded) : style.good(padded);
    }

    private static String padded(String text, int width) {
        return text + " ".repeat(Math.max(0, width - text.length()));
    }

    private void remarks() {
        int count = report.service().tables().stream().mapToInt(table -> table.remarks().size()).sum();
        if (!all && count > SHOWN_REMARKS) {
            out.println(style.warning(count + " remarks") + " on the tables: README.md in the project, or --verbose");
            out.println();
            return;
        }
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

    /** Failures, those of one cause together. */
    private void failures() {
        Map<String, List<TestOutcome>> byCause = report.failures().stream().collect(
                Collectors.groupingBy(Matrix::cause, LinkedHashMap::new, Collectors.toList()));
        List<List<TestOutcome>> causes = byCause.values().stream()
                .sorted(Comparator.comparing((List<TestOutcome> alike) -> -alike.size())).toList();
        causes.stream().limit(SHOWN_CAUSES).forEach(alike -> {
            out.println(style.bad(style.fail() + " " + alike.get(0).testClass() + "." + alike.get(0).name()));
            alike.get(0).failure().orElse("").lines().limit(SHOWN_LINES).forEach(line -> out.println("    " + line));
            if (alike.size() > 1) {
                String head = "    the same in " + (alike.size() - 1) + " more: ";
                out.println(head + style.some(alike.stream().skip(1).map(test -> test.testClass() + "." + test.name())
                        .toList(), head.length()));
            }
        });
        if (causes.size() > SHOWN_CAUSES) {
            long left = causes.stream().skip(SHOWN_CAUSES).mapToLong(List::size).sum();
            out.println("... and " + left + " more, of " + (causes.size() - SHOWN_CAUSES)
                    + " other causes; the report has them all.");
        }
        report.failures().stream().filter(failure -> failure.place().isPresent()).limit(SHOWN_PLACES)
                .forEach(failure -> out.println(annotation(failure)));
        for (String table : report.changedTables()) {
            out.println(style.bad(style.fail() + " " + table + " does not hold its seed rows again"));
        }
        if (!report.isGreen()) {
            out.println();
        }
    }

    /** A failure in one line that other programs take for one: where, which test, and how its message begins. */
    private static String annotation(TestOutcome failure) {
        return failure.place().orElseThrow() + ": " + failure.testClass() + "." + failure.name() + ": "
                + failure.failure().stream().flatMap(String::lines)
                .takeWhile(line -> !line.startsWith("The last request") && !line.startsWith("at ")).map(String::strip)
                .filter(line -> !line.isEmpty()).limit(ANNOTATION_LINES).collect(Collectors.joining(" "));
    }

    /**
     * What a failure says, without what differs from row to row and from test to test: numbers, names in quotes, lines,
     * requests.
     */
    private static String cause(TestOutcome failure) {
        return failure.failure().orElse("").lines().takeWhile(line -> !line.startsWith("The last request"))
                .filter(line -> !line.startsWith("at "))
                .map(line -> STATUS.matcher(line).matches() ? line : VARYING.matcher(line).replaceAll("..."))
                .collect(Collectors.joining("\n"));
    }

    private void summary() {
        int count = report.outcomes().size();
        int failed = report.failures().size();
        long untried = report.service().tables().stream().filter(report::hasUntested).count();
        String counts = report.passed() + " passed, " + failed + " failed"
                + (report.off().isEmpty() ? "" : ", " + report.off().size() + " switched off");
        out.println((report.isGreen() ? style.good(counts) : style.bad(count == 0 ? "no test ran" : counts))
                + (untried == 0 || count == 0 ? ""
                        : style.warning(", " + Steps.count(untried, "table", "tables")
                                + " with operations that no test tried")));
        if (report.changedTables().isEmpty()) {
            out.println("The scratch database held its " + report.seedRows() + " seed rows again afterwards.");
        }
    }
}
