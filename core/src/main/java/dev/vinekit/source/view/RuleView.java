package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;
import java.util.Optional;

/**
 * The rules of a table that its tests try to break.
 *
 * @param refusals new rows that break a rule
 * @param unchecked new rows that only the database refuses
 * @param cleared fields that a stored row cannot lose
 * @param defaults fields that a new row may leave to the database
 * @param referred references that keep a row from being deleted
 * @param released references whose rows follow when a row is deleted
 * @param toItself whether some of these references are to rows of the same table
 */
public record RuleView(
        List<RefusalView> refusals, List<UncheckedView> unchecked, List<FieldTestView> cleared,
        List<DefaultView> defaults, List<ReferredView> referred,
        List<ReleasedView> released, boolean toItself) {
    public RuleView {
        refusals = List.copyOf(refusals);
        unchecked = List.copyOf(unchecked);
        cleared = List.copyOf(cleared);
        defaults = List.copyOf(defaults);
        referred = List.copyOf(referred);
        released = List.copyOf(released);
    }

    /**
     * A new row that is refused.
     *
     * @param rule what it breaks
     * @param stored whether another row is inserted first
     * @param expectation the body, made from {@code input}, the status, and the fields that are blamed if that is known
     */
    public record RefusalView(JavaName method, DocText rule, boolean stored, JavaCode expectation) {
    }

    /**
     * A new row that breaks a check which the service leaves to the database.
     *
     * @param body made from {@code input}
     * @param constraint the check
     */
    public record UncheckedView(JavaName method, DocText rule, JavaCode body, JavaString constraint) {
    }

    /** A test about a field. */
    public record FieldTestView(JavaName method, DocText rule, JavaString json) {
    }

    /**
     * A field that takes its default.
     *
     * @param constant the default, as text, if it is known
     */
    public record DefaultView(JavaName method, DocText rule, JavaString json, Optional<JavaString> constant) {
    }

    /**
     * A row that cannot go while others refer to it.
     *
     * @param stored one that refers to it
     */
    public record ReferredView(
            JavaName method, DocText rule, JavaCode stored, JavaName field, JavaString collection,
            JavaString children) {
    }

    /**
     * A row that follows when the row that it refers to is deleted.
     *
     * @param stored the row that follows
     * @param gone whether it goes, or else loses the reference
     */
    public record ReleasedView(JavaName method, DocText rule, JavaCode stored, JavaName field, JavaString collection,
            boolean gone) {
    }
}
