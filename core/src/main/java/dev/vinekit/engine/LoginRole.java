package dev.vinekit.engine;

import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A role for a service to log in as.
 *
 * @param password in the clear, for the statement that makes the role
 * @param connections how many it may have at a time
 * @param grants what it may do; nothing else
 */
public record LoginRole(String name, String password, int connections, List<Grant> grants) {
    public LoginRole {
        grants = List.copyOf(grants);
    }

    /**
     * What a role may do with a table, apart from reading it.
     *
     * @param inserted the columns that it may give values to in a new row
     * @param inserts whether it may make rows
     * @param updated the columns that it may change
     * @param deletes whether it may delete rows
     */
    public record Grant(Table table, boolean inserts, List<String> inserted, List<String> updated, boolean deletes) {
        public Grant {
            inserted = List.copyOf(inserted);
            updated = List.copyOf(updated);
        }

        /** The privileges as a GRANT lists them. */
        public String privileges(Dialect dialect) {
            List<String> privileges = new ArrayList<>(List.of("SELECT"));
            if (inserts) {
                privileges.add("INSERT" + columns(dialect, inserted));
            }
            if (!updated.isEmpty()) {
                privileges.add("UPDATE" + columns(dialect, updated));
            }
            if (deletes) {
                privileges.add("DELETE");
            }
            return String.join(",\n    ", privileges);
        }

        private static String columns(Dialect dialect, List<String> names) {
            return names.isEmpty() ? "" : names.stream().map(dialect::identifier)
                    .collect(Collectors.joining(", ", " (", ")"));
        }
    }
}
