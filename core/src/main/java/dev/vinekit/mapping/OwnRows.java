package dev.vinekit.mapping;

import dev.vinekit.schema.ForeignKey;
import java.util.ArrayList;
import java.util.List;

/**
 * Whose the rows of a table are: they belong to the caller in whose token a claim has the value of a column, of the
 * table or of one that it refers to.
 *
 * @param claim the name of the claim, with dots where it lies deeper
 * @param everything the roles to which all rows are shown
 * @param path the references that lead to the table that has the column, in their order; none if it is the table itself
 * @param column of the table at the end of the path
 */
public record OwnRows(String claim, List<String> everything, List<ForeignKey> path, String column) {
    public OwnRows {
        everything = List.copyOf(everything);
        path = List.copyOf(path);
    }

    /** The same for a table that refers to the one of these rows. */
    OwnRows through(ForeignKey reference, List<String> roles) {
        List<ForeignKey> longer = new ArrayList<>(List.of(reference));
        longer.addAll(path);
        return new OwnRows(claim, roles.isEmpty() ? everything : roles, longer, column);
    }

    /** Whether the table itself has the column. */
    public boolean isDirect() {
        return path.isEmpty();
    }
}
