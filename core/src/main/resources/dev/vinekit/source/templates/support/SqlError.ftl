import java.sql.SQLException;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty, for no standard says where it stands
 */
public record SqlError(Kind kind, String constraint) {
    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; SQL states as several engines use them beyond the class 23 of the standard. */
    public static SqlError of(SQLException error) {
        String state = String.valueOf(error.getSQLState());
        return new SqlError(switch (state) {
            case "23505" -> Kind.DUPLICATE;
            case "23503", "23504", "23506", "23001" -> Kind.REFERENCE;
            case "23502" -> Kind.VALUE;
            case "40001", "40P01" -> Kind.COLLISION;
            default -> state.startsWith("08") ? Kind.UNAVAILABLE : state.startsWith("23") ? Kind.CHECK : state.startsWith("22") ? Kind.VALUE : Kind.OTHER;
        }, "");
    }
}
