package dev.vinekit.schema;

/** What belongs to a table beside its columns: keys, references, checks, indexes. */
public sealed interface TablePart permits UniqueKey, ForeignKey, Check, Index {
    /** The name in the catalog; empty if it has none. */
    String name();

    /** The part with another name. */
    private TablePart named(String other) {
        if (this instanceof UniqueKey key) {
            return new UniqueKey(other, key.columns(), key.deferral(), key.lengths());
        } else if (this instanceof ForeignKey key) {
            return new ForeignKey(other, key.columns(), key.target(), key.targetColumns(), key.onDelete(),
                    key.onUpdate(),
                    key.deferral(), key.definition());
        } else if (this instanceof Check check) {
            return new Check(other, check.expression(), check.column());
        }
        Index index = (Index) this;
        return new Index(other, index.unique(), index.columns(), index.definition());
    }

    /** Whether another part differs in its name alone. */
    default boolean isLike(TablePart other) {
        return getClass() == other.getClass() && named("").equals(other.named(""));
    }
}
