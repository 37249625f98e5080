package com.example.cellar.support;

import java.util.List;
import java.util.stream.Collectors;

/** A request that cannot be carried out, with the answer that says why. */
public final class ProblemException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private static final int MOST_TOLD = 100;

    private final transient Problem problem;

    private ProblemException(Problem problem, Throwable cause) {
        super(problem.detail(), cause);
        this.problem = problem;
    }

    public Problem problem() {
        return problem;
    }

    /** 400: the body breaks rules. So many that nobody would read them are not told. */
    public static ProblemException invalid(List<Violation> violations) {
        List<Violation> told = violations.size() > MOST_TOLD ? violations.subList(0, MOST_TOLD) : violations;
        String detail = told.stream()
                .map(violation -> violation.field() + " " + violation.message())
                .collect(Collectors.joining("; "));
        String more = told.size() < violations.size() ? "; and " + (violations.size() - told.size()) + " more" : "";
        return new ProblemException(Problem.of(400, "Bad Request", detail + more + ".", told), null);
    }

    /** 400: the request as a whole cannot be understood. */
    public static ProblemException malformed(String detail) {
        return malformed(detail, null);
    }

    /** As {@link #malformed(String)}. */
    public static ProblemException malformed(String detail, Throwable cause) {
        return new ProblemException(Problem.of(400, "Bad Request", detail, List.of()), cause);
    }

    /** 412: the row is not in the state that the client knows. */
    public static ProblemException changed() {
        return new ProblemException(Problem.of(412, "Precondition Failed",
                "The row has changed since it was read, or is in a state that the request does not want. "
                + "Read it again.", List.of()), null);
    }

    /** 503: the database does not answer, or not in time. */
    public static ProblemException unavailable(Throwable cause) {
        return new ProblemException(Problem.of(503, "Service Unavailable",
                "The database does not answer, or has no time. Try again later.", List.of()), cause);
    }

    /** 503: the database went away while it stored a change. */
    public static ProblemException uncertain(Throwable cause) {
        return new ProblemException(Problem.of(503, "Service Unavailable",
                "The database went away while it stored the change, which may have been done or not. Read before you "
                + "send it again.", List.of()), cause);
    }

    /** The same about an element of an array, counted from 0. */
    public ProblemException at(int index) {
        String element = "[" + index + "]";
        List<Violation> violations = problem.violations().isEmpty()
                ? List.of(new Violation(element, "Element", problem.detail()))
                : problem.violations().stream().map(violation -> violation.in(element)).toList();
        return new ProblemException(Problem.of(problem.status(), problem.title(),
                "Element " + index + ": " + problem.detail(), violations), this);
    }

    /** 413: the body has more than so many bytes. */
    public static ProblemException tooLarge(int greatest) {
        return new ProblemException(Problem.of(413, "Content Too Large",
                "The body may have at most " + greatest + " bytes.", List.of()), null);
    }

    /** 404: there is no such row. */
    public static ProblemException notFound(String title, Object key) {
        return new ProblemException(
                Problem.of(404, "Not Found", "There is no " + title + " " + key + ".", List.of()), null);
    }

    /** 409: another row has the same values in these fields. */
    public static ProblemException duplicate(List<String> fields, Throwable cause) {
        List<Violation> violations = violations(fields, "unique", "must be unique");
        String detail = fields.isEmpty()
                ? "Another row has the same key."
                : "Another row has the same " + String.join(" and ", fields) + ".";
        return new ProblemException(Problem.of(409, "Conflict", detail, violations), cause);
    }

    /** 409: it cannot be told where a row stands in an order. */
    public static ProblemException unsortable(String field, String row) {
        return new ProblemException(Problem.of(409, "Conflict", "The rows cannot be sorted by " + field
                + ": that of a row (" + row + ") cannot be told. Sort by something else.", List.of()), null);
    }

    /** 409: rows of another collection refer to this one. */
    public static ProblemException stillReferredTo(String children, Throwable cause) {
        return new ProblemException(
                Problem.of(409, "Conflict", "Rows of " + children + " still refer to this one.", List.of()), cause);
    }

    /** 422: these fields name a row that is not there. */
    public static ProblemException missingReference(String parents, List<String> fields, Throwable cause) {
        List<Violation> violations = violations(fields, "reference", "must name a row of " + parents);
        String detail = "There is no row of " + parents + " with this " + String.join(" and ", fields) + ".";
        return new ProblemException(Problem.of(422, "Unprocessable Content", detail, violations), cause);
    }

    /**
     * 409: a trigger or procedure of the database refuses the change. What it says may hold more than clients may know.
     */
    public static ProblemException refusedByDatabase(Throwable cause) {
        return new ProblemException(
                Problem.of(409, "Conflict", "A rule of the database refuses this change.", List.of()), cause);
    }

    /** 400: the database's own check refuses the values. */
    public static ProblemException refused(List<String> fields, String rule, Throwable cause) {
        List<Violation> violations = violations(fields, rule, "is refused by the database's check");
        String detail = fields.isEmpty()
                ? "The database refuses a value."
                : "The database's check refuses " + String.join(" and ", fields) + ".";
        return new ProblemException(Problem.of(400, "Bad Request", detail, violations), cause);
    }

    private static List<Violation> violations(List<String> fields, String rule, String message) {
        return fields.stream().map(field -> new Violation(field, rule, message)).toList();
    }
}
