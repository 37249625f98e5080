package com.example.cellar.support;

import java.util.List;
import java.util.OptionalLong;

/**
 * The rows of a page.
 *
 * @param total the number of rows on all pages, if the page asks for it
 */
public record FoundRows<T>(List<T> rows, OptionalLong total) {
}
