package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Documents for columns with an index over the elements of an array (MySQL calls it multi-valued): such a column takes
 * arrays and single values of the index's type, and refuses objects.
 */
final class IndexedDocuments {
    /** As the catalog prints it: the whole document, not a part of it. */
    private static final Pattern ELEMENTS = Pattern.compile("\\bcast\\(`((?:[^`]|``)+)` as (\\w+)[^`]* array\\)",
            Pattern.CASE_INSENSITIVE);

    private IndexedDocuments() {
    }

    /** A document for a column; empty if no index is over the elements of the column's documents. */
    static Optional<Sample> of(Entity entity, Field field, boolean other, boolean numbered) {
        return entity.table().indexes().stream().flatMap(index -> index.definition().stream())
                .map(ELEMENTS::matcher).filter(Matcher::find)
                .filter(elements -> elements.group(1).replace("``", "`").equals(field.column().name()))
                .findFirst().map(elements -> document(elements.group(2), other, numbered));
    }

    private static Sample document(String type, boolean other, boolean numbered) {
        String array = switch (type.toLowerCase(Locale.ROOT)) {
            case "char", "binary" -> numbered ? "[\"#\"]" : other ? "[\"b\"]" : "[\"a\", \"c\"]";
            case "date" -> other ? "[\"2021-04-01\"]" : "[\"2021-03-01\", \"2021-05-01\"]";
            case "time" -> other ? "[\"14:30:00\"]" : "[\"08:30:00\", \"20:30:00\"]";
            case "datetime" -> other ? "[\"2021-04-01 14:30:00\"]" : "[\"2021-03-01 08:30:00\", \"2021-05-01 20:30:00\"]";
            default -> numbered ? "[#]" : other ? "[2]" : "[1, 3]";
        };
        return numbered && array.contains("#") ? new Sample.NumberedDocument(array) : new Sample.Document(array);
    }
}
