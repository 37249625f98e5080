package dev.vinekit.scratch;

import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.Dialect;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;

/** Values that were read as texts. */
final class ReadValues {
    private ReadValues() {
    }

    /** A value as a constant: times as the database told them, without an offset perhaps. */
    static String literal(Dialect dialect, SqlType type, String text) {
        return switch (type.kind()) {
            case TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE, SET -> Dialect.quoteLiteral(text);
            case BINARY -> dialect.literal(type, text.startsWith("\\x") ? text.substring(2)
                    : HexFormat.of().formatHex(text.getBytes(StandardCharsets.ISO_8859_1)));
            case ARRAY -> text.startsWith("{") ? Dialect.quoteLiteral(text) : "NULL";
            default -> dialect.literal(type, text);
        };
    }
}
