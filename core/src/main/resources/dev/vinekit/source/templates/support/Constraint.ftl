import java.util.List;

/**
 * A constraint of the database, in the words of the API.
 *
 * @param name as the database reports it
 * @param fields the fields of a request that it is about
 * @param children the collection that the constraint belongs to
 * @param parents the collection that it refers to; empty unless it is a reference
 */
public record Constraint(String name, String children, String parents, List<String> fields) {
    /** No two rows are equal in these fields. */
    public static Constraint unique(String name, String collection, String... fields) {
        return new Constraint(name, collection, "", List.of(fields));
    }

    /** These fields name a row of another collection. */
    public static Constraint reference(String name, String children, String parents, String... fields) {
        return new Constraint(name, children, parents, List.of(fields));
    }

    /** A condition on these fields. */
    public static Constraint check(String name, String collection, String... fields) {
        return new Constraint(name, collection, "", List.of(fields));
    }
}
