package com.example.cellar.support;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTimeoutException;
import java.sql.SQLTransientConnectionException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Turns errors of the database into problems for the client. Nothing that the driver says reaches an answer. */
public final class SqlErrors {
    private final List<Constraint> own;
    private final List<Constraint> all;

    /** For all tables. */
    public SqlErrors(List<List<Constraint>> constraintsByTable) {
        this(List.of(), constraintsByTable.stream().flatMap(List::stream).toList());
    }

    private SqlErrors(List<Constraint> own, List<Constraint> all) {
        this.own = own;
        this.all = all;
    }

    /** The same for work on one table: its constraints come before others of the same name. */
    public SqlErrors on(List<Constraint> table) {
        return new SqlErrors(table, all);
    }

    /** Whether others got in the way: nothing was done, and the same may succeed at once. */
    boolean isCollision(SQLException error) {
        return SqlError.of(error).kind() == SqlError.Kind.COLLISION;
    }

    /**
     * Whether the server went away, or is not the one that takes changes: the same may succeed on another connection.
     */
    boolean isGone(SQLException error) {
        SqlError.Kind kind = SqlError.of(error).kind();
        return kind == SqlError.Kind.GONE || kind == SqlError.Kind.STANDBY
                || String.valueOf(error.getSQLState()).startsWith("08")
                        && !(error instanceof SQLTransientConnectionException);
    }

    /** Whether the error is not about what was to be written. */
    boolean isTransient(SQLException error) {
        return isCollision(error) || SqlError.of(error).kind() == SqlError.Kind.UNAVAILABLE || isGone(error)
                || isConnection(error);
    }

    /**
     * Whether no connection was available, or it broke: SQL states of class 08 of the standard, and the pool's own.
     * Drivers also use these exceptions where a trigger refuses a change.
     */
    private static boolean isConnection(SQLException error) {
        boolean broken = error instanceof SQLTransientConnectionException
                || error instanceof SQLNonTransientConnectionException
                || error instanceof SQLRecoverableException || error instanceof SQLTimeoutException
                || String.valueOf(error.getSQLState()).startsWith("08");
        return broken && SqlError.of(error).kind() != SqlError.Kind.REFUSAL;
    }

    /**
     * The problem that an error means.
     *
     * @param deleting whether a row was to be deleted: a broken reference then is one to that row, as is one of another
     *     table when a row is changed
     */
    public RuntimeException translate(SQLException error, boolean deleting) {
        if (error instanceof UncertainCommit) {
            return ProblemException.uncertain(error.getCause());
        }
        SqlError refusal = SqlError.of(error);
        if (isConnection(error)) {
            return ProblemException.unavailable(error);
        }
        boolean rowIsReferredTo = deleting || refusal.kind() == SqlError.Kind.REFERRED;
        Stream<Constraint> nearest = rowIsReferredTo ? possibleReferrers() : own.stream();
        Optional<Constraint> constraint = Stream.concat(nearest, all.stream())
                .filter(candidate -> !refusal.constraint().isEmpty() && candidate.name().equals(refusal.constraint()))
                .findFirst();
        List<String> fields = constraint.map(Constraint::fields).orElse(List.of());
        boolean ofOthers = constraint.map(found -> !own.contains(found))
                .orElseGet(() -> possibleReferences().isEmpty());
        boolean referred = rowIsReferredTo || !own.isEmpty() && ofOthers;
        return switch (refusal.kind()) {
            case DUPLICATE -> ProblemException.duplicate(fields, error);
            case REFERENCE, REFERRED -> referred
                    ? ProblemException.stillReferredTo(
                            constraint.map(Constraint::children).orElseGet(this::possibleChildren), error)
                    : ProblemException.missingReference(
                            constraint.map(Constraint::parents).orElse("row"),
                            constraint.map(Constraint::fields).orElseGet(this::possibleReferences), error);
            case REFUSAL -> ProblemException.refusedByDatabase(error);
            case CHECK -> ProblemException.refused(fields, constraint.map(Constraint::name).orElse("check"), error);
            case VALUE -> ProblemException.refused(List.of(), "type", error);
            case COLLISION, GONE, STANDBY, UNAVAILABLE -> ProblemException.unavailable(error);
            case OTHER -> new DatabaseException(error);
        };
    }

    private Stream<Constraint> possibleReferrers() {
        String table = own.isEmpty() ? "" : own.get(0).children();
        return all.stream().filter(constraint -> constraint.parents().equals(table));
    }

    /** What may still refer to the table, where the database does not say which. */
    private String possibleChildren() {
        return possibleReferrers().map(Constraint::children).distinct().collect(Collectors.joining(" or "));
    }

    /** The fields that refer to other tables, where the database does not say which is wrong. */
    private List<String> possibleReferences() {
        return own.stream().filter(constraint -> !constraint.parents().isEmpty())
                .flatMap(constraint -> constraint.fields().stream()).distinct().toList();
    }

    /** An error that no client can do anything about. */
    static final class DatabaseException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        DatabaseException(SQLException cause) {
            super(cause);
        }
    }
}
