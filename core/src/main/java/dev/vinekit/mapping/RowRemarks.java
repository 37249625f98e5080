package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Says what a person should know of rows: whose they are, what becomes of deleted ones, whom they are about. */
final class RowRemarks {
    /** The types of columns that say whose a row is. */
    private static final Set<JavaType> OWNERS = Set.of(JavaType.STRING, JavaType.INTEGER, JavaType.LONG, JavaType.UUID);

    private final Table table;
    private final Schema schema;
    private final DecisionLookup.OfTable decided;
    private final List<Remark> remarks;

    /** @param remarks takes what there is to say */
    RowRemarks(Table table, Schema schema, DecisionLookup.OfTable decided, List<Remark> remarks) {
        this.table = table;
        this.schema = schema;
        this.decided = decided;
        this.remarks = remarks;
    }

    /**
     * Says whose the rows are, and what speaks against it.
     *
     * @param restricted whether it is said of any table who may do what
     */
    void onOwner(OwnRows own, List<Field> fields, boolean restricted) {
        if (!restricted && decided.decided().ownRows().isPresent()) {
            decided.mistake(RowChoice.UNRESTRICTED, RowChoice.KEY);
        }
        Optional<Field> owner = fields.stream()
                .filter(field -> own.isDirect() && field.column().name().equals(own.column()))
                .findFirst();
        if (owner.filter(field -> !OWNERS.contains(field.type()) || field.converter().isPresent()).isPresent()) {
            decided.mistake("The column " + own.column() + " cannot be compared with a claim: that takes a text, a whole "
                    + "number or a UUID.", "own-rows", "column");
        }
        if (owner.filter(field -> field.input() == Field.Input.READ_ONLY).isPresent()
                && table.foreignKeys().stream().anyMatch(key -> key.columns().contains(own.column()))) {
            decided.mistakeInField(owner.get().column(), "visibility",
                    "Those to whom all rows are shown say by it whose a row is; from others it is taken anyway.");
        }
        List<String> owning = own.isDirect() ? List.of(own.column()) : own.path().get(0).columns();
        List<String> keys = table.keys().stream().filter(key -> !key.columns().containsAll(owning))
                .filter(key -> key.columns().stream().noneMatch(column -> table.column(column).isIdentity()))
                .map(key -> String.join(", ", key.columns())).toList();
        remark(Remark.Topic.OWNER, "A row belongs to whoever has the claim " + own.claim() + " in the token that "
                + own.column() + (own.isDirect() ? "" : " of " + own.path().get(own.path().size() - 1).target().name()) + " has; "
                + "others are not shown it. " + String.join(", ", own.everything()) + " is shown all rows."
                + (keys.isEmpty() ? "" : " A key is one over the rows of all (" + String.join("; ", keys)
                + "): a refused row tells that somebody has one with these values."));
    }

    /** Says what it means that deleted rows stay. */
    void onDeletion(Field field) {
        List<String> keys = table.uniqueKeys().stream()
                .filter(key -> key.columns().stream().noneMatch(column -> table.column(column).isIdentity()))
                .map(key -> String.join(", ", key.columns())).toList();
        List<String> views = schema.tables().stream().filter(other -> other.viewQuery()
                .filter(query -> query.reads().contains(table.name())).isPresent())
                .map(other -> other.name().name()).toList();
        remark(Remark.Topic.DELETION, "A deleted row stays, with the time in " + field.column().name()
                + ", and is not there for clients; restore brings it back. It cannot be deleted while rows refer to it."
                + (keys.isEmpty() ? "" : " It keeps its values of a key from others: " + String.join("; ", keys) + ".")
                + (views.isEmpty() ? "" : " Views show it as they are written to: " + String.join(", ", views) + "."));
    }

    /** What is about people is pointed out, and told until somebody decides otherwise. */
    void onPeople() {
        List<String> columns = table.columns().stream().filter(Secrets::isPersonal)
                .filter(column -> decided.field(column).visibility().isEmpty()).map(Column::name).toList();
        if (!columns.isEmpty()) {
            remark(Remark.Topic.PERSONAL, (columns.size() == 1 ? "The column " : "The columns ")
                    + String.join(", ", columns) + (columns.size() == 1 ? " has a name" : " have names")
                    + " of personal data, and whoever may read the rows is told it: access says who may, "
                    + "visibility what they see.");
        }
    }

    private void remark(Remark.Topic topic, String text) {
        remarks.add(new Remark(table.name(), topic, text));
    }
}
