package com.example.cellar.support;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Turns errors of the database into problems for the client. Nothing that the driver says reaches an answer. */
public final class SqlErrors {
    /** The name that an H2 message gives first, without its schema; in quotes of its own if it is an odd one. */
    private static final Pattern NAMED = Pattern.compile(
            "^[^\"]*\"(?:(?:\"(?:[^\"]|\"\")*\"|[^\\s\".:(]+)\\.)?(\"(?:[^\"]|\"\")*\"|[^\\s\".:(]+)");

    private final Map<String, Constraint> constraints = new HashMap<>();

    public SqlErrors(List<List<Constraint>> constraintsByTable) {
        constraintsByTable.forEach(list -> list.forEach(constraint -> constraints.put(constraint.name(), constraint)));
    }

    /**
     * The problem that an error means; error codes as in {@code org.h2.api.ErrorCode}.
     *
     * @param deleting whether a row was to be deleted: a broken reference then is one to that row
     */
    public RuntimeException translate(SQLException error, boolean deleting) {
        Optional<Constraint> constraint = constraint(error);
        return switch (error.getErrorCode()) {
            case 23505 -> ProblemException.duplicate(fields(constraint), error);
            case 23503, 23506 -> deleting
                    ? ProblemException.stillReferredTo(constraint.map(Constraint::children).orElse("other rows"), error)
                    : ProblemException.missingReference(
                            constraint.map(Constraint::parents).orElse("row"), fields(constraint), error);
            case 23513, 23514 -> ProblemException.refused(
                    fields(constraint), constraint.map(Constraint::name).orElse("check"), error);
            case 23502, 22001, 22003, 22004, 22018, 22030 -> ProblemException.refused(List.of(), "type", error);
            default -> new DatabaseException(error);
        };
    }

    private Optional<Constraint> constraint(SQLException error) {
        Matcher matcher = NAMED.matcher(String.valueOf(error.getMessage()));
        if (!matcher.find()) {
            return Optional.empty();
        }
        String name = matcher.group(1);
        String plain = name.startsWith("\"") ? name.substring(1, name.length() - 1).replace("\"\"", "\"") : name;
        return Optional.ofNullable(constraints.get(plain));
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
