package dev.vinekit.engine.h2;

import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.sql.Dialect;

/** Changes as H2 wants them. */
final class H2Changes extends StandardChanges {
    H2Changes(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    @Override
    protected String renameColumn(Column was, Column now) {
        return "ALTER COLUMN " + dialect.identifier(was.name()) + " RENAME TO " + dialect.identifier(now.name());
    }
}
