package dev.vinekit.diagram;

import java.util.List;

/**
 * What ties two boxes: a reference, from columns to a key, or that a view reads a table.
 *
 * @param from the one that refers or reads
 * @param columns those that refer; empty for a view
 * @param targets those referred to
 * @param many whether several rows may refer to the same one
 * @param optional whether a row may refer to none
 */
record Line(Box from, List<String> columns, Box to, List<String> targets, boolean many, boolean optional,
        String tooltip) {
    /** Whether a view reads the table, which is no reference. */
    boolean reads() {
        return columns.isEmpty();
    }
}
