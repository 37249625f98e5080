package dev.vinekit.schema;

import java.util.List;

/**
 * The query behind a view.
 *
 * @param sql as the engine keeps it; empty if the engine does not tell
 * @param reads tables and views that the query names
 */
public record ViewQuery(String sql, List<TableName> reads) {
    public ViewQuery {
        reads = List.copyOf(reads);
    }
}
