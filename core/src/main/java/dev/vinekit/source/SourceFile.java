package dev.vinekit.source;

import dev.vinekit.schema.TableName;
import java.util.Optional;

/**
 * A generated file.
 *
 * @param path relative to the project, with forward slashes
 * @param role what the file is for: the name of its template, and of a column if there are several of a kind
 * @param table the table that it is about; empty if it is about all
 */
public record SourceFile(String path, String text, String role, Optional<TableName> table) {
    /** A name that stays the same when the file gets another path, or its class another name. */
    public String identity() {
        return table.map(name -> name + " ").orElse("") + role;
    }

    /** Whether the file belongs to a project of our own making, and not into one that is there. */
    public boolean isProjectFile() {
        return role.startsWith("project/");
    }
}
