package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
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
        JavaName serviceVariable,
        JavaCode pageKey,
        OperationsView can,
        boolean view,
        boolean keyed,
        boolean writable,
        List<FieldView> fields,
        List<FieldView> documented,
        List<FieldView> inputs,
        List<FieldView> inserts,
        List<FieldView> updates,
        List<FieldView> key,
        Optional<JavaName> keyName,
        KeyView keyCode,
        List<FieldView> filters,
        List<RelationView.FinderView> finders,
        List<RelationView.LookupView> lookups,
        List<RelationView.IncludeView> includes,
        List<RelationView.ServiceReference> childServices,
        List<RelationView.ChildView> children,
        RelationView.CollectionView collectionCode,
        List<RelationView.ConverterView> converters,
        List<JavaCode> constraints,
        List<JavaCode> rules,
        StatementView sql,
        TestView test) {

    /**
     * How code speaks of the key; meaningless for a table without one.
     *
     * @param arguments the key's parts, as arguments to a statement
     * @param afterArguments the parts of a key named {@code after}
     * @param toKey a function from entity to key
     * @param locationBuild the call that puts the key of {@code created} into a path
     * @param pathParam the annotation of the path parameter
     * @param text the key as part of a message
     * @param segmentCode the path segment of an entity
     * @param storedArguments the parts of the key of {@code stored}
     */
    public record KeyView(
            JavaCode type,
            JavaCode boxed,
            JavaName variable,
            JavaCode arguments,
            JavaCode afterArguments,
            JavaCode toKey,
            JavaCode locationBuild,
            JavaCode pathParam,
            JavaCode text,
            JavaCode segmentCode,
            JavaCode ofStored,
            JavaCode ofBefore,
            JavaCode ofCreated,
            JavaCode ofFirst,
            JavaCode storedArguments) {
    }

    /** Fragments of SQL. */
    public record StatementView(
            JavaString table,
            JavaString columnList,
            JavaString keyList,
            JavaString keyAfter,
            JavaString keyMatch,
            JavaString orderList,
            JavaString assignments,
            JavaString limit,
            JavaString page,
            boolean offsetFirst,
            boolean returning,
            JavaString everything,
            List<JavaString> tellingColumns,
            JavaString tellingMatch) {
    }

    /**
     * What the tests need.
     *
     * @param touched the tables that they write to, each after those that it refers to
     * @param patched a field for a patch to change
     * @param differingKey fields of the key that differ between two samples
     */
    public record TestView(
            SampleView sample,
            SampleView other,
            List<JavaName> touched,
            List<FieldView> required,
            List<FieldView> limited,
            List<RuleViews.UniqueView> uniques,
            List<RuleViews.MissingView> missing,
            List<RuleViews.ReferredView> referred,
            List<RelationView.IncludeTest> includes,
            List<RelationView.ChildTest> children,
            List<RelationView.FinderTest> finders,
            boolean transactional,
            Optional<FieldView> patched,
            List<FieldView> differingKey) {
    }
}
