package dev.vinekit.diagram;

import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.alg.layered.options.LayeringStrategy;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.options.BoxLayouterOptions;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.options.PortConstraints;
import org.eclipse.elk.core.options.PortSide;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.ElkPort;
import org.eclipse.elk.graph.util.ElkGraphUtil;

/**
 * Where boxes and lines stand, in pixels from the upper left corner: what is referred to on the left of what refers to
 * it, tables that are tied together beside each other. The same contents are always arranged alike.
 */
record Arrangement(List<Placed> boxes, List<Route> lines, double width, double height) {
    private static final int MARGIN = 24;
    private static final int BETWEEN_GROUPS = 56;
    private static final int BETWEEN_BOXES = 28;
    private static final int BETWEEN_LAYERS = 40;

    /** Room for what stands at the ends of lines. */
    private static final int BESIDE_BOXES = 24;

    private static final int BETWEEN_LINES = 10;
    private static final double WIDTH_TO_HEIGHT = 1.6;

    /**
     * Of more tables the layers have a limit, in times the square root of their number: some are referred to by all.
     */
    private static final int FEW_TABLES = 40;
    private static final double LAYER = 1.2;

    /** How far apart lines begin that end at the same columns and differ in kind. */
    private static final int APART = 5;

    /** A box, by its upper left corner. */
    record Placed(Box box, double x, double y) {
    }

    /**
     * The points of a line, from the box that is referred to; each segment is horizontal or vertical.
     *
     * @param junctions where it parts from others
     */
    record Route(Line line, List<Point> points, List<Point> junctions) {
    }

    /** A place. */
    record Point(double x, double y) {
    }

    static Arrangement of(Contents contents) {
        ElkNode root = ElkGraphUtil.createGraph();
        root.setProperty(CoreOptions.ALGORITHM, BoxLayouterOptions.ALGORITHM_ID);
        root.setProperty(BoxLayouterOptions.PADDING, new ElkPadding(MARGIN));
        root.setProperty(BoxLayouterOptions.ASPECT_RATIO, WIDTH_TO_HEIGHT);
        root.setProperty(BoxLayouterOptions.SPACING_NODE_NODE, (double) BETWEEN_GROUPS);
        Map<TableName, ElkNode> nodes = new HashMap<>();
        for (List<Box> group : contents.groups()) {
            ElkNode parent = group(root, group);
            group.forEach(box -> nodes.put(box.table(), node(parent, box)));
        }
        Map<String, ElkPort> ports = new HashMap<>();
        List<ElkEdge> edges = contents.lines().stream().map(line -> ElkGraphUtil.createSimpleEdge(
                port(ports, nodes, contents, line, true), port(ports, nodes, contents, line, false))).toList();
        new RecursiveGraphLayoutEngine().layout(root, new BasicProgressMonitor());

        List<Placed> boxes = contents.boxes().stream().map(box -> placed(box, nodes.get(box.table()))).toList();
        List<Route> lines = new ArrayList<>();
        for (int i = 0; i < edges.size(); i++) {
            lines.add(route(contents.lines().get(i), edges.get(i)));
        }
        return new Arrangement(boxes, lines, root.getWidth(), root.getHeight());
    }

    /** Room for tables that hang together, or for those that hang together with no other. */
    private static ElkNode group(ElkNode root, List<Box> boxes) {
        ElkNode group = ElkGraphUtil.createNode(root);
        group.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        group.setProperty(CoreOptions.PRIORITY, boxes.size());
        group.setProperty(LayeredOptions.DIRECTION, Direction.RIGHT);
        group.setProperty(LayeredOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        group.setProperty(LayeredOptions.PADDING, new ElkPadding(0));
        group.setProperty(LayeredOptions.ASPECT_RATIO, WIDTH_TO_HEIGHT);
        group.setProperty(LayeredOptions.SPACING_NODE_NODE, (double) BETWEEN_BOXES);
        group.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, (double) BETWEEN_LAYERS);
        group.setProperty(LayeredOptions.SPACING_COMPONENT_COMPONENT, (double) BETWEEN_BOXES);
        group.setProperty(LayeredOptions.SPACING_EDGE_NODE, (double) BETWEEN_LINES);
        group.setProperty(LayeredOptions.SPACING_EDGE_NODE_BETWEEN_LAYERS, (double) BESIDE_BOXES);
        group.setProperty(LayeredOptions.SPACING_EDGE_EDGE, (double) BETWEEN_LINES);
        group.setProperty(LayeredOptions.SPACING_EDGE_EDGE_BETWEEN_LAYERS, (double) BETWEEN_LINES);
        if (boxes.size() > FEW_TABLES) {
            group.setProperty(LayeredOptions.LAYERING_STRATEGY, LayeringStrategy.COFFMAN_GRAHAM);
            group.setProperty(LayeredOptions.LAYERING_COFFMAN_GRAHAM_LAYER_BOUND,
                    (int) Math.round(LAYER * Math.sqrt(boxes.size())));
        }
        return group;
    }

    private static ElkNode node(ElkNode root, Box box) {
        ElkNode node = ElkGraphUtil.createNode(root);
        node.setDimensions(box.width(), box.height());
        node.setProperty(LayeredOptions.PORT_CONSTRAINTS, PortConstraints.FIXED_POS);
        return node;
    }

    /** Where a line ends; lines of one kind that end at the same columns end at one place. */
    private static ElkPort port(Map<String, ElkPort> ports, Map<TableName, ElkNode> nodes, Contents contents, Line line,
            boolean target) {
        Box box = target ? line.to() : line.from();
        boolean mixed = target && contents.lines().stream().anyMatch(other -> other.to().equals(box)
                && other.targets().equals(line.targets()) && other.optional() != line.optional());
        List<String> columns = target ? line.targets() : line.columns();
        String place = box.table() + " " + target + " " + columns + " "
                + (target ? line.optional() : line.to().table());
        return ports.computeIfAbsent(place, none -> {
            ElkPort port = ElkGraphUtil.createPort(nodes.get(box.table()));
            DoubleSummaryStatistics extent = box.extent(columns);
            double middle = columns.isEmpty() ? Box.HEADER / 2.0 : (extent.getMin() + extent.getMax()) / 2;
            port.setLocation(target ? box.width() : 0, middle + (!mixed ? 0 : line.optional() ? APART : -APART));
            port.setProperty(LayeredOptions.PORT_SIDE, target ? PortSide.EAST : PortSide.WEST);
            return port;
        });
    }

    private static Placed placed(Box box, ElkNode node) {
        return new Placed(box, node.getParent().getX() + node.getX(), node.getParent().getY() + node.getY());
    }

    private static Route route(Line line, ElkEdge edge) {
        ElkNode group = edge.getContainingNode();
        ElkEdgeSection section = edge.getSections().get(0);
        Stream<Point> bends = section.getBendPoints().stream().map(bend -> point(group, bend.getX(), bend.getY()));
        List<Point> points = Stream.of(Stream.of(point(group, section.getStartX(), section.getStartY())), bends,
                Stream.of(point(group, section.getEndX(), section.getEndY()))).flatMap(each -> each).toList();
        return new Route(line, points, edge.getProperty(LayeredOptions.JUNCTION_POINTS).stream()
                .map(junction -> point(group, junction.x, junction.y)).toList());
    }

    private static Point point(ElkNode group, double x, double y) {
        return new Point(group.getX() + x, group.getY() + y);
    }
}
