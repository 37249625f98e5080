package dev.vinekit.diagram;

import dev.vinekit.diagram.Arrangement.Placed;
import dev.vinekit.diagram.Arrangement.Point;
import dev.vinekit.diagram.Arrangement.Route;
import dev.vinekit.schema.TableName;
import java.io.StringWriter;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes an arrangement as SVG (Scalable Vector Graphics 1.1 with the colours of CSS). */
final class SvgWriter {
    private static final String NAMESPACE = "http://www.w3.org/2000/svg";
    private static final int BASELINE = 4;
    private static final int MARK = 4;
    private static final int FAR_MARK = 10;
    private static final int CIRCLE = 4;
    private static final double DOT = 2.5;
    private static final int LEGEND = 34;
    private static final int LEGEND_LINE = 34;
    private static final String KEYS =
            "P primary key, F foreign key, U unique; bold: never null. At the ends of a line:";
    private static final String COLOURS = """

            .diagram { --paper: #fffdf8; --box: #ffffff; --ink: #2b2a33; --soft: #6a6572; --edge: #b9b2bf; --line: #5f5870;
              --table: #ece4ef; --link: #e2ecdf; --view: #e4e9f3; --key: #7a2f55; }
            @media (prefers-color-scheme: dark) { .diagram { --paper: #1b1a20; --box: #242229; --ink: #ece9f0;
              --soft: #a8a2b2; --edge: #5a5464; --line: #b4acc2; --table: #3a2f40; --link: #2d3a2b; --view: #2b3345;
              --key: #e79bc0; } }
            .diagram .paper { fill: var(--paper) } .diagram text { font: 12px "DejaVu Sans Mono", Menlo, Consolas, monospace;
              fill: var(--ink); white-space: pre; unicode-bidi: isolate }
            .diagram .title { font-size: 13px; font-weight: 700 } .diagram .bold { font-weight: 700 }
            .diagram .soft { fill: var(--soft) } .diagram .marks { fill: var(--key); font-size: 10px; font-weight: 700 }
            .diagram .body { fill: var(--box); stroke: var(--edge) } .diagram .table .head { fill: var(--table) }
            .diagram .link .head { fill: var(--link) } .diagram .view .head { fill: var(--view) }
            .diagram .view .body { stroke-dasharray: 5 3 } .diagram .line, .diagram .mark, .diagram .end { fill: none;
              stroke: var(--line); stroke-width: 1.3 } .diagram .reads { stroke-dasharray: 2 4 }
            .diagram .end { fill: var(--paper) } .diagram .junction { fill: var(--line) }
            .diagram .reference:hover .line { stroke: var(--key); stroke-width: 2.5 }
            .diagram a:focus .body, .diagram a:hover .body { stroke: var(--key); stroke-width: 2 }
            """;

    private final XMLStreamWriter xml;
    private final Function<TableName, String> places;
    private final Map<TableName, Double> tops;
    private final DecimalFormat number = new DecimalFormat("0.#", DecimalFormatSymbols.getInstance(Locale.ROOT));

    private SvgWriter(XMLStreamWriter xml, Function<TableName, String> places, Arrangement arrangement) {
        this.xml = xml;
        this.places = places;
        this.tops = arrangement.boxes().stream().collect(Collectors.toMap(placed -> placed.box().table(), Placed::y));
    }

    static String write(Arrangement arrangement, Function<TableName, String> places) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
            new SvgWriter(xml, places, arrangement).picture(arrangement);
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("cannot write into memory", e);
        }
        return text + "\n";
    }

    private void picture(Arrangement arrangement) throws XMLStreamException {
        double width = Math.max(arrangement.width(), Letters.width(KEYS) + 500);
        double height = arrangement.height() + LEGEND;
        xml.setDefaultNamespace(NAMESPACE);
        xml.writeStartElement("svg");
        xml.writeDefaultNamespace(NAMESPACE);
        attributes("width", text(width), "height", text(height), "viewBox", "0 0 " + text(width) + " " + text(height),
                "class", "diagram", "role", isLinked(arrangement) ? "group" : "img");
        element("title", arrangement.boxes().size() == 1 ? "1 table" : arrangement.boxes().size() + " tables");
        element("style", COLOURS);
        empty("rect", "class", "paper", "width", text(width), "height", text(height));
        for (Route route : arrangement.lines()) {
            route(route);
        }
        for (Placed placed : arrangement.boxes()) {
            String place = places.apply(placed.box().table());
            if (place.isEmpty()) {
                box(placed);
            } else {
                start("a", "href", place);
                box(placed);
                xml.writeEndElement();
            }
        }
        legend(arrangement.height() + LEGEND / 3.0);
        xml.writeEndElement();
    }

    private boolean isLinked(Arrangement arrangement) {
        return arrangement.boxes().stream().anyMatch(placed -> !places.apply(placed.box().table()).isEmpty());
    }

    private void box(Placed placed) throws XMLStreamException {
        Box box = placed.box();
        double x = placed.x();
        double y = placed.y();
        start("g", "class", box.kind().name().toLowerCase(Locale.ROOT));
        element("title", box.tooltip());
        rectangle("body", x, y, box.width(), box.height());
        rectangle("head", x + 1, y + 1, box.width() - 2, Box.HEADER - 1);
        letters("title", x + Box.PADDING, y + Box.HEADER / 2.0 + BASELINE, box.title());
        for (int i = 0; i < box.rows().size(); i++) {
            row(box.rows().get(i), x, y + Box.HEADER + Box.ROW * i + Box.ROW / 2.0 + BASELINE, x + box.types());
        }
        if (!box.hidden().isEmpty()) {
            start("g");
            element("title", String.join(", ", box.hidden().stream().map(name -> Letters.line(name, Integer.MAX_VALUE))
                    .toList()));
            letters("soft", x + Box.PADDING, y + box.height() - Box.ROW / 2.0, box.more());
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }

    private void row(Box.Row row, double x, double y, double types) throws XMLStreamException {
        start("g");
        element("title", row.tooltip());
        if (!row.marks().isEmpty()) {
            letters("marks", x + Box.PADDING, y, row.marks());
        }
        letters(row.required() ? "bold" : "", x + Box.PADDING + Box.MARKS, y, row.name());
        letters("soft", types, y, row.type());
        xml.writeEndElement();
    }

    private void route(Route route) throws XMLStreamException {
        Line line = route.line();
        List<Point> points = route.points();
        start("g", "class", line.reads() ? "reading" : "reference");
        element("title", Letters.line(line.tooltip(), Integer.MAX_VALUE));
        path(line.reads() ? "line reads" : "line", points);
        for (Point junction : route.junctions()) {
            dot(junction);
        }
        if (!line.reads()) {
            Point begin = points.get(0);
            Point end = points.get(points.size() - 1);
            bracket(begin, line.to(), line.targets());
            bracket(end, line.from(), line.columns());
            mark(begin, 1, false, line.optional());
            mark(end, -1, line.many(), true);
        }
        xml.writeEndElement();
    }

    /** Ties the columns of a key of several at the side of their box: a stroke, with a point at each of them. */
    private void bracket(Point end, Box box, List<String> columns) throws XMLStreamException {
        if (columns.size() > 1) {
            double top = tops.get(box.table());
            DoubleSummaryStatistics extent = box.extent(columns);
            path("mark", List.of(new Point(end.x(), top + extent.getMin()), new Point(end.x(), top + extent.getMax())));
            for (String column : columns) {
                dot(new Point(end.x(), top + box.middle(column)));
            }
        }
    }

    /** How many rows there are at an end: none is a circle, one a bar, many a foot. */
    private void mark(Point end, int away, boolean many, boolean none) throws XMLStreamException {
        double far = end.x() + away * FAR_MARK;
        if (many) {
            path("mark", List.of(new Point(end.x(), end.y() - MARK), new Point(far, end.y()),
                    new Point(end.x(), end.y() + MARK)));
        } else {
            double near = end.x() + away * MARK;
            path("mark", List.of(new Point(near, end.y() - MARK), new Point(near, end.y() + MARK)));
        }
        if (none) {
            empty("circle", "class", "end", "cx", text(far + away * CIRCLE), "cy", text(end.y()), "r", text(CIRCLE));
        } else {
            path("mark", List.of(new Point(far, end.y() - MARK), new Point(far, end.y() + MARK)));
        }
    }

    private void legend(double y) throws XMLStreamException {
        double x = Box.PADDING * 2.0;
        start("g");
        letters("soft", x, y + BASELINE, KEYS);
        x = sample(x + Letters.width(KEYS), y, "one", false, false);
        x = sample(x, y, "one or none", false, true);
        sample(x, y, "any number of rows", true, true);
        xml.writeEndElement();
    }

    private double sample(double x, double y, String words, boolean many, boolean none) throws XMLStreamException {
        Point end = new Point(x + Box.PADDING, y);
        path("mark", List.of(end, new Point(end.x() + LEGEND_LINE, y)));
        mark(end, 1, many, none);
        letters("soft", end.x() + LEGEND_LINE + Box.PADDING, y + BASELINE, words);
        return end.x() + LEGEND_LINE + Box.PADDING + Letters.width(words);
    }

    private void dot(Point middle) throws XMLStreamException {
        empty("circle", "class", "junction", "cx", text(middle.x()), "cy", text(middle.y()), "r", text(DOT));
    }

    private void path(String kind, List<Point> points) throws XMLStreamException {
        empty("polyline", "class", kind, "points",
                points.stream().map(point -> text(point.x()) + "," + text(point.y())).collect(Collectors.joining(" ")));
    }

    private void rectangle(String kind, double x, double y, double width, double height) throws XMLStreamException {
        empty("rect", "class", kind, "x", text(x), "y", text(y), "width", text(width), "height", text(height), "rx",
                "3");
    }

    private void letters(String kind, double x, double y, String text) throws XMLStreamException {
        start("text", "x", text(x), "y", text(y));
        if (!kind.isEmpty()) {
            attributes("class", kind);
        }
        xml.writeCharacters(text);
        xml.writeEndElement();
    }

    private void element(String name, String text) throws XMLStreamException {
        start(name);
        xml.writeCharacters(text);
        xml.writeEndElement();
    }

    private void start(String name, String... attributes) throws XMLStreamException {
        xml.writeStartElement(NAMESPACE, name);
        attributes(attributes);
    }

    private void empty(String name, String... attributes) throws XMLStreamException {
        xml.writeEmptyElement(NAMESPACE, name);
        attributes(attributes);
    }

    private void attributes(String... namesAndValues) throws XMLStreamException {
        for (int i = 0; i < namesAndValues.length; i += 2) {
            xml.writeAttribute(namesAndValues[i], namesAndValues[i + 1]);
        }
    }

    private String text(double value) {
        return number.format(value);
    }
}
