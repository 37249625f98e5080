package dev.vinekit.report;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.run.TestOutcome;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.maven.plugin.surefire.log.api.NullConsoleLogger;
import org.apache.maven.plugins.surefire.report.ReportTestCase;
import org.apache.maven.plugins.surefire.report.ReportTestSuite;
import org.apache.maven.plugins.surefire.report.SurefireReportParser;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;

@Tag("fast")
class JunitXmlTest {
    @Test
    void outcomesAreCounted() throws Exception {
        Element suite = parsed(List.of(passed("listTest"), failed("createTest", "expected: 201\nbut was: 500"),
                passed("readTest")));

        assertThat(suite.getAttribute("name")).isEqualTo("VesselControllerTest");
        assertThat(suite.getAttribute("tests")).isEqualTo("3");
        assertThat(suite.getAttribute("failures")).isEqualTo("1");
        assertThat(suite.getAttribute("time")).isEqualTo("0.750");
        Element failure = (Element) suite.getElementsByTagName("failure").item(0);
        assertThat(failure.getAttribute("message")).isEqualTo("expected: 201");
        assertThat(failure.getTextContent()).isEqualTo("expected: 201\nbut was: 500");
        assertThat(((Element) failure.getParentNode()).getAttribute("name")).isEqualTo("createTest");
    }

    /** The reader of reports that Maven itself comes with finds in them what there is. */
    @Test
    void anotherReaderUnderstandsTheReport(@TempDir Path folder) throws Exception {
        Files.writeString(folder.resolve("TEST-VesselControllerTest.xml"), JunitXml.of("VesselControllerTest",
                List.of(passed("listTest"), failed("createTest", "expected: 201\nbut was: <500> & more\nat a/B.java:7"),
                        new TestOutcome("Vessel", "list", "VesselControllerTest", "readTest", Duration.ZERO,
                                Optional.empty(), Optional.of("not now"), ""))));

        List<ReportTestSuite> suites = new SurefireReportParser(List.of(folder.toFile()), new NullConsoleLogger())
                .parseXMLReportFiles();

        assertThat(suites).singleElement().satisfies(suite -> {
            assertThat(suite.getNumberOfTests()).isEqualTo(3);
            assertThat(suite.getNumberOfFailures()).isEqualTo(1);
            assertThat(suite.getNumberOfSkipped()).isEqualTo(1);
            assertThat(suite.getTimeElapsed()).isEqualTo(0.5f);
            assertThat(suite.getTestCases()).extracting(ReportTestCase::getName)
                    .containsExactly("listTest", "createTest", "readTest");
            assertThat(suite.getTestCases().get(1).getFailureMessage()).isEqualTo("expected: 201");
            assertThat(suite.getTestCases().get(1).getFailureDetail()).contains("but was: <500>");
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"<a>&amp;]]>", "\"quoted\"", "\u0000", "\u001b[31m", "\ud800", "\uffff",
            "gr\u00fcn \ud83c\udf47"})
    void anyReasonIsWellFormed(String reason) throws Exception {
        Element suite = parsed(List.of(failed("listTest", reason)));

        assertThat(suite.getElementsByTagName("failure").item(0).getTextContent())
                .isEqualTo(reason.replaceAll("[\u0000\u001b\uffff]|\\p{Cs}", "\ufffd"));
    }

    private static Element parsed(List<TestOutcome> outcomes) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder()
                .parse(new InputSource(new StringReader(JunitXml.of("VesselControllerTest", outcomes))))
                .getDocumentElement();
    }

    private static TestOutcome passed(String name) {
        return new TestOutcome("Vessel", "list", "VesselControllerTest", name, Duration.ofMillis(250),
                Optional.empty(), Optional.empty(), "");
    }

    private static TestOutcome failed(String name, String reason) {
        return new TestOutcome("Vessel", "list", "VesselControllerTest", name, Duration.ofMillis(250),
                Optional.of(reason), Optional.empty(), "");
    }
}
