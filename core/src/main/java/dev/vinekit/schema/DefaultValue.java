package dev.vinekit.schema;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What a column holds if an INSERT says nothing.
 *
 * @param text as the engine writes it
 */
public record DefaultValue(String text, Meaning meaning) {
    /** What a default comes to. */
    public enum Meaning {
        /** No value, spelled out: the same as saying nothing. */
        NOTHING,
        /** The same value for every row. */
        CONSTANT,
        /** The date or time of the INSERT. */
        NOW,
        /** A UUID that no other row has. */
        NEW_UUID,
        /** The next number of a sequence. */
        SEQUENCE,
        /** Something that is worked out. */
        EXPRESSION
    }

    private static final Pattern NOTHING =
            Pattern.compile("(?is)(?:\\(*NULL\\)*(?:::[\\w .\"\\[\\](),]+)?\\)* ?)?(?:ON UPDATE .*)?");
    private static final Pattern ZERO_DATE =
            Pattern.compile("\\(?'(?:0000-\\d\\d-\\d\\d|\\d{4}-00-\\d\\d|\\d{4}-\\d\\d-00)"
            + "|'-?infinity'::(?:date|timestamp)|'24:00(?::00)?'::time|\\(?[+-]?\\d+\\)?$");
    private static final Pattern CONSTANT = Pattern.compile(
            "(?is)\\(?(?:[A-Z ]+ )?(?:[+-]?\\(?[\\d.]+(?:e[+-]?\\d+)?\\)?|[A-Z_]{0,8}'(?:[^'\\\\]|''|\\\\.)*'|\"[^\"]*\"|TRUE|FALSE)\\)?"
                    + "(?:::[\\w .\"\\[\\](),]+)?\\)?");
    private static final Pattern NOW =
            Pattern.compile("(?is)\\(?(?:(?:LOCALTIMESTAMP|LOCALTIME|CURRENT_(?:TIMESTAMP|DATE|TIME))"
            + "(?:\\(\\d*\\))?|(?:now|statement_timestamp|clock_timestamp|sysdate|curdate|curtime)\\(\\d*\\)"
            + "|(?:date|time|datetime)\\('now'\\)|strftime\\(\\s*'%Y-[^']*'\\s*,\\s*'now'\\s*\\)|unixepoch\\((?:'now')?\\))\\)?(?:::[\\w ]+)?(?: ON UPDATE .*)?");
    private static final Pattern NEW_UUID = Pattern.compile(
            "(?is)\\(*(?:uuid_to_bin\\()?(?:\\w+\\.)?(?:gen_random_uuid|uuid_generate_v[14]|uuidv[47]|random_uuid|uuid)\\(\\)\\)*");
    private static final Pattern ON_UPDATE = Pattern.compile("(?i)(?:^|[ )])ON UPDATE [^']*$");
    private static final Pattern SEQUENCE = Pattern.compile("(?is)(?:nextval\\(.*\\)|NEXT VALUE FOR .*)");

    /** Whether a row that is changed takes a value too, unless the change gives one: the time of the change. */
    public boolean isOnUpdate() {
        return ON_UPDATE.matcher(text).find();
    }

    /** What a new row takes, as SQL; empty if it is no value. */
    public Optional<String> onInsert() {
        return isValue() ? Optional.of(ON_UPDATE.matcher(text).replaceFirst("").strip()) : Optional.empty();
    }

    /** Whether a row takes a value from it. */
    public boolean isValue() {
        return meaning != Meaning.NOTHING;
    }

    /**
     * Whether it is, for a date or time, a value that ISO 8601 has no form for: MariaDB's zero dates, PostgreSQL's
     * infinity, a number.
     */
    public boolean isNoDate() {
        return ZERO_DATE.matcher(text).lookingAt();
    }

    /** A default, with what its text means. */
    public static DefaultValue of(String text) {
        Meaning meaning = NOTHING.matcher(text).matches() ? Meaning.NOTHING
                : SEQUENCE.matcher(text).matches() ? Meaning.SEQUENCE
                : NEW_UUID.matcher(text).matches() ? Meaning.NEW_UUID
                : NOW.matcher(text).matches() ? Meaning.NOW
                : CONSTANT.matcher(text).matches() ? Meaning.CONSTANT : Meaning.EXPRESSION;
        return new DefaultValue(text, meaning);
    }
}
