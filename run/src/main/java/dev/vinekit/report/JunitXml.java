package dev.vinekit.report;

import dev.vinekit.run.TestOutcome;
import java.io.StringWriter;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * The outcomes of a class of tests in the form that build servers read: the XML of Ant's JUnit task, which has no
 * standard.
 */
final class JunitXml {
    /** What XML 1.0 has no way to write (W3C, Extensible Markup Language 1.0, production 2). */
    private static final Pattern NOT_XML =
            Pattern.compile("[^\\x09\\x0A\\x0D\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]");

    private JunitXml() {
    }

    static String of(String testClass, List<TestOutcome> outcomes) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeCharacters("\n");
            xml.writeStartElement("testsuite");
            xml.writeAttribute("name", testClass);
            xml.writeAttribute("tests", String.valueOf(outcomes.size()));
            xml.writeAttribute("failures",
                    String.valueOf(outcomes.stream().filter(TestOutcome::failed).count()));
            xml.writeAttribute("errors", "0");
            xml.writeAttribute("skipped",
                    String.valueOf(outcomes.stream().filter(outcome -> outcome.off().isPresent()).count()));
            xml.writeAttribute("time", seconds(outcomes.stream().map(TestOutcome::duration)
                    .reduce(Duration.ZERO, Duration::plus)));
            for (TestOutcome outcome : outcomes) {
                testCase(xml, testClass, outcome);
            }
            xml.writeCharacters("\n");
            xml.writeEndElement();
            xml.writeCharacters("\n");
            xml.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML cannot be written into memory", e);
        }
        return text.toString();
    }

    private static void testCase(XMLStreamWriter xml, String testClass, TestOutcome outcome) throws XMLStreamException {
        xml.writeCharacters("\n  ");
        xml.writeStartElement("testcase");
        xml.writeAttribute("classname", testClass);
        xml.writeAttribute("name", clean(outcome.name()));
        xml.writeAttribute("time", seconds(outcome.duration()));
        if (outcome.off().isPresent()) {
            xml.writeEmptyElement("skipped");
            xml.writeAttribute("message", clean(outcome.off().get()));
        }
        if (outcome.failed()) {
            String reason = clean(outcome.failure().orElseThrow());
            xml.writeStartElement("failure");
            xml.writeAttribute("message", reason.lines().findFirst().orElse(""));
            xml.writeCharacters(reason);
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }

    /** A text with something in place of what no document can hold. */
    static String clean(String text) {
        return NOT_XML.matcher(text).replaceAll("\uFFFD");
    }

    private static String seconds(Duration duration) {
        return String.format(Locale.ROOT, "%.3f", duration.toNanos() / 1e9);
    }
}
