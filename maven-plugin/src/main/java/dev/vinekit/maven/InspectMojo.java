package dev.vinekit.maven;

import dev.vinekit.fault.Visible;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import java.util.stream.Collectors;
import org.apache.maven.plugins.annotations.Mojo;

/** Shows the tables: the columns of each, its key, and what it refers to. */
@Mojo(name = "inspect", threadSafe = true)
public final class InspectMojo extends StepMojo {
    @Override
    void run() {
        for (Table table : read(mapping()).schema().tables()) {
            String key = table.primaryKey().map(UniqueKey::columns).map(columns -> String.join(", ", columns)).orElse("none");
            String references = table.foreignKeys().stream().map(ForeignKey::target).map(target -> target.name())
                    .distinct().collect(Collectors.joining(", "));
            getLog().info(Visible.text(table.name().name() + ": " + count(table.columns().size(), "column") + "; "
                    + (table.isView() ? "a view" : "key " + key) + (references.isEmpty() ? "" : "; refers to " + references)));
        }
    }
}
