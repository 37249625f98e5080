package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;
import java.util.Optional;

/** What code says about the ties between tables, and about finding rows. */
public final class RelationView {
    private RelationView() {
    }

    /**
     * A reference that can be included.
     *
     * @param from the function that takes the referring values of a row
     * @param key the function that takes the values referred to
     * @param right what it takes to see the row referred to; nothing in a service that everybody may use
     */
    public record IncludeView(JavaString json, JavaCode from, JavaName repositoryClass, JavaName lookup, JavaCode key,
            Optional<JavaName> right) {
    }

    /**
     * A method that finds rows by what others refer to them by.
     *
     * @param type of an element of its parameter
     */
    public record LookupView(JavaName name, JavaCode type, DocText doc, JavaCode narrowing) {
    }

    /**
     * A method that finds rows.
     *
     * @param doc which rows, to follow "the rows"
     * @param narrowing calls on a condition
     */
    public record FinderView(JavaName name, JavaCode parameters, JavaCode arguments, DocText doc, JavaCode narrowing) {
    }

    /** A service that a controller asks for the rows that belong to its own. */
    public record ServiceReference(JavaName type, JavaName variable) {
    }

    /**
     * The rows that belong to a row.
     *
     * @param path behind that of the collection
     * @param type the entity of the rows
     * @param service the variable that holds their service
     * @param finder its method that finds them
     * @param values what the row calls the values that it is found by
     * @param included whether rows that they refer to can be included
     * @param rights what it takes to list them; nothing in a service that everybody may use
     * @param cacheSeconds how long clients may use the list again without asking; 0 for not at all
     */
    public record ChildView(
            JavaString path, JavaName method, JavaName type, JavaName service, JavaName finder, List<JavaName> values,
            boolean included, List<JavaName> rights, int cacheSeconds) {
    }

    /**
     * A referred row that is included.
     *
     * @param segment that of the row that {@code stored} refers to
     */
    public record IncludeTest(JavaString json, JavaString collection, JavaCode segment) {
    }

    /**
     * A list of the rows which belong to another.
     *
     * @param predicate that a row belongs to the same
     * @param alone whether nothing else belongs to it
     * @param linked the entity of the rows, if it is not the tested one, which links them
     */
    public record ChildTest(
            JavaString collection, JavaCode segment, JavaString path, JavaName finder,
            JavaCode arguments,
            Optional<JavaName> linked, JavaName repositoryClass, JavaCode predicate, boolean alone) {
    }

    /**
     * A test of a finder.
     *
     * @param matches whether it finds the row whose values it is asked for
     * @param query the parameters that filter likewise
     */
    public record FinderTest(JavaName name, JavaCode arguments, boolean matches, JavaCode predicate, JavaCode query) {
    }

    /**
     * A reference to rows that are not there for everybody.
     *
     * @param repository that of the rows referred to
     * @param names the fields that refer, as strings
     * @param match the condition that picks out the row referred to
     * @param values what it is compared with, from {@code input}
     * @param owned whether they belong to somebody
     * @param owner whether it refers by what says whose the row itself is
     */
    public record OwnReference(JavaName repository, JavaString rows, JavaString path, JavaCode names, JavaString match,
            JavaCode values, boolean owned, boolean owner) {
    }

    /** A converter in use. */
    public record ConverterView(JavaName constant, JavaCode stored, JavaName type, JavaName by) {
    }
}
