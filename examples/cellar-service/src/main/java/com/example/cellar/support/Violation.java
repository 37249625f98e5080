package com.example.cellar.support;

/**
 * A field at fault.
 *
 * @param field the JSON property; in an array of rows behind the number of its element, as in {@code [2].name}
 * @param rule the name of the rule that it breaks
 * @param message what it must be, to follow the field's name
 */
public record Violation(String field, String rule, String message) {
    /** The same in an element of an array. */
    Violation in(String element) {
        return new Violation(element + "." + field, rule, message);
    }
}
