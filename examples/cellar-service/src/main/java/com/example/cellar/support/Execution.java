package com.example.cellar.support;

import java.util.Arrays;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The time that a statement takes, with the reading of its rows: what is logged, measured. */
final class Execution {
    private static final Logger LOG = LoggerFactory.getLogger(Sql.class);

    private final String sql;
    private final long begin = System.nanoTime();

    Execution(String sql) {
        this.sql = sql;
    }

    /** Ends it; what is logged has the values only at the level TRACE. */
    void end(Object... values) {
        Measures.statement(sql, begin);
        if (LOG.isDebugEnabled()) {
            String time = String.format(Locale.ROOT, "%.1f", (System.nanoTime() - begin) / 1e6);
            if (LOG.isTraceEnabled()) {
                LOG.trace("{} ms  {}  {}", time, sql.strip(), Arrays.toString(values));
            } else {
                LOG.debug("{} ms  {}", time, sql.strip());
            }
        }
    }
}
