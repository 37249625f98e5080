package dev.vinekit.report;

import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.time.Duration;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** A run of the tests as one page that needs nothing else: no script, no style sheet, no font from anywhere. */
final class HtmlReport {
    private static final int SLOWEST = 10;

    private HtmlReport() {
    }

    /** A cell of the matrix. */
    public record Cell(String text, String state) {
    }

    /** A row of the matrix, and what is below it. */
    public record Row(String table, String anchor, List<Cell> cells, String time, List<Shown> tests,
            List<Unproved> unproved) {
    }

    /** A test. */
    public record Shown(String name, String time, String failure, String off, String exchanges) {
    }

    /** A rule without proof. */
    public record Unproved(String rule, String text, String state, String reason) {
    }

    /** @param schemaPage the URL of a page about the schema */
    static String of(TestReport report, String title, Optional<String> schemaPage) {
        Map<String, Object> model = new LinkedHashMap<>();
        List<String> aspects = report.aspects();
        List<Row> rows = report.service().tables().stream().map(table -> row(report, table, aspects)).toList();
        List<RuleOutcome> rules = report.service().tables().stream().flatMap(table -> report.rules(table).stream())
                .filter(RuleOutcome::isBreakable).toList();
        model.put("title", title);
        model.put("schemaPage", schemaPage.orElse(""));
        model.put("green", report.isGreen());
        model.put("passed", report.passed());
        model.put("failed", report.failures().size());
        model.put("off", report.off().stream().map(HtmlReport::shown).toList());
        model.put("time", seconds(report.duration()));
        model.put("seedRows", report.seedRows());
        model.put("changed", report.changedTables());
        model.put("rules", rules.size());
        model.put("proved", rules.stream().filter(rule -> rule.state() == RuleOutcome.State.PROVED).count());
        model.put("aspects", aspects);
        model.put("rows", rows);
        model.put("failures", report.failures().stream().map(HtmlReport::shown).toList());
        model.put("whole", report.outcomes().stream().filter(outcome -> outcome.entity().isEmpty())
                .map(HtmlReport::shown).toList());
        model.put("slowest", report.outcomes().stream().sorted(Comparator.comparing(TestOutcome::duration).reversed())
                .limit(SLOWEST).map(HtmlReport::shown).toList());
        return HtmlTemplate.html(HtmlReport.class, "report.html.ftl", model);
    }

    private static Row row(TestReport report, ServiceDescription.TableDescription table, List<String> aspects) {
        List<RuleOutcome> rules = report.rules(table).stream().filter(RuleOutcome::isBreakable).toList();
        long proved = rules.stream().filter(rule -> rule.state() == RuleOutcome.State.PROVED).count();
        List<TestOutcome> tests = report.of(table.entity()).stream()
                .sorted(Comparator.comparing(TestOutcome::testClass).thenComparing(TestOutcome::name)).toList();
        return new Row(table.table(), table.entity(), aspects.stream().map(aspect -> {
            List<TestOutcome> outcomes = report.cell(table.entity(), aspect);
            boolean failed = outcomes.stream().anyMatch(TestOutcome::failed);
            boolean off = outcomes.stream().anyMatch(outcome -> outcome.off().isPresent());
            boolean ofRules = aspect.equals("rules");
            long passed = outcomes.stream().filter(TestOutcome::passed).count();
            if (ofRules ? rules.isEmpty() : outcomes.isEmpty()) {
                return report.isUntested(table, aspect) ? new Cell("?", "part") : new Cell("", "none");
            }
            return new Cell(ofRules ? proved + "/" + rules.size() : failed ? passed + "/" + outcomes.size()
                    : String.valueOf(passed),
                    failed ? "bad" : ofRules && proved == 0 ? "none" : off || ofRules && proved < rules.size() ? "part"
                    : "good");
        }).toList(), seconds(tests.stream().map(TestOutcome::duration).reduce(Duration.ZERO, Duration::plus)),
                tests.stream().map(HtmlReport::shown).toList(),
                report.rules(table).stream().filter(rule -> rule.state() != RuleOutcome.State.PROVED)
                .map(rule -> new Unproved(rule.title(),
                        rule.rule().text(), rule.state().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                        rule.reason())).toList());
    }

    private static Shown shown(TestOutcome outcome) {
        return new Shown(JunitXml.clean(outcome.testClass() + "." + outcome.name()), seconds(outcome.duration()),
                JunitXml.clean(outcome.failure().orElse("")),
                JunitXml.clean(outcome.off().orElse("")), JunitXml.clean(outcome.exchanges().strip()));
    }

    private static String seconds(Duration duration) {
        return String.format(Locale.ROOT, "%.3f s", duration.toNanos() / 1e9);
    }
}
