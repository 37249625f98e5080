package dev.vinekit.mapping;

import dev.vinekit.schema.TableName;
import java.util.List;

/**
 * Something that could not be carried over as it stands, or was named otherwise, and why.
 *
 * @param topic what many remarks may be about
 * @param keys where in the table's entry of the mapping file a person can decide otherwise; empty for nowhere
 * @param value what was decided by rule; empty if only a person can decide
 * @param offered whether the value is a guess that nothing goes by until a person takes it up
 */
public record Remark(TableName table, Topic topic, String text, List<String> keys, String value, boolean offered) {
    public Remark {
        keys = List.copyOf(keys);
    }

    /** Something decided by rule, which a person can decide otherwise. */
    public Remark(TableName table, Topic topic, String text, List<String> keys, String value) {
        this(table, topic, text, keys, value, false);
    }

    /** Something to know, which no decision changes. */
    public Remark(TableName table, Topic topic, String text) {
        this(table, topic, text, List.of(), "");
    }

    /** What remarks are about, those first that a person will want to look at. */
    public enum Topic {
        OFFER("a guess that waits for you to take it up"),
        KEY("no key: rows cannot be read one by one"),
        CHECK("a check is left to the database"),
        TRIGGER("triggers act on rows"),
        DEFAULT("a default is no date"),
        OPERATION("operations that there are not"),
        STORAGE("rows are kept otherwise than usual"),
        TYPE("values are told as the database writes them"),
        REFERENCE("a reference leads out of what was read"),
        CONVERTER("a class of yours converts values"),
        SECRET("values are taken, and not told"),
        OWNER("rows belong to somebody"),
        DELETION("deleted rows stay"),
        PERSONAL("columns that may be about people"),
        VERSION("a column counts the states of a row"),
        NAME("a name gave way");

        private final String words;

        Topic(String words) {
            this.words = words;
        }

        /** What remarks of this sort say, in a few words. */
        public String words() {
            return words;
        }
    }
}
