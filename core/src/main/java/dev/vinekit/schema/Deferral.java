package dev.vinekit.schema;

/** Whether a constraint may wait for the end of the transaction (ISO/IEC 9075-2, constraint characteristics). */
public enum Deferral {
    NONE(""),
    INITIALLY_IMMEDIATE(" DEFERRABLE"),
    INITIALLY_DEFERRED(" DEFERRABLE INITIALLY DEFERRED");

    private final String sql;

    Deferral(String sql) {
        this.sql = sql;
    }

    /** What follows the constraint in a definition, with a blank before it; empty for none. */
    public String sql() {
        return sql;
    }
}
