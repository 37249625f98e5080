package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.mapping.Operation;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.Progress;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class MatrixTest {
    private static final Style PLAIN = new Style(false, false, 118);
    private static final Style RICH = new Style(true, true, 118);

    @Test
    void greenMatrixCountsTestsAndShowsWhatThereIsNot() {
        String shown = shown(PLAIN, report(List.of(passed("list"), passed("list"), passed("create")), List.of()));

        assertThat(shown.lines().toList().get(0)).isEqualTo(
                "table     repository  list  create  read  replace  patch  delete  rules");
        assertThat(shown.lines().toList().get(1)).startsWith("day_book  -           ok 2  ok 1    -     -");
        assertThat(shown).contains("day_book: No key.", "3 passed, 0 failed", "held its 7 seed rows again")
                .doesNotContain("\u001b");
    }

    @Test
    void failureShowsWhichTestAndWhy() {
        String shown = shown(PLAIN, report(List.of(passed("list"), failed("list", "expected: 200\n but was: 500")),
                List.of()));

        assertThat(shown).contains("FAIL 1/2", "FAIL DayBookControllerTest.listTest", "    expected: 200",
                "     but was: 500",
                "1 passed, 1 failed");
    }

    @Test
    void rulesAreCountedAndThoseWithoutProofNeverHidden() {
        assertThat(shown(PLAIN, report(List.of(passed("list")), List.of()))).contains("ok 1/3", "Rules without proof",
                "  not tested: duplicateTest did not run.\n    day_book unique book_name\n",
                "  not provable: A check is stricter.\n    day_book type VARCHAR(9) of NAME\n");
        assertThat(shown(PLAIN, report(List.of(failed("list", "no")), List.of()))).contains("FAIL 0/3",
                "  broken: listTest failed.\n    day_book check book_pages\n")
                .doesNotContain("A row without a value gets the default.");
    }

    @Test
    void ruleThatIsShownInPartIsNotProved() {
        ServiceDescription.RuleDescription rule = new ServiceDescription.RuleDescription(
                "reference", "book_shelf", "", List.of("listTest"), "No test deletes the row that it refers to.",
                false);
        ServiceDescription service = new ServiceDescription("h2", false, List.of(), false, List.of(), "com.example",
                List.of(
                new ServiceDescription.TableDescription("DAY_BOOK", "day_book", false, "DayBook", "day-books",
                        Set.of(Operation.LIST), List.of(), List.of(rule))));

        assertThat(shown(PLAIN, new TestReport(service, List.of(passed("list")), Duration.ZERO, 0, List.of())))
                .contains(
                "? 0/1",
                "  not tested: No test deletes the row that it refers to.\n    day_book reference book_shelf\n");
    }

    @Test
    void operationThatNoTestIsAboutIsNotTakenForOneThatIsNotThere() {
        String shown = shown(PLAIN, report(List.of(passed("list")), List.of()));

        assertThat(shown.lines().toList().get(1)).startsWith("day_book  -           ok 1  ?       -     -");
        assertThat(shown).contains("? no test: rows to try it on could not be made");
        assertThat(shown(PLAIN, report(List.of(passed("list"), passed("create")), List.of())))
                .doesNotContain("? no test");
    }

    @Test
    void testsOfServicesHaveAColumnWhereThereAreAny() {
        assertThat(shown(PLAIN, report(List.of(passed("service")), List.of())).lines().toList().get(0))
                .isEqualTo("table     repository  service  list  create  read  replace  patch  delete  rules");
    }

    @Test
    void linesThatAreTooLongBreakBetweenWords() {
        Style narrow = new Style(false, false, 20);

        assertThat(narrow.wrapped("cask: a check of two columns that is long", 2))
                .containsExactly("cask: a check of", "two columns that", "is long");
        assertThat(narrow.wrapped("unbreakableunbreakable word", 2)).containsExactly("unbreakableunbreakable", "word");
        assertThat(narrow.filled(List.of("cask", "barrel", "tank"), 4)).containsExactly("cask, barrel,", "tank");
    }

    @Test
    void failuresOfOneCauseAreOneParagraph() {
        List<TestOutcome> failures = new ArrayList<>();
        for (int i = 0; i < 13; i++) {
            failures.add(failed("rules", "Data too long for column 'c" + i + "' at row " + i + "\nat BookTest.java:"
                    + i));
        }
        failures.add(failed("create", "expected: 201\n but was: 500"));
        failures.add(failed("list", "expected: 200\n but was: 500"));

        assertThat(shown(PLAIN, report(failures, List.of())))
                .contains("    Data too long for column 'c0' at row 0\n",
                        "    the same in 12 more: DayBookControllerTest.rulesTest, ",
                        "    expected: 201\n     but was: 500\n", "    expected: 200\n", "0 passed, 15 failed",
                        "\nBookTest.java:3: DayBookControllerTest.rulesTest: Data too long for column 'c3' at row 3\n")
                .doesNotContain("    Data too long for column 'c1'", "create: expected");
    }

    @Test
    void longListOfCausesIsCut() {
        List<TestOutcome> failures = new ArrayList<>();
        for (int i = 0; i < 13; i++) {
            failures.add(failed("rules", "no " + (char) ('a' + i)));
        }

        assertThat(shown(PLAIN, report(failures, List.of())))
                .contains("no j", "... and 3 more, of 3 other causes", "0 passed, 13 failed")
                .doesNotContain("no k");
    }

    @Test
    void manyTablesAreShownInNumbersAndThoseThatWantALookByName() {
        List<ServiceDescription.TableDescription> tables = new ArrayList<>();
        List<TestOutcome> outcomes = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            tables.add(new ServiceDescription.TableDescription("cask_" + i, "cask_" + i, false, "Cask" + i, "casks-"
                    + i, Set.of(Operation.LIST),
                    List.of("Remark " + i), List.of(new ServiceDescription.RuleDescription("check", "c" + i, "",
                            List.of(), "It is fixed.", false))));
            if (i != 7) {
                outcomes.add(new TestOutcome("Cask" + i, "list", "Cask" + i + "ControllerTest", "listTest",
                        Duration.ZERO,
                        i == 9 ? Optional.of("no") : Optional.empty(), Optional.empty(), ""));
            }
        }
        TestReport report = new TestReport(new ServiceDescription("h2", false, List.of(), false, List.of(),
                "com.example", tables),
                outcomes, Duration.ofSeconds(1), 7, List.of());

        String shown = shown(PLAIN, report);

        assertThat(shown.lines().filter(line -> line.matches("cask_\\d+ .*"))).hasSize(2);
        assertThat(shown).contains("cask_7", "cask_9", "ok 38 of 40 tables: each operation has tests, and all passed",
                "rules: 0 proved out of 40", "    40: cask_0 check c0, ", "40 remarks on the tables: README.md",
                "38 passed, 1 failed, 1 table with operations that no test tried");
        assertThat(shown.lines()).hasSizeLessThan(30);
    }

    @Test
    void rowsLeftBehindAreAFailure() {
        TestReport report = report(List.of(passed("list")), List.of("day_book"));

        assertThat(report.isGreen()).isFalse();
        assertThat(shown(PLAIN, report)).contains("day_book does not hold its seed rows again")
                .doesNotContain("held its 7 seed rows");
    }

    @Test
    void runWithoutTestsIsNotGreen() {
        TestReport report = report(List.of(), List.of());

        assertThat(report.isGreen()).isFalse();
        assertThat(shown(PLAIN, report)).contains("no test ran");
    }

    @Test
    void coloursAreUsedWhereTheyAreWanted() {
        String shown = shown(RICH, report(List.of(passed("list"), failed("create", "no")), List.of()));

        assertThat(shown).contains("\u001b[32m\u2713 1", "\u001b[1;31m\u2717 0/1", "\u2013");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "short         | 10 | short",
        "exactly ten   | 11 | exactly ten",
        "longer than it | 9 | longer...",
        "WINE_LOT      | 20 | WINE_LOT"})
    void cellsAreCutToTheirWidth(String text, int width, String cell) {
        assertThat(PLAIN.cell(text, width)).isEqualTo(cell);
    }

    @Test
    void nothingIsCutWhereNobodyLooksAtATerminal() {
        Style file = new Style(false, false, 20, true);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        TextTable table = new TextTable(file, "name");
        table.add("x".repeat(60));

        table.print(new PrintStream(bytes, true, StandardCharsets.UTF_8));

        assertThat(bytes.toString(StandardCharsets.UTF_8)).contains("x".repeat(60));
        assertThat(file.cell("longer than it\n", 3)).isEqualTo("longer than it ");
    }

    @Test
    void asManyNamesAsFitAndTheNumberOfTheOthers() {
        Style narrow = new Style(false, false, 30);

        assertThat(narrow.some(List.of("cask", "barrel"), 4)).isEqualTo("cask, barrel");
        assertThat(narrow.some(List.of("cask", "barrel", "tank", "amphora", "egg"), 4))
                .isEqualTo("cask, barrel and 3 more");
        assertThat(narrow.some(List.of("x".repeat(50), "y"), 4)).isEqualTo("x".repeat(50) + " and 1 more");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "0    | 0    | 0 | 3   | compile   ... 3 s",
        "0    | 9108 | 0 | 10  | compile   0 of 9,108 files, 10 s",
        "20   | 9108 | 0 | 10  | compile   20 of 9,108 files, 10 s",
        "4554 | 9108 | 0 | 60  | compile   4,554 of 9,108 files, about 60 s left",
        "9107 | 9108 | 3 | 60  | compile   9,107 of 9,108 files, 3 failed, about 1 s left",
        "9108 | 9108 | 0 | 61  | compile   9,108 of 9,108 files, 61 s"})
    void progressTellsWhatIsDoneAndWhatIsLeft(int done, int all, int failed, long seconds, String line) {
        assertThat(LiveLine.line("compile", "files", new Progress.State(done, all, failed), seconds)).isEqualTo(line);
    }

    @Test
    void progressIsOneLineOnATerminalAndNoneIsLeft() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (LiveLine line = new LiveLine(new PrintStream(bytes, true, StandardCharsets.UTF_8), "test", "tests",
                true)) {
            line.accept(new Progress.State(1, 3, 0));
            Thread.sleep(500);
        }

        assertThat(bytes.toString(StandardCharsets.UTF_8)).contains("\r\u001b[Ktest      1 of 3 tests, ")
                .endsWith("\r\u001b[K").doesNotContain("\n");
    }

    @Test
    void cellsNeitherSteerTheTerminalNorBreakTheLine() {
        assertThat(PLAIN.cell("a\u001b[31m\nb\u202ec", 20)).isEqualTo("a [31m b c");
    }

    @Test
    void cellsAreNotCutInsideACharacter() {
        assertThat(RICH.cell("\ud83c\udf47\ud83c\udf47\ud83c\udf47\ud83c\udf47", 3))
                .isEqualTo("\ud83c\udf47\ud83c\udf47\u2026");
    }

    @Test
    void namesOfCapitalsAreShownSmallAndOthersAsTheyAre() {
        assertThat(PLAIN.table("WINE_LOT", 20)).isEqualTo("wine_lot");
        assertThat(PLAIN.table("WineLot", 20)).isEqualTo("WineLot");
    }

    @Test
    void columnsAreAsWideAsTheirWidestCell() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        TextTable table = new TextTable(PLAIN, "name", "rows");
        table.add("barrel", "12");
        table.add("x".repeat(60), "3");

        table.print(new PrintStream(bytes, true, StandardCharsets.UTF_8));

        assertThat(bytes.toString(StandardCharsets.UTF_8).lines()).containsExactly(
                "name" + " ".repeat(46) + "rows",
                "barrel" + " ".repeat(44) + "12",
                "x".repeat(45) + "...  3");
    }

    private static String shown(Style style, TestReport report) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        new Matrix(report, style, new PrintStream(bytes, true, StandardCharsets.UTF_8), false).print();
        return bytes.toString(StandardCharsets.UTF_8);
    }

    private static TestReport report(List<TestOutcome> outcomes, List<String> changedTables) {
        ServiceDescription service = new ServiceDescription("h2", false, List.of(), false, List.of(), "com.example",
                List.of(
                new ServiceDescription.TableDescription("DAY_BOOK", "day_book", false, "DayBook", "day-books",
                        Set.of(Operation.LIST, Operation.CREATE), List.of("No key."), List.of(
                        new ServiceDescription.RuleDescription("check", "book_pages", "pages > 0", List.of("listTest"),
                                "", false),
                        new ServiceDescription.RuleDescription("unique", "book_name", "name", List.of("duplicateTest"),
                                "", false),
                        new ServiceDescription.RuleDescription("type", "NAME", "VARCHAR(9)", List.of(),
                                "A check is stricter.", false),
                        new ServiceDescription.RuleDescription("not null", "PRICE", "", List.of(),
                                "A row without a value gets the default.", true)))));
        return new TestReport(service, outcomes, Duration.ofSeconds(1), 7, changedTables);
    }

    private static TestOutcome passed(String aspect) {
        return new TestOutcome("DayBook", aspect, "DayBookControllerTest", aspect + "Test", Duration.ZERO,
                Optional.empty(), Optional.empty(), "");
    }

    private static TestOutcome failed(String aspect, String why) {
        return new TestOutcome("DayBook", aspect, "DayBookControllerTest", aspect + "Test", Duration.ZERO,
                Optional.of(why), Optional.empty(), "");
    }
}
