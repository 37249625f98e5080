/** Turns errors of the database into problems for the client. Nothing that the driver says reaches an answer. */
public final class SqlErrors {
    private final Map<String, Constraint> constraints = new HashMap<>();

    public SqlErrors(List<List<Constraint>> constraintsByTable) {
        constraintsByTable.forEach(list -> list.forEach(constraint -> constraints.put(constraint.name(), constraint)));
    }

    /**
     * The problem that an error means; SQL states as in the PostgreSQL manual, appendix A.
     *
     * @param deleting whether a row was to be deleted: a broken reference then is one to that row
     */
    public RuntimeException translate(SQLException error, boolean deleting) {
        Optional<Constraint> constraint = constraint(error);
        return switch (String.valueOf(error.getSQLState())) {
            case "23505", "23P01" -> ProblemException.duplicate(fields(constraint), error);
            case "23503", "23001" -> deleting
                    ? ProblemException.stillReferredTo(constraint.map(Constraint::children).orElse("other rows"), error)
                    : ProblemException.missingReference(
                            constraint.map(Constraint::parents).orElse("row"), fields(constraint), error);
            case "23514" -> ProblemException.refused(
                    fields(constraint), constraint.map(Constraint::name).orElse("check"), error);
            case "23502", "22001", "22003", "22007", "22008", "22021", "22P02", "22P05" ->
                    ProblemException.refused(List.of(), "type", error);
            default -> new DatabaseException(error);
        };
    }

    private Optional<Constraint> constraint(SQLException error) {
        return error instanceof PSQLException refusal && refusal.getServerErrorMessage() != null
                ? Optional.ofNullable(constraints.get(refusal.getServerErrorMessage().getConstraint()))
                : Optional.empty();
    }

    private static List<String> fields(Optional<Constraint> constraint) {
        return constraint.map(Constraint::fields).orElse(List.of());
    }

    /** An error that no client can do anything about. */
    static final class DatabaseException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        DatabaseException(SQLException cause) {
            super(cause);
        }
    }
}
