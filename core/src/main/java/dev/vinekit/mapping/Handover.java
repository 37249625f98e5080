package dev.vinekit.mapping;

/**
 * How the database is told who the caller is, for row policies of its own.
 *
 * @param sql the statement that says it while a transaction lasts; its one parameter is the value of the claim
 * @param claim the name of the claim
 */
public record Handover(String sql, String claim) {
}
