package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.SourceVersion;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
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
        return Files.isRegularFile(ProjectPaths.of(directory).resolve(POM));
    }

    /** Which libraries, as {@code group:artifact}, the project's {@code pom.xml} does not name. */
    static List<String> missing(Path directory, List<String> libraries) {
        Path pom = ProjectPaths.of(directory).resolve(POM);
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

    /** Where its sources are; what a parent says of that is not known. */
    static SourceFolders folders(Path directory) {
        Optional<Element> build = child(parse(ProjectPaths.of(directory).resolve(POM)).getDocumentElement(), "build");
        return new SourceFolders(
                folder(build.flatMap(element -> child(element, "sourceDirectory")), SourceFolders.USUAL.main()),
                folder(build.flatMap(element -> child(element, "testSourceDirectory")), SourceFolders.USUAL.test()),
                folder(resources(build, "resource"), SourceFolders.USUAL.mainResources()),
                folder(resources(build, "testResource"), SourceFolders.USUAL.testResources()));
    }

    private static Optional<Element> resources(Optional<Element> build, String name) {
        return build.flatMap(element -> child(element, name + "s")).flatMap(element -> child(element, name))
                .flatMap(element -> child(element, "directory"));
    }

    /** A folder within the project; one that takes other properties than its directory is not known. */
    private static String folder(Optional<Element> named, String usual) {
        return named.map(element -> element.getTextContent().strip().replace('\\', '/')
                        .replaceFirst("^\\$\\{(?:project\\.)?basedir}/", "").replaceFirst("/+$", ""))
                .filter(path -> !path.isEmpty() && !path.contains("${") && !path.startsWith("/") && !path.contains(".."))
                .orElse(usual);
    }

    /** A package of the names by which a repository knows it. */
    static Optional<String> coordinates(Path directory) {
        Element project = parse(ProjectPaths.of(directory).resolve(POM)).getDocumentElement();
        Optional<String> group = child(project, "groupId")
                .or(() -> child(project, "parent").flatMap(parent -> child(parent, "groupId")))
                .map(element -> element.getTextContent().strip());
        String artifact = PackageChoice.letters(child(project, "artifactId").map(Element::getTextContent).orElse(""));
        return group.filter(name -> SourceVersion.isName(name, SourceVersion.RELEASE_17)
                        && SourceVersion.isName(name + "." + artifact, SourceVersion.RELEASE_17))
                .map(name -> name + "." + artifact);
    }

    private static Optional<Element> child(Element parent, String name) {
        NodeList children = parent.getChildNodes();
        for (int i = 0; i < children.getLength(); i++) {
            if (children.item(i) instanceof Element element && element.getTagName().equals(name)) {
                return Optional.of(element);
            }
        }
        return Optional.empty();
    }

    private static String text(Element element, String name) {
        NodeList children = element.getElementsByTagName(name);
        return children.getLength() == 0 ? "" : children.item(0).getTextContent().strip();
    }

    private static Document parse(Path pom) {
        try (InputStream text = Files.newInputStream(pom)) {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            DocumentBuilder reader = factory.newDocumentBuilder();
            reader.setErrorHandler(null);
            return reader.parse(text);
        } catch (SAXException | IOException e) {
            throw Fault.inCall(pom + " cannot be read as XML: " + e.getMessage() + ".",
                    "Correct it, and generate again.");
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException("this Java has no safe XML parser", e);
        }
    }
}
