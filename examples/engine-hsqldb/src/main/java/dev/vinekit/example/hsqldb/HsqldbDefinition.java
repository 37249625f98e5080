package dev.vinekit.example.hsqldb;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;

/** Table definitions as HSQLDB wants them. */
final class HsqldbDefinition extends StandardDefinition {
    HsqldbDefinition(Dialect dialect, Schema schema) {
        super(dialect, schema);
    }

    @Override
    protected StandardDefinition of(Schema other) {
        return new HsqldbDefinition(dialect, other);
    }

    /** The numbers would begin with 0. */
    @Override
    protected String numbering(Column column) {
        String standard = super.numbering(column);
        return standard.isEmpty() ? standard : standard + " (START WITH 1)";
    }
}
