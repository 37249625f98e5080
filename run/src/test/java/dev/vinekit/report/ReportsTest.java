package dev.vinekit.report;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.mapping.Operation;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;

@Tag("fast")
class ReportsTest {
    private static final String HOSTILE =
            "expected \"<script>alert(1)</script>\" & ']]>' but was \u0000\u001b[31m\uD83C\uDF77 \uD800";

    @TempDir
    private Path folder;

    private Path write(TestOutcome... outcomes) {
        ServiceDescription service = new ServiceDescription("h2", false, List.of(), false, List.of(), "com.example",
                List.of(
                new ServiceDescription.TableDescription("<b>BOOK</b>", "book", false, "Book", "books",
                        Set.of(Operation.LIST), List.of(),
                        List.of(new ServiceDescription.RuleDescription("check", "book_pages", "pages > 0",
                                List.of("pagesIsRefused"), "", false),
                                new ServiceDescription.RuleDescription("type", "TITLE", "VARCHAR(9)", List.of(),
                                        "A check is stricter.", false),
                                new ServiceDescription.RuleDescription("not null", "PRICE", "", List.of(),
                                        "A row without a value gets the default.", true)))));
        return Reports.write(new TestReport(service, List.of(outcomes), Duration.ofMillis(1500), 7, List.of()),
                "com.example", Optional.empty(), folder);
    }

    private static TestOutcome outcome(String testClass, String name, String failure) {
        return new TestOutcome("Book", "list", testClass, name, Duration.ofMillis(12), Optional.ofNullable(failure), Optional.empty(),
                "GET /books?title=<i>\n  200 []");
    }

    @Test
    void pageNeedsNothingElseAndTakesNothingFromTheDatabaseForHtml() throws Exception {
        String page = Files.readString(write(outcome("BookControllerTest", "pagesIsRefused", HOSTILE)));

        assertThat(page).doesNotContain("<script", "<link", "src=", "href=\"http", "url(", "<b>BOOK", "<i>");
        assertThat(page).contains("0 passed, 1 failed", "&lt;script&gt;alert(1)", "&lt;b&gt;BOOK&lt;/b&gt;",
                "GET /books?title=&lt;i&gt;");
    }

    @Test
    void requestsThatAFailureTellsOfAreShownOnce() throws Exception {
        String page = Files.readString(write(outcome("BookControllerTest", "pagesIsRefused",
                "expected: 400\n\nThe last request:\nGET /books?title=<i>\n  200 []\nat BookControllerTest.java:7")));

        assertThat(page.split("GET /books", -1)).as("among the failures, and among all tests").hasSize(3);
    }

    @Test
    void pageTellsOfRulesWithoutProofAndWhy() throws Exception {
        String page = Files.readString(write(outcome("BookControllerTest", "pagesIsRefused", null)));

        assertThat(page).contains("1 of 2 rules proved", "A check is stricter.", "not provable",
                "Rules that no request can break", "A row without a value gets the default.")
                .doesNotContain("<h2>Failures</h2>");
    }

    @Test
    void buildServersReadAFileForEachClassOfTests() throws Exception {
        write(outcome("BookRepositoryTest", "insertStoresEveryColumn", null),
                outcome("BookControllerTest", "pagesIsRefused", HOSTILE),
                outcome("BookControllerTest", "listReturnsTheRowsOfTheTable", null));

        Element suite = DocumentBuilderFactory.newInstance().newDocumentBuilder()
                .parse(folder.resolve("TEST-BookControllerTest.xml").toFile()).getDocumentElement();
        assertThat(List.of(suite.getAttribute("tests"), suite.getAttribute("failures"), suite.getAttribute("time")))
                .containsExactly("2", "1", "0.024");
        assertThat(suite.getElementsByTagName("failure").item(0).getTextContent())
                .isEqualTo(
                        "expected \"<script>alert(1)</script>\" & ']]>' but was \uFFFD\uFFFD[31m\uD83C\uDF77 \uFFFD");
        assertThat(folder.resolve("TEST-BookRepositoryTest.xml")).exists();
    }

    @Test
    void filesOfClassesThatDidNotRunGo() throws Exception {
        Files.writeString(folder.resolve("TEST-GoneTest.xml"), "<testsuite/>");
        Path notOurs = Files.writeString(folder.resolve("notes.txt"), "mine");

        write(outcome("BookRepositoryTest", "insertStoresEveryColumn", null));

        assertThat(folder.resolve("TEST-GoneTest.xml")).doesNotExist();
        assertThat(notOurs).exists();
    }
}
