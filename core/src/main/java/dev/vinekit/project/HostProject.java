package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** A Maven project that people made, into which only sources are written. */
final class HostProject {
    private static final String POM = "pom.xml";

    private HostProject() {
    }

    static boolean isIn(Path directory) {
        return Files.isRegularFile(directory.resolve(POM));
    }

    /** Which libraries, as {@code group:artifact}, the project's {@code pom.xml} does not name. */
    static List<String> missing(Path directory, List<String> libraries) {
        Path pom = directory.resolve(POM);
        if (!Files.isRegularFile(pom)) {
            return libraries;
        }
        Set<String> named = new HashSet<>();
        NodeList dependencies = parse(pom).getElementsByTagName("dependency");
        for (int i = 0; i < dependencies.getLength(); i++) {
            Element dependency = (Element) dependencies.item(i);
            named.add(text(dependency, "groupId") + ":" + text(dependency, "artifactId"));
        }
        return libraries.stream().filter(library -> !named.contains(library)).toList();
    }

    private static String text(Element element, String name) {
        NodeList children = element.getElementsByTagName(name);
        return children.getLength() == 0 ? "" : children.item(0).getTextContent().strip();
    }

    private static Document parse(Path pom) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            return factory.newDocumentBuilder().parse(pom.toFile());
        } catch (SAXException | IOException e) {
            throw Fault.inCall(pom + " cannot be read as XML: " + e.getMessage() + ".",
                    "Correct it, and generate again.");
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException("this Java has no safe XML parser", e);
        }
    }
}
