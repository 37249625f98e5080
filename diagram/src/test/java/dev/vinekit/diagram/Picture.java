package dev.vinekit.diagram;

import java.awt.geom.Line2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;

/** What a reader of the SVG finds in it. */
record Picture(Document document) {
    /** A table's box, with the texts in it. */
    record Box(String kind, List<String> texts, Rectangle2D area) {
        String title() {
            return texts.get(0);
        }
    }

    /** The line of a reference, or of a view to what it reads. */
    record Line(String tooltip, List<Line2D> segments, List<String> marks, List<Point2D> dots) {
    }

    static Picture of(String svg) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            return new Picture(factory.newDocumentBuilder().parse(new InputSource(new StringReader(svg))));
        } catch (SAXException | IOException | ParserConfigurationException e) {
            throw new AssertionError("not well-formed: " + svg, e);
        }
    }

    List<Box> boxes() {
        return groups().filter(group -> List.of("table", "link", "view").contains(group.getAttribute("class")))
                .map(group -> new Box(group.getAttribute("class"),
                        elements(group, "text").map(Element::getTextContent).toList(), area(elements(group, "rect")
                        .filter(rectangle -> rectangle.getAttribute("class").equals("body")).findFirst()
                        .orElseThrow())))
                .toList();
    }

    Box box(String title) {
        return boxes().stream().filter(box -> box.title().equals(title)).findFirst().orElseThrow();
    }

    List<Line> lines() {
        return groups().filter(group -> List.of("reference", "reading").contains(group.getAttribute("class")))
                .map(group -> new Line(elements(group, "title").findFirst().orElseThrow().getTextContent(),
                        segments(elements(group, "polyline").findFirst().orElseThrow()),
                        Stream.concat(elements(group, "polyline").skip(1).map(mark -> "polyline "
                                + mark.getAttribute("points").split(" ").length), elements(group, "circle")
                                .map(mark -> mark.getAttribute("class"))).sorted().toList(),
                        elements(group, "circle").filter(mark -> mark.getAttribute("class").equals("junction"))
                                .map(mark -> (Point2D) new Point2D.Double(number(mark, "cx"), number(mark, "cy")))
                                .toList()))
                .toList();
    }

    Line line(String tooltip) {
        return lines().stream().filter(line -> line.tooltip().equals(tooltip)).findFirst().orElseThrow();
    }

    Stream<Element> elements(String name) {
        return elements(document.getDocumentElement(), name);
    }

    private Stream<Element> groups() {
        return elements("g");
    }

    private static Stream<Element> elements(Element parent, String name) {
        NodeList found = parent.getElementsByTagName(name);
        return IntStream.range(0, found.getLength()).mapToObj(i -> (Element) found.item(i));
    }

    private static Rectangle2D area(Element rectangle) {
        return new Rectangle2D.Double(number(rectangle, "x"), number(rectangle, "y"), number(rectangle, "width"),
                number(rectangle, "height"));
    }

    private static double number(Element element, String name) {
        return Double.parseDouble(element.getAttribute(name));
    }

    private static List<Line2D> segments(Element line) {
        String[] points = line.getAttribute("points").split("[ ,]");
        List<Line2D> segments = new ArrayList<>();
        for (int i = 2; i < points.length; i += 2) {
            segments.add(new Line2D.Double(Double.parseDouble(points[i - 2]), Double.parseDouble(points[i - 1]),
                    Double.parseDouble(points[i]), Double.parseDouble(points[i + 1])));
        }
        return segments;
    }
}
