package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Asks a database which rows keep a condition. */
public interface Conditions {
    /** What a database says of a row and a condition. */
    enum Answer {
        /** True, or unknown for want of a value: a check lets both pass. */
        KEEPS,
        /** False. */
        BREAKS,
        /** The row does not fit the columns, or the condition cannot be worked out for it. */
        FAILS
    }

    /**
     * Which rows keep a check of a table.
     *
     * @param condition as the catalog gives it
     * @param rows a text for each field that has a value, binary ones in hexadecimal; other fields are NULL
     * @return an answer for each row
     */
    List<Answer> ask(Entity entity, String condition, List<Map<Field, Optional<String>>> rows);
}
