package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;

/** An enum. */
public record EnumView(JavaName name, List<ConstantView> constants) {
    /** A constant and the text that the database stores for it. */
    public record ConstantView(JavaName name, JavaString text) {
    }
}
