package com.example.cellar.support;

/**
 * A rule that a request breaks.
 *
 * @param field the JSON property at fault
 * @param rule the kind of rule
 * @param message what the value must be, to follow the name of the field
 */
public record Violation(String field, String rule, String message) {
}
