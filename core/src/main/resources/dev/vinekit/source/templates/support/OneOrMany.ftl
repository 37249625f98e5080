import java.util.List;

/**
 * A body that has a row, or an array of rows.
 *
 * @param isMany whether it is an array
 */
public record OneOrMany<T>(List<T> all, boolean isMany) {
    /** The greatest number of rows in an array. */
    static final int MOST = ${s.limits.created};

    /** The only row. */
    public T one() {
        return all.get(0);
    }
}
