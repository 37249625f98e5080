package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Operation;
import java.util.List;
import java.util.Optional;

/** A table and everything that its files say about it. */
public record EntityView(
        JavaName name,
        JavaName variable,
        JavaName constant,
        TitleView title,
        JavaString titleText,
        DocText doc,
        DocText table,
        JavaString path,
        DocText pathText,
        DocText operationList,
        JavaString collection,
        JavaName repositoryClass,
        JavaName serviceClass,
        List<OperationView> operations,
        Optional<PartView> parts,
        boolean view,
        boolean keyed,
        boolean writable,
        boolean guarded,
        int cacheSeconds,
        List<FieldView> fields,
        List<FieldView> documented,
        List<FieldView> inputs,
        List<FieldView> inserts,
        List<FieldView> updates,
        List<FieldView> key,
        Optional<JavaName> keyName,
        KeyView keyCode,
        List<FieldView> filters,
        JavaCode orderCode,
        Optional<FieldView> version,
        Optional<OwnView> own,
        List<RelationView.OwnReference> ownReferences,
        List<StampView> stamps,
        boolean scoped,
        Optional<DeletionView> deletion,
        boolean locks,
        List<RelationView.FinderView> finders,
        List<RelationView.LookupView> lookups,
        List<RelationView.IncludeView> includes,
        List<RelationView.ServiceReference> childServices,
        List<RelationView.ChildView> children,
        List<RelationView.ConverterView> converters,
        List<JavaCode> constraints,
        List<JavaCode> rules,
        StatementView sql,
        TestView test) {

    /**
     * An operation that the entity has.
     *
     * @param right what may be done, as a constant
     * @param rights what it takes to do it; nothing in a service that everybody may use
     * @param roles those that have it
     */
    public record OperationView(
            JavaName word, JavaName right, List<JavaName> rights, JavaCode roles) {
    }

    /**
     * What it takes a role to do.
     *
     * @param right what may be done, as a constant
     * @param roles those that have it
     */
    public record RightView(JavaName right, JavaCode roles) {
    }

    /**
     * A list of which some see a part only.
     *
     * @param whole what it takes to see all of it
     */
    public record PartView(JavaName whole, List<FindingView> findings) {
        public PartView {
            findings = List.copyOf(findings);
        }
    }

    /**
     * Rows that are found by some fields.
     *
     * @param right what it takes to see them
     * @param parameters all of which a request has to name, as arguments
     */
    public record FindingView(JavaName right, JavaCode parameters) {
    }

    /**
     * Whether it has an operation.
     *
     * @throws IllegalArgumentException if there is no such word
     */
    public boolean can(String word) {
        return operation(word).isPresent();
    }

    /** The annotation that an operation demands; nothing in a service that everybody may use. */
    public List<JavaName> rights(String word) {
        return operation(word).map(OperationView::rights).orElse(List.of());
    }

    /** The roles that may do it, as arguments. */
    public JavaCode roles(String word) {
        return operation(word).map(OperationView::roles).orElse(JavaCode.list(List.of()));
    }

    /** Whether rows are changed, in one way or another. */
    public boolean updatable() {
        return can("replace") || can("patch");
    }

    private Optional<OperationView> operation(String word) {
        String known = Operation.of(word).word();
        return operations.stream().filter(operation -> operation.word().value().equals(known)).findFirst();
    }

    /**
     * Whose the rows are.
     *
     * @param type that the claim is read as
     * @param everything the roles to which all rows are shown, as arguments
     * @param condition that a row belongs to somebody
     * @param parameters how many times the condition takes the value of the claim
     * @param owner the query for whose a row is, by the row's key
     */
    public record OwnView(
            JavaString claim, JavaCode type, JavaCode everything, JavaString condition, int parameters,
            JavaString owner) {
    }

    /**
     * How deleted rows stay.
     *
     * @param now the time, as SQL
     * @param referrers the rows that keep one from being deleted
     */
    public record DeletionView(JavaString sqlName, JavaString now, List<ReferrerView> referrers) {
    }

    /**
     * Rows that may refer to one.
     *
     * @param query for their number, by the key of the row
     */
    public record ReferrerView(JavaString path, JavaString query) {
    }

    /**
     * A column that the service fills.
     *
     * @param moment whether it is a time, and not somebody
     * @param ofChange whether every change fills it anew
     * @param sql what it is filled with: the time, or the parameter marker
     * @param type as which the subject of a token is read
     * @param length the greatest length of its text; 0 for no limit
     * @param field what clients are told; nothing if they are not
     */
    public record StampView(JavaString sqlName, boolean moment, boolean ofChange, JavaString sql, JavaCode type,
            int length, Optional<FieldView> field) {
    }

    /**
     * How code speaks of the key; meaningless for a table without one.
     *
     * @param loose whether the database takes values for the same that Java tells apart: by collation, padding or scale
     */
    public record KeyView(
            JavaCode type,
            JavaCode boxed,
            JavaName variable,
            boolean loose) {
    }

    /**
     * Fragments of SQL.
     *
     * @param table where rows are inserted
     * @param rows where they are found: in the table, without those of tables that have its columns too
     * @param readBack there if a new row is read by its key
     * @param rereads whether a trigger may change a new row after the statement that inserts it
     */
    public record StatementView(
            JavaString table,
            JavaString rows,
            boolean rereads,
            JavaString columnList,
            JavaString keyMatch,
            JavaString lock,
            boolean returning,
            Optional<ReadBackView> readBack,
            JavaString everything,
            List<JavaString> tellingColumns,
            JavaString tellingMatch,
            Optional<JavaString> restart) {
    }

    /**
     * What an insert must know that reads the row by its key afterwards.
     *
     * @param numbered whether rows are told from others by a number alone that the database gives
     * @param defaults those that the database is asked for first, so that the row is told from others
     */
    public record ReadBackView(boolean numbered, List<DefaultView> defaults) {
    }

    /** The default of a column, as SQL. */
    public record DefaultView(JavaString column, JavaString value) {
    }

    /**
     * A row as constants, for tests without a database.
     *
     * @param input a value for each field of the input
     * @param lacking the same without a value in a field that needs one; empty if none does
     * @param stored a value for each field of the entity
     */
    public record UnitView(List<JavaCode> input, List<JavaCode> lacking, List<JavaCode> stored) {
    }

    /**
     * What the tests need.
     *
     * @param alone a row for tests without a database
     * @param creates whether they make rows: the service does, and the constraints leave room for some
     * @param filled whether the seed has rows
     * @param touched the tables that they write to, each after those that it refers to
     * @param duplicable the fields of a key of which a new row can be a duplicate
     * @param referredInCircle whether rows that this one must refer to must refer to rows like it
     * @param overwritten the components that triggers give values of their own to, as arguments behind others
     * @param following the components that a change of others may change: those, and times of the last change
     * @param secrets what is sent and not told, and differs from one sample to the other
     * @param filters the columns to filter by in which samples have a value
     * @param divided a column by whose order every row is before, beside or after a sample
     * @param searched a column of text to look into
     * @param shared parts of a key of several that two rows may have alike
     * @param patched a field for a patch to change
     * @param differingKey fields of the key that differ between two samples
     * @param sortable the columns outside the key that rows can be sorted by
     * @param required the fields that a new row needs
     * @param deletedReferences those whose rows tests make, and may delete
     * @param own what those may do to whom not all rows are shown, as operations
     */
    public record TestView(
            SampleView sample,
            SampleView other,
            UnitView alone,
            boolean creates,
            boolean filled,
            List<JavaName> touched,
            List<RuleView> rules,
            List<FieldView> duplicable,
            List<RelationView.IncludeTest> includes,
            List<RelationView.ChildTest> children,
            List<RelationView.FinderTest> finders,
            List<FieldView> filters,
            List<FieldView> overwritten,
            List<FieldView> following,
            List<FieldView> secrets,
            Optional<FieldView> divided,
            Optional<FieldView> searched,
            List<FieldView> shared,
            boolean transactional,
            boolean unchanged,
            boolean referredInCircle,
            List<FieldView> patched,
            List<FieldView> differingKey,
            List<FieldView> sortable,
            List<FieldView> required,
            List<AccessTest> access,
            List<JavaString> own,
            List<DeletedReference> deletedReferences) {
    }

    /**
     * A reference to a row that stays when it is deleted.
     *
     * @param delete the statement that deletes it, by values from {@code input}
     */
    public record DeletedReference(JavaString delete, JavaCode values) {
    }

    /**
     * An operation that somebody may do, with a request that would come to nothing.
     *
     * @param segment what names the row, if it is about one
     * @param roles {@code *} for everybody with a token
     */
    public record AccessTest(
            JavaString operation, JavaString method, Optional<JavaString> segment, JavaString contentType,
            List<JavaString> roles) {
        public AccessTest {
            roles = List.copyOf(roles);
        }
    }
}
