package dev.vinekit.compare;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Domain;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A change of the schema in words.
 *
 * @param what sort of thing: table, view, column, primary key, unique key, reference, check, index, domain, sequence
 * @param name the thing's name; empty for one without
 * @param change added, removed, changed or renamed
 * @param detail what it was and is; empty if that is all
 */
public record ChangeWords(TableName table, String what, String name, String change, String detail) {
    /** All of it as one line, without the table. */
    public String text() {
        return change + " " + what + (name.isEmpty() || name.equals(table.name()) ? "" : " " + name)
                + (detail.isEmpty() ? "" : ": " + detail);
    }

    /** The words for a change. */
    public static ChangeWords of(SchemaChange change) {
        if (change instanceof SchemaChange.TableAdded added) {
            return table(added.now(), "added", "");
        } else if (change instanceof SchemaChange.TableRemoved removed) {
            return table(removed.was(), "removed", "");
        } else if (change instanceof SchemaChange.TableRenamed renamed) {
            return table(renamed.now(), "renamed", "probably: it was " + renamed.was().name().name());
        } else if (change instanceof SchemaChange.ViewChanged view) {
            return table(view.now(), "changed", "another query");
        } else if (change instanceof SchemaChange.DescriptionChanged description) {
            boolean comment = !description.was().comment().equals(description.now().comment());
            return table(description.now(), "changed", comment ? "another comment" : "stored in another way");
        } else if (change instanceof SchemaChange.ColumnAdded added) {
            return new ChangeWords(change.table(), "column", added.now().name(), "added", definition(added.now()));
        } else if (change instanceof SchemaChange.ColumnRemoved removed) {
            return new ChangeWords(change.table(), "column", removed.was().name(), "removed",
                    definition(removed.was()));
        } else if (change instanceof SchemaChange.ColumnRenamed renamed) {
            return new ChangeWords(change.table(), "column", renamed.now().name(), "renamed",
                    "probably: it was " + renamed.was().name());
        } else if (change instanceof SchemaChange.ColumnChanged changed) {
            return new ChangeWords(change.table(), "column", changed.now().name(), "changed",
                    difference(changed.was(), changed.now()));
        } else if (change instanceof SchemaChange.DomainChanged changed) {
            return new ChangeWords(change.table(), "domain", change.table().name(),
                    verb(changed.was(), changed.now()),
                    detail(changed.was().map(ChangeWords::text), changed.now().map(ChangeWords::text)));
        } else if (change instanceof SchemaChange.SequenceChanged changed) {
            return new ChangeWords(change.table(), "sequence", change.table().name(),
                    verb(changed.was(), changed.now()),
                    detail(changed.was().map(ChangeWords::text), changed.now().map(ChangeWords::text)));
        } else if (change instanceof SchemaChange.ObjectChanged changed) {
            return new ChangeWords(change.table(), changed.object().kind().words(), changed.object().name().name(),
                    verb(changed.was(), changed.now()), "");
        }
        return part((SchemaChange.PartChanged) change);
    }

    private static ChangeWords table(Table table, String change, String detail) {
        return new ChangeWords(table.name(), table.kind().words(), table.name().name(), change, detail);
    }

    private static String verb(Optional<?> was, Optional<?> now) {
        return was.isEmpty() ? "added" : now.isEmpty() ? "removed" : "changed";
    }

    private static String detail(Optional<String> was, Optional<String> now) {
        return was.isEmpty() || now.isEmpty() ? now.or(() -> was).orElse("") : now.get() + ", was " + was.get();
    }

    private static ChangeWords part(SchemaChange.PartChanged change) {
        Optional<String> was = change.was().map(ChangeWords::text);
        Optional<String> now = change.now().map(ChangeWords::text);
        boolean onlyNamed = now.isPresent() && now.equals(was);
        return new ChangeWords(change.table(), sort(change), change.part().name(), verb(change.was(), change.now()),
                onlyNamed ? "it was named " + change.was().orElseThrow().name() : detail(was, now));
    }

    private static String sort(SchemaChange.PartChanged change) {
        TablePart part = change.part();
        return part instanceof ForeignKey ? "reference" : part instanceof Check ? "check" : part instanceof Index
                ? "index"
                : change.primary() ? "primary key" : "unique key";
    }

    private static String text(TablePart part) {
        if (part instanceof UniqueKey key) {
            return columns(key.columns());
        } else if (part instanceof ForeignKey key) {
            return columns(key.columns()) + " to " + key.target().name() + " " + columns(key.targetColumns());
        } else if (part instanceof Check check) {
            return check.expression().replaceAll("\\s+", " ");
        }
        Index index = (Index) part;
        return index.definition().orElse((index.unique() ? "unique " : "") + columns(index.columns()));
    }

    private static String text(Domain domain) {
        return Stream.of(Optional.of(domain.base().declared()),
                Optional.of("not null").filter(none -> !domain.nullable()),
                        domain.defaultValue().map(value -> "default " + value),
                        domain.collation().map(value -> "collation " + value),
                        Optional.of(domain.checks().stream().map(ChangeWords::text)
                                .collect(Collectors.joining(" and ")))
                                .filter(checks -> !checks.isEmpty()).map(checks -> "check " + checks))
                .flatMap(Optional::stream).collect(Collectors.joining(", "));
    }

    private static String text(Sequence sequence) {
        return "from " + sequence.start() + " by " + sequence.increment()
                + (sequence.options().isEmpty() ? "" : ", " + sequence.options());
    }

    private static String columns(List<String> names) {
        return "(" + String.join(", ", names) + ")";
    }

    private static String definition(Column column) {
        return column.type().declared() + (column.nullable() ? "" : ", not null")
                + column.defaultValue().map(value -> ", default " + value.text()).orElse("");
    }

    private static String difference(Column was, Column now) {
        List<String> parts = new ArrayList<>();
        if (!was.type().equals(now.type())) {
            boolean sameText = was.type().declared().equals(now.type().declared());
            parts.add(sameText ? "other values of " + now.type().declared()
                    : now.type().declared() + ", was " + was.type().declared());
        }
        if (was.nullable() != now.nullable()) {
            parts.add(now.nullable() ? "may be null now" : "not null now");
        }
        if (!was.defaultValue().equals(now.defaultValue())) {
            parts.add(value(now.defaultValue()) + ", was " + value(was.defaultValue()));
        }
        if (was.identity() != now.identity()) {
            parts.add(now.isIdentity() ? "numbers itself now" : "no longer numbers itself");
        }
        if (!was.computed().equals(now.computed())) {
            parts.add(now.isComputed() ? "computed in another way" : "no longer computed");
        }
        if (!was.collation().equals(now.collation())) {
            parts.add("another collation");
        }
        if (!was.comment().equals(now.comment())) {
            parts.add("another comment");
        }
        return String.join("; ", parts);
    }

    private static String value(Optional<DefaultValue> value) {
        return value.map(text -> "default " + text.text()).orElse("no default");
    }
}
