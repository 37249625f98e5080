import java.lang.reflect.RecordComponent;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * How tests get at the rows of a table without its service: how they are listed, and where there are samples, how they
 * are made, found, changed and deleted.
 *
 * @param <R> a row
 * @param <I> what a row is made from
 * @param <K> its key
 */
public final class TestRows<R extends Record, I extends Record, K> {
    private final Class<R> type;
    private final RowRepository<R> repository;
    private final Made<R, I> made;
    private final Keyed<R, K> keyed;
    private final Changed<I, K> changed;
    private final Deletion<K> deletion;
    private final List<String> shared;

    private TestRows(Class<R> type, RowRepository<R> repository, Made<R, I> made, Keyed<R, K> keyed, Changed<I, K> changed,
            Deletion<K> deletion, List<String> shared) {
        this.type = type;
        this.repository = repository;
        this.made = made;
        this.keyed = keyed;
        this.changed = changed;
        this.deletion = deletion;
        this.shared = shared;
    }

    private record Made<R, I>(Function<R, I> input, Sample<I> sample, Insertion<R, I> insertion) {
    }

    private record Keyed<R, K>(Function<R, K> key, Search<R, K> search) {
    }

    private record Changed<I, K>(Sample<I> other, Change<I, K> change) {
    }

    /** What a row can be made from; the rows that it refers to are inserted first. */
    @FunctionalInterface
    public interface Sample<I> {
        I make(Connection connection) throws SQLException;
    }

    /** Stores a row. */
    @FunctionalInterface
    public interface Insertion<R, I> {
        R insert(Connection connection, I input) throws SQLException;
    }

    /** Finds the row with a key. */
    @FunctionalInterface
    public interface Search<R, K> {
        Optional<R> find(Connection connection, K key) throws SQLException;
    }

    /** Changes fields of the row with a key; false if there is none. */
    @FunctionalInterface
    public interface Change<I, K> {
        boolean update(Connection connection, K key, I input, Predicate<String> fields) throws SQLException;
    }

    /** Deletes the row with a key; false if there is none. */
    @FunctionalInterface
    public interface Deletion<K> {
        boolean delete(Connection connection, K key) throws SQLException;
    }

    /** Rows that are there: tests make no others. */
    public static <R extends Record> TestRows<R, R, Void> of(Class<R> type, RowRepository<R> repository) {
        return new TestRows<>(type, repository, null, null, null, null, List.of());
    }

    /** The same, with a key. */
    public <L> TestRows<R, I, L> keyed(Function<R, L> key, Search<R, L> search) {
        return new TestRows<>(type, repository, made, new Keyed<>(key, search), null, null, shared);
    }

    /** The same, where tests make rows. */
    public <J extends Record> TestRows<R, J, K> made(Function<R, J> input, Sample<J> sample, Insertion<R, J> insertion) {
        return new TestRows<>(type, repository, new Made<>(input, sample, insertion), keyed, null, deletion, shared);
    }

    /** The same, where a row can become one that differs from a sample wherever the constraints leave a choice. */
    public TestRows<R, I, K> changed(Sample<I> other, Change<I, K> change) {
        return new TestRows<>(type, repository, made, keyed, new Changed<>(other, change), deletion, shared);
    }

    /** The same, where a row can be deleted. */
    public TestRows<R, I, K> deleted(Deletion<K> deletion) {
        return new TestRows<>(type, repository, made, keyed, changed, deletion, shared);
    }

    /** The same, where a new row can have one of these properties of its key in common with another. */
    public TestRows<R, I, K> sharing(String... properties) {
        return new TestRows<>(type, repository, made, keyed, changed, deletion, List.of(properties));
    }

    Class<R> type() {
        return type;
    }

    /** The rows of a page. */
    List<R> list(Connection connection, PageQuery page) throws SQLException {
        return repository.list(connection, page).rows();
    }

    List<R> all(Connection connection) throws SQLException {
        return list(connection, PageQuery.all());
    }

    long count(Connection connection) throws SQLException {
        return repository.count(connection, Condition.NONE);
    }

    /** A row that is not stored. */
    I sample(Connection connection) throws SQLException {
        return made.sample().make(connection);
    }

    /** A row that is not stored, and differs from a sample. */
    I other(Connection connection) throws SQLException {
        return changed.other().make(connection);
    }

    R insert(Connection connection, I input) throws SQLException {
        return made.insertion().insert(connection, input);
    }

    /** A sample, stored. */
    public R inserted(Connection connection) throws SQLException {
        return insert(connection, sample(connection));
    }

    /** Stores rows beside another one: such that have parts of their keys in common with it, if there can be. */
    void insertBeside(Connection connection, R row) throws SQLException {
        if (shared.isEmpty()) {
            inserted(connection);
        }
        for (String part : shared) {
            I sample = sample(connection);
            @SuppressWarnings("unchecked")
            Class<I> inputType = (Class<I>) sample.getClass();
            insert(connection, InputReader.read(Api.copying(sample, input(row), part), inputType));
        }
    }

    /** What makes a row like this one. */
    I input(R row) {
        return made.input().apply(row);
    }

    boolean isKeyed() {
        return keyed != null;
    }

    /** The parts of a key. */
    Object[] key(R row) {
        K key = keyed.key().apply(row);
        return key instanceof Record composite ? Arrays.stream(composite.getClass().getRecordComponents())
                .map(part -> TestRows.value(composite, part)).toArray() : new Object[] {key};
    }

    /** Where a list goes on after a row, which is the first one of all. */
    Object[] place(R row) {
        return isKeyed() ? key(row) : new Object[] {1L};
    }

    Optional<R> find(Connection connection, R row) throws SQLException {
        return keyed.search().find(connection, keyed.key().apply(row));
    }

    boolean update(Connection connection, R row, I input) throws SQLException {
        return changed.change().update(connection, keyed.key().apply(row), input, Update.ALL);
    }

    boolean delete(Connection connection, R row) throws SQLException {
        return deletion.delete(connection, keyed.key().apply(row));
    }

    /** The value of a component. */
    static Object value(Record row, RecordComponent component) {
        try {
            return component.getAccessor().invoke(row);
        } catch (ReflectiveOperationException e) {
            throw new LinkageError("no value for " + component, e);
        }
    }
}
