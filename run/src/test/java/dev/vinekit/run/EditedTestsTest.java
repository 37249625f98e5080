package dev.vinekit.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import dev.vinekit.report.Reports;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What people change in generated tests: a case more, one of their own, one less. */
class EditedTestsTest {
    private static Project project;
    private static TestReport report;

    @BeforeAll
    static void run(@TempDir Path directory) throws Exception {
        try (TestDatabases presses = TestDatabases.h2("""
                CREATE TABLE press (
                    id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE,
                    bars INT CONSTRAINT bars_check CHECK (bars BETWEEN 1 AND 9));
                """)) {
            project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(presses.database(), Scope.all()), "com.example.made")), directory));
            Path test = directory.resolve("src/test/java/com/example/made/controller/PressControllerTest.java");
            edit(test, "with(\"bars\", 10).isRefused(400),", "with(\"bars\", 10).isRefused(400).off(\"The new press has more.\"),");
            edit(test, "        return Stream.of(\n", """
                            return Stream.of(
                                    RuleCase.of("bars (of all things) in words").with("bars", "nine").isRefused(400),
                    """);
            edit(test, "    static Stream<RuleCase>", """
                        @Override
                        @org.junit.jupiter.api.Test
                        @org.junit.jupiter.api.Disabled("Lists are to come in another way.")
                        public void pagesFollowEachOther() {
                        }

                        static Stream<RuleCase>\
                    """);
            Runner.compile(project);
            report = Runner.test(project);
        }
    }

    private static void edit(Path file, String from, String to) throws IOException {
        String text = Files.readString(file);
        assertThat(text).contains(from);
        Files.writeString(file, text.replace(from, to));
    }

    @Test
    void caseOfOnesOwnIsATest() {
        assertThat(report.cell("Press", "rules")).filteredOn(TestOutcome::passed).extracting(TestOutcome::name)
                .contains("bars (of all things) in words", "bars below its least");
    }

    @Test
    void whatIsSwitchedOffDoesNotFailAndIsToldWithItsReason() {
        assertThat(report.isGreen()).isTrue();
        assertThat(report.off()).extracting(TestOutcome::name, outcome -> outcome.off().orElseThrow())
                .containsExactlyInAnyOrder(
                        Tuple.tuple("bars above its most", "The new press has more."),
                        Tuple.tuple("pagesFollowEachOther",
                                "Lists are to come in another way."));
    }

    @Test
    void ruleIsNotProvedWhileACaseOfItIsOff() {
        RuleOutcome check = report.rules(report.service().tables().get(0)).stream()
                .filter(rule -> rule.title().equals("check BARS_CHECK")).findFirst().orElseThrow();

        assertThat(check.state()).isEqualTo(RuleOutcome.State.NOT_TESTED);
        assertThat(check.reason()).isEqualTo("Switched off: The new press has more.");
    }

    @Test
    void reportsSayWhatIsOff() throws IOException {
        Path index = Reports.write(project, report);

        assertThat(Files.readString(index)).contains("2 switched off", "Switched off: The new press has more.");
        assertThat(Files.readString(index.resolveSibling("TEST-PressControllerTest.xml")))
                .contains("<skipped message=\"The new press has more.\"", "failures=\"0\"", "skipped=\"2\"");
    }
}
