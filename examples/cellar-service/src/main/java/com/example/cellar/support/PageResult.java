package com.example.cellar.support;

import java.util.List;
import java.util.OptionalLong;

/**
 * The rows of a page.
 *
 * @param more whether the page ends before the last row of all
 * @param total the number of rows on all pages, if the page asks for it
 */
public record PageResult<T>(List<T> rows, boolean more, OptionalLong total) {
    /**
     * The rows, of which all are wanted.
     *
     * @throws ProblemException 400 if they are too large together
     */
    public List<T> whole() {
        if (more) {
            throw ProblemException.malformed(
                    "The rows to include are too large together: ask for fewer rows, by limit or by a filter.");
        }
        return rows;
    }
}
