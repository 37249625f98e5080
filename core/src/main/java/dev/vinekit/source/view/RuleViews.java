package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;

/** The rules of a table that its tests break. */
public final class RuleViews {
    private RuleViews() {
    }

    /** A unique key. */
    public record UniqueView(JavaName label, List<FieldView> fields) {
    }

    /** A reference to a row that is not there. */
    public record MissingView(FieldView field, JavaCode value) {
    }

    /** A row that cannot go while others refer to it. */
    public record ReferredView(FieldView field, JavaString collection, JavaString children) {
    }
}
