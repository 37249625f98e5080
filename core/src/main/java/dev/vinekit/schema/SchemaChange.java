package dev.vinekit.schema;

import java.util.Optional;

/** A difference between two states of a schema. */
public sealed interface SchemaChange {
    /** The table, by its present name, or its last one if it is gone. */
    TableName table();

    /** A table or view that was not there. */
    record TableAdded(Table now) implements SchemaChange {
        @Override
        public TableName table() {
            return now.name();
        }
    }

    /** A table or view that is gone. */
    record TableRemoved(Table was) implements SchemaChange {
        @Override
        public TableName table() {
            return was.name();
        }
    }

    /** A table that is probably another one under a new name. */
    record TableRenamed(Table was, Table now) implements SchemaChange {
        @Override
        public TableName table() {
            return now.name();
        }
    }

    /** A view whose query or columns are others. */
    record ViewChanged(Table was, Table now) implements SchemaChange {
        @Override
        public TableName table() {
            return now.name();
        }
    }

    /** A comment that is another, or the way in which a table is kept: its kind, its parents, options of storage. */
    record DescriptionChanged(Table was, Table now) implements SchemaChange {
        @Override
        public TableName table() {
            return now.name();
        }
    }

    /** A column that was not there. */
    record ColumnAdded(TableName table, Column now) implements SchemaChange { }

    /** A column that is gone. */
    record ColumnRemoved(TableName table, Column was) implements SchemaChange { }

    /** A column that is probably another one under a new name. */
    record ColumnRenamed(TableName table, Column was, Column now) implements SchemaChange { }

    /** A column of which something but the name is another. */
    record ColumnChanged(TableName table, Column was, Column now) implements SchemaChange { }

    /**
     * A key, reference, check or index that is another.
     *
     * @param primary whether it is the primary key
     * @param was empty if it is new
     * @param now empty if it is gone
     */
    record PartChanged(TableName table, boolean primary, Optional<TablePart> was, Optional<TablePart> now)
            implements SchemaChange {
        /** The part, as it is or was. */
        public TablePart part() {
            return now.or(() -> was).orElseThrow();
        }
    }

    /**
     * A domain that is another.
     *
     * @param table where the domain stands, for it belongs to no table
     * @param was empty if it is new
     * @param now empty if it is gone
     */
    record DomainChanged(TableName table, Optional<Domain> was, Optional<Domain> now) implements SchemaChange { }

    /**
     * A sequence that is another.
     *
     * @param was empty if it is new
     * @param now empty if it is gone
     */
    record SequenceChanged(Optional<Sequence> was, Optional<Sequence> now) implements SchemaChange {
        /** The sequence, for it belongs to no table. */
        @Override
        public TableName table() {
            return now.or(() -> was).orElseThrow().name();
        }
    }

    /**
     * An extension, type, function, trigger or the like that is another.
     *
     * @param was empty if it is new
     * @param now empty if it is gone
     */
    record ObjectChanged(Optional<SchemaObject> was, Optional<SchemaObject> now) implements SchemaChange {
        /** The object, as it is or was. */
        public SchemaObject object() {
            return now.or(() -> was).orElseThrow();
        }

        /** The table that it is about, or where it stands. */
        @Override
        public TableName table() {
            return object().on().orElse(object().name());
        }
    }
}
