package com.example.cellar.support;

import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    private static final String NAME = "(\"(?:[^\"]|\"\")*\"|[^\\s\".(]+)";
    /** A key is told as in SQL, behind its schema. */
    private static final Pattern KEY = Pattern.compile("^(?:" + NAME + "\\.)?" + NAME);

    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or
     * procedure; a collision is with other transactions. Gone is a server that ends the connection, a standby one that
     * does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE,
            OTHER }

    /** Reads an error; codes as in {@code org.h2.api.ErrorCode}. */
    public static SqlError of(SQLException error) {
        Kind kind = switch (error.getErrorCode()) {
            case 23505 -> Kind.DUPLICATE;
            case 23506 -> Kind.REFERENCE;
            case 23503 -> Kind.REFERRED;
            case 23513, 23514 -> Kind.CHECK;
            case 23502 -> Kind.VALUE;
            case 40001, 50200, 90131 -> Kind.COLLISION;
            case 57014, 90007, 90020, 90028, 90067, 90098, 90121 -> Kind.UNAVAILABLE;
            default -> error.getErrorCode() / 1000 == 22 ? Kind.VALUE : Kind.OTHER;
        };
        return new SqlError(kind, name(kind, String.valueOf(error.getMessage())));
    }

    /** An H2 message quotes the name and what follows it; quotes in that are doubled. */
    private static String name(Kind kind, String message) {
        String text = message.substring(message.indexOf('"') + 1).replace("\"\"", "\"");
        if (kind != Kind.DUPLICATE) {
            return text.split(": ", 2)[0];
        }
        Matcher key = KEY.matcher(text);
        String name = key.find() ? key.group(2) : "";
        return name.startsWith("\"") ? name.substring(1, name.length() - 1).replace("\"\"", "\"") : name;
    }
}
