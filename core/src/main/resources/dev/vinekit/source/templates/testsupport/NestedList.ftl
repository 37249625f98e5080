import java.util.List;

/**
 * A list of the rows that belong to another row.
 *
 * @param type that of the rows
 * @param rows those that are to be in it
 * @param alone whether that is one row only
 */
public record NestedList<T extends Record>(String path, Class<T> type, List<T> rows, boolean alone) {
}
