package dev.vinekit.mapping.file;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.yaml.snakeyaml.nodes.Node;

/** Where everything stands in a file. */
final class Places {
    /** A line and a column, both counted from 1. */
    record Place(int line, int column) implements Comparable<Place> {
        static Place of(Node node) {
            return new Place(node.getStartMark().getLine() + 1, node.getStartMark().getColumn() + 1);
        }

        @Override
        public int compareTo(Place other) {
            return Comparator.comparingInt(Place::line).thenComparingInt(Place::column).compare(this, other);
        }

        @Override
        public String toString() {
            return "line " + line + ", column " + column;
        }
    }

    private final Map<List<String>, Place> places = new HashMap<>();

    void put(List<String> path, Node node) {
        places.put(List.copyOf(path), Place.of(node));
    }

    /** Notes that a key is there again, and tells where it was first. */
    String second(List<String> path, Node node) {
        Place first = places.put(List.copyOf(path), Place.of(node));
        return first == null ? "" : "After " + first + ": ";
    }

    /** The place of what a path leads to, or of the innermost that there is around it. */
    Place of(List<String> path) {
        for (int length = path.size(); length > 0; length--) {
            Place place = places.get(path.subList(0, length));
            if (place != null) {
                return place;
            }
        }
        return new Place(1, 1);
    }
}
