package dev.vinekit.sql;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.util.List;
import java.util.Optional;

/** How one engine spells the SQL of a generated service. */
public interface Dialect {
    /** The identifier as a statement must spell it: quoted exactly when the engine needs it. */
    String identifier(String name);

    /** The table as a statement must spell it: with its schema unless that is the default one. */
    default String table(TableName name, String defaultSchema) {
        return name.schema().isEmpty() || name.schema().equals(defaultSchema)
                ? identifier(name.name())
                : identifier(name.schema()) + "." + identifier(name.name());
    }

    /** The meaning of a check expression as the catalog gives it. */
    Expression parseCheck(String expression);

    /** Whether what a transaction did to a table can be taken back. */
    default boolean isTransactional(Table table) {
        return true;
    }

    /** Whether two texts in a column are equal, or match a pattern, only if they are the same letter for letter. */
    default boolean comparesExactly(Table table, Column column) {
        return true;
    }

    /**
     * The condition that a text in a column is a parameter letter for letter; nothing where {@code =} says so already.
     *
     * @param sqlName the column as SQL spells it
     * @param marker the parameter marker
     */
    default Optional<String> exactly(Table table, Column column, String sqlName, String marker) {
        return comparesExactly(table, column) ? Optional.empty()
                : Optional.of("CAST(" + sqlName + " AS VARCHAR) = CAST(" + marker + " AS VARCHAR)");
    }

    /** What makes a SELECT keep others from changing its row until the transaction ends, but not from reading it so too. */
    default String sharedLock() {
        return lock().strip();
    }

    /**
     * The statement that gives a setting of one's own a value, its one parameter, until the transaction ends; empty if the
     * database has no such settings.
     */
    default Optional<String> setting(String name) {
        return Optional.empty();
    }

    /** The time of the database's clock, for a column of a type. */
    default String now(SqlType type) {
        return type.kind() == SqlType.Kind.DATE ? "CURRENT_DATE" : "CURRENT_TIMESTAMP";
    }

    /** Whether LIKE tells capitals from small letters in a column. */
    default boolean likeTellsCase(Table table, Column column) {
        return comparesExactly(table, column);
    }

    /**
     * Whether the driver, asked for the Java type of values of this type, gives it as it is stored or refuses to;
     * otherwise the engine's own {@code Columns} reads them.
     */
    default boolean readsTyped(SqlType type) {
        return true;
    }

    /** The parameter marker for a value of this type that is given as text. */
    default String parameterOfText(SqlType type) {
        return parameter(type);
    }

    /** Whether a column can hold values of its type only. */
    default boolean keepsTypes(Table table, Column column) {
        return true;
    }

    /** Whether the engine made up the name of a constraint, so that another database may call something else by it. */
    default boolean isEnginesOwn(String constraint) {
        return false;
    }

    /** What the database calls a key when it refuses a row on account of it. */
    default String reported(Table table, UniqueKey key) {
        return key.name();
    }

    /** Whether the database says which key a row that it refuses would repeat. */
    default boolean reportsKeys() {
        return true;
    }

    /** Whether the database says which check of a domain a row breaks. */
    default boolean reportsDomainChecks() {
        return true;
    }

    /** What the database calls a check when it refuses a row on account of it. */
    default String reported(Check check) {
        return check.name();
    }

    /** The parameter marker for a value of this type. */
    String parameter(SqlType type);

    /** A parameter marker for a value of a column. */
    default String parameter(Column column) {
        return parameter(column.type());
    }

    /**
     * A parameter marker in a comparison with a column, so that less and more are what ORDER BY makes of them.
     *
     * @param parameter the marker for a value of this type
     */
    default String compared(SqlType type, String parameter) {
        return parameter;
    }

    /**
     * A constant of this type.
     *
     * @param value the value as text: a number, ISO 8601 for times, hexadecimal for binary, else the text itself
     */
    String literal(SqlType type, String value);

    /** A constant for a column; the value as for {@link #literal(SqlType, String)}. */
    default String literal(Column column, String value) {
        return literal(column.type(), value);
    }

    /** How a SELECT spells a column so that its value comes as the Java type that it is mapped to. */
    default String selected(SqlType type, String column) {
        return column;
    }

    /** What {@link #selected} is in a list of columns, where its name must not hide the column from ORDER BY. */
    default String inSelectList(SqlType type, String column) {
        return selected(type, column);
    }

    /**
     * The parameter marker that makes of a UUID the 16 bytes that a column keeps; empty if the engine is not known to
     * have one.
     */
    default Optional<String> parameterOfUuidInBytes() {
        return Optional.empty();
    }

    /** A column of 16 bytes as a SELECT spells it to have them as a UUID. */
    default String selectedUuidInBytes(String column) {
        return column;
    }

    /** Whether the driver, asked for a UUID, makes one of {@link #selectedUuidInBytes}; otherwise it is read as text. */
    default boolean readsUuids() {
        return true;
    }

    /** Bytes as the digits of a constant, also those of a UUID, which is written with hyphens. */
    static String hex(String value) {
        return value.replace("-", "");
    }

    /** Whether values that are made of many, of arrays for instance, are read and written as lists. */
    default boolean hasLists() {
        return false;
    }

    /** A value of any type as a text that is the same for the same value. */
    default String asText(SqlType type, String column) {
        return "CAST(" + column + " AS VARCHAR)";
    }

    /** Whether a client can write values of this type, perhaps as text. */
    default boolean isWritable(SqlType type) {
        return switch (type.kind()) {
            case BIT, INTERVAL, NETWORK, RANGE, GEOMETRY, OTHER -> !sampleTexts(type).isEmpty();
            case ARRAY, SET -> hasLists() && type.members().isPresent();
            default -> true;
        };
    }

    /**
     * Two texts that a column of this type takes and gives back the same, for a type that has no Java counterpart and
     * that the engine casts from text and to text; empty for others.
     */
    default List<String> sampleTexts(SqlType type) {
        return List.of();
    }

    /** Whether plain JDBC reads the texts of a column as bytes, because of its character set. */
    default boolean readsAsBytes(Table table, Column column) {
        return false;
    }

    /** Whether a column of this type stores a text that reads as a number as that number. */
    default boolean makesNumbersOfTexts(SqlType type) {
        return false;
    }

    /** What follows the table in an INSERT that gives no value at all. */
    default String insertOfDefaults() {
        return "DEFAULT VALUES";
    }

    /** Whether an INSERT can answer with the row that it stored; otherwise the driver is asked for it. */
    default boolean returnsRows() {
        return true;
    }

    /**
     * Whether the row that an INSERT stored is read by its key afterwards, for neither the statement answers with it nor
     * the driver.
     */
    default boolean readsBack() {
        return false;
    }

    /** Whether rows of values can be compared with {@code >}. */
    default boolean comparesRows() {
        return true;
    }

    /** Whether rows without a value come before others in ascending order, and after them in descending order. */
    default boolean sortsNullsFirst() {
        return false;
    }

    /**
     * What keeps the rows of a query from being changed by others until the transaction ends; empty if a transaction
     * that writes keeps all others out anyway.
     */
    default String lock() {
        return "FOR UPDATE";
    }

    /** What keeps a query to a number of rows, a parameter. */
    default String limit() {
        return "LIMIT ?";
    }

    /** What makes a query give a number of rows after leaving out others; the parameters in the order of the text. */
    default String page() {
        return "LIMIT ? OFFSET ?";
    }

    /** The condition that a column has the value of a parameter, or is NULL if that is. */
    default String isSame(SqlType type, String column, String parameter) {
        return column + " IS NOT DISTINCT FROM " + parameter;
    }

    /**
     * Whether values of a type of the engine's own can be compared and sorted, though nothing says that a key may have
     * them.
     */
    default boolean isComparable(SqlType type) {
        return type.isScalar() && type.kind() != SqlType.Kind.OTHER;
    }

    /**
     * A text that a column of this type takes and gives back the same for every number: {@code #} stands for the
     * number, and {@code ##} for its last two digits; empty for types that have samples of their own.
     */
    default Optional<String> numberedText(SqlType type) {
        return Optional.empty();
    }

    /** The statements that make the tables and views of a schema in an empty database, one script. */
    String definition(Schema schema);

    /**
     * The script that takes a database of this engine from one state of its schema to another; empty if nothing has
     * changed.
     */
    ChangeScript changes(SchemaDifference difference);

    /** A regular expression of the engine as Java understands it; empty if it might mean something else there. */
    default Optional<String> javaRegex(String pattern) {
        return Optional.of(pattern);
    }

    /**
     * Whether in regular expressions a point stands for line ends too, and {@code $} for the very end of a text only.
     */
    default boolean regexIsWhole() {
        return false;
    }

    /**
     * The years that come back as they were.
     *
     * @param ofDates the last of dates
     * @param ofMoments the last of dates with a time
     * @param endless whether the driver takes the least and greatest values of Java's types for infinity
     */
    record Years(int ofDates, int ofMoments, boolean endless) {
    }

    /** The last years; from 1 to 9999 every reader knows them (ISO 8601). */
    default Years years() {
        return new Years(9999, 9999, false);
    }

    /** Whether numbers in documents come back as the doubles nearest to them. */
    default boolean roundsDocuments() {
        return false;
    }

    /** Whether a document that is a number, and not an object or an array, is stored as a number of SQL. */
    default boolean roundsLoneNumbers() {
        return false;
    }

    /** Whether a column of floating numbers keeps a value that is none: an infinity, or what is not a number. */
    default boolean keeps(double oddNumber) {
        return true;
    }

    /**
     * Whether the driver reads some rows of a query at a time only in a transaction, and all of them at once otherwise.
     */
    default boolean cursorsInTransactions() {
        return false;
    }

    /** How an insert may name a value for a column that always numbers itself; empty if nothing is needed. */
    default String overridingIdentity() {
        return "";
    }

    /**
     * What surrounds inserts into tables whose rows must refer to each other: statements before and after them, each
     * with its semicolon and line end; empty if the engine knows no way.
     */
    default Optional<Postponing> postponing(List<String> tables) {
        return Optional.empty();
    }

    /** Statements between which references are not checked row by row. */
    record Postponing(String before, String after) {
    }

    /**
     * A statement after which rows are numbered from the greatest number that is there, for a column of few numbers;
     * empty if the engine has none.
     */
    default Optional<String> continueSmallIdentity(String table, Column column) {
        return Optional.empty();
    }

    /** The statement that makes a numbered column go on from this number; empty if it does so by itself. */
    default Optional<String> restartIdentity(String table, Column column, long next) {
        return Optional.empty();
    }

    /** The same for a column whose least number may be greater than this one. */
    default Optional<String> restartLimitedIdentity(String table, Column column, long next) {
        return restartIdentity(table, column, next);
    }

    /** The statement of standard SQL that makes an identity column go on from this number. */
    default Optional<String> standardRestart(String table, Column column, long next) {
        return Optional.of("ALTER TABLE " + table + " ALTER COLUMN " + identifier(column.name())
                + " RESTART WITH " + next);
    }

    /** A literal in single quotes as in ISO/IEC 9075-2: quotes doubled, nothing else changed. */
    static String quoteLiteral(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    /** An identifier in double quotes as in ISO/IEC 9075-2: quotes doubled, nothing else changed. */
    static String quoteIdentifier(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
