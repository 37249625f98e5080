package dev.vinekit.diagram;

import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.util.Set;
import java.util.function.Function;

/** A picture of a schema: its tables with their columns, and how they hang together. */
public final class SchemaDiagram {
    private SchemaDiagram() {
    }

    /**
     * Draws a schema as an SVG image that needs nothing else. Of many tables only the keys are shown. The same schema
     * always gives the same text.
     *
     * @param chosen the tables to show in full, among those that they are tied to; all tables if empty
     */
    public static String svg(Schema schema, Set<TableName> chosen) {
        return svg(schema, chosen, table -> "");
    }

    /**
     * Draws a schema as {@link #svg(Schema, Set)} does, for a page: each table leads to a place of its own.
     *
     * @param places the URL of a table's place; empty for none
     */
    public static String svg(Schema schema, Set<TableName> chosen, Function<TableName, String> places) {
        return SvgWriter.write(Arrangement.of(Contents.of(schema, chosen)), places);
    }
}
