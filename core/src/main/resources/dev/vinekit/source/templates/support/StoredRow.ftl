import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.lang.reflect.Array;
import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.lang.reflect.RecordComponent;
import java.sql.ResultSet;
import java.sql.SQLDataException;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.OffsetTime;
import java.time.temporal.Temporal;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Makes the rows of a table, also of what others have stored and the type of a field cannot hold: such a field is null,
 * and the log says which one of which row.
 */
public final class StoredRow<T extends Record> implements Sql.RowMapper<T> {
    private static final Logger LOG = LoggerFactory.getLogger(StoredRow.class);
    private static final int MOST_LOGGED = 100;
    private static final int FIRST_ROWS = 16;
    private static final long UNSEEN = PageQuery.MOST_CHARACTERS / FIRST_ROWS;
    private static final Set<Class<?>> LARGE = Set.of(String.class, JsonNode.class, List.class<#if s.binary>, Binary.class</#if>);

    private final Class<T> type;
    private final Sql.RowMapper<T> reader;
    private final List<String> key;
    private final List<String> order;
    private final Set<String> logged;
    private final List<Method> large;

    /** The characters and bytes of the largest row that was seen; before the first what it may have. */
    private final AtomicLong largest;
<#if s.endless>

    /** What the driver gives for infinity, and for the end of a day. */
    private static final Set<Temporal> ENDLESS = Set.of(LocalDate.MIN, LocalDate.MAX, LocalDateTime.MIN, LocalDateTime.MAX,
            OffsetDateTime.MIN, OffsetDateTime.MAX, LocalTime.MAX);
    private final List<Method> moments;
</#if>

    /**
     * For the rows of a table.
     *
     * @param type its components are the columns of the queries, in their order
     * @param reader makes a row, one component after the other
     * @param key the properties that tell rows apart
     */
    public StoredRow(Class<T> type, Sql.RowMapper<T> reader, String... key) {
        this(type, reader, List.of(key), List.of(), ConcurrentHashMap.newKeySet(), large(type), new AtomicLong(UNSEEN));
    }

    private StoredRow(
            Class<T> type, Sql.RowMapper<T> reader, List<String> key, List<String> order, Set<String> logged,
            List<Method> large, AtomicLong largest) {
        this.type = type;
        this.reader = reader;
        this.key = key;
        this.order = order;
        this.logged = logged;
        this.large = large;
        this.largest = largest;
<#if s.endless>
        this.moments = Arrays.stream(type.getRecordComponents()).filter(component -> Temporal.class.isAssignableFrom(component.getType()))
                .map(RecordComponent::getAccessor).toList();
</#if>
    }

    /** What tells the parts that can be large; found once, for each that is found anew is compiled anew. */
    private static List<Method> large(Class<?> type) {
        return Arrays.stream(type.getRecordComponents()).filter(component -> LARGE.contains(component.getType()))
                .map(RecordComponent::getAccessor).toList();
    }

    /** The same for a query that these properties order. */
    StoredRow<T> orderedBy(List<String> properties) {
        return new StoredRow<>(type, reader, key, properties, logged, large, largest);
    }

    /**
     * The row that a result set stands on; null if its key cannot be told, by which it could be asked for.
     *
     * @throws ProblemException 409 if the value that says where it stands in an order cannot be told
     */
    @Override
    public T map(ResultSet row) throws SQLException {
        T mapped;
        try {
            mapped = reader.map(row);
<#if s.endless>
            refuseEndless(mapped);
</#if>
        } catch (SQLException | RuntimeException e) {
            mapped = withoutUnreadable(row, e);
        }
        if (mapped != null) {
            seen(size(mapped));
        }
        return mapped;
    }

<#if s.endless>
    private void refuseEndless(T row) throws SQLException {
        for (Method part : moments) {
            try {
                refuseEndless(part.invoke(row));
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("a record hides " + part, e);
            }
        }
    }

    /** Infinity, and 24:00 as a time of day, have no form in ISO 8601 that clients can read. */
    private static Object refuseEndless(Object value) throws SQLException {
        if (value instanceof Temporal moment && (ENDLESS.contains(moment)
                || moment instanceof OffsetTime time && time.toLocalTime().equals(LocalTime.MAX))) {
            throw new SQLDataException("infinity and 24:00 are not values of " + value.getClass().getSimpleName());
        }
        return value;
    }

</#if>
    private void seen(long size) {
        long before = largest.get();
        if (before == UNSEEN || size > before) {
            largest.accumulateAndGet(size, (known, now) -> known == UNSEEN ? now : Math.max(known, now));
        }
    }

    /** How many rows are to be read at a time, if a query gives so many at most; 0 for all. */
    int rowsAtATime(int most) {
        long size = largest.get();
        return size * most <= PageQuery.MOST_CHARACTERS ? 0 : (int) Math.max(1, PageQuery.MOST_CHARACTERS / size);
    }

    /** About how many characters and bytes a row has. */
    long size(T row) {
        long size = 1;
        for (Method part : row == null ? List.<Method>of() : large) {
            try {
                size += size(part.invoke(row));
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("a record hides " + part, e);
            }
        }
        return size;
    }

    private static long size(Object value) {
        if (value instanceof CharSequence text) {
            return text.length();
<#if s.binary>
        } else if (value instanceof Binary binary) {
            return binary.length();
</#if>
        } else if (value instanceof JsonNode json && json.isValueNode()) {
            return json.asText().length();
        }
        long size = 1;
        for (Object part : value instanceof Iterable<?> parts ? parts : List.of()) {
            size += size(part);
        }
        return size;
    }

    private T withoutUnreadable(ResultSet row, Exception first) throws SQLException {
        LenientRow columns = new LenientRow(row);
        ResultSet readable = (ResultSet) Proxy.newProxyInstance(
                StoredRow.class.getClassLoader(), new Class<?>[] {ResultSet.class}, columns);
        Exception failure = first;
        for (int i = 0; i <= type.getRecordComponents().length; i++) {
            try {
                T mapped = reader.map(readable);
                return known(mapped, columns.unreadable);
            } catch (ProblemException e) {
                throw e;
            } catch (SQLException | RuntimeException e) {
                columns.leaveOutLast(e);
                failure = e;
            }
        }
        throw new SQLException("a row of " + type.getSimpleName() + " cannot be read", failure);
    }

    private T known(T mapped, Set<Integer> unreadable) {
        List<String> properties = Json.properties(type);
        ObjectNode values = Json.tree(mapped);
        String where = key.stream().map(part -> part + " " + values.path(part)).collect(Collectors.joining(", "));
        for (int column : unreadable) {
            RecordComponent component = type.getRecordComponents()[column - 1];
            if (logged.size() < MOST_LOGGED && logged.add(column + " " + where)) {
                LOG.warn("A {} ({}) holds something in {} that no {} can tell: it is answered as null, and kept. "
                                + "To see it as it is, map the column as a String.{}", type.getSimpleName(), where,
                        component.getName(), component.getType().getSimpleName(),
                        logged.size() < MOST_LOGGED ? "" : " No more of this table is logged.");
            }
            if (order.contains(properties.get(column - 1)) && !key.contains(properties.get(column - 1))) {
                throw ProblemException.unsortable(properties.get(column - 1), where);
            }
        }
        return unreadable.stream().anyMatch(column -> key.contains(properties.get(column - 1))) ? null : mapped;
    }

    /** The columns of a row without those that could not be read. */
    private static final class LenientRow implements InvocationHandler {
        private final ResultSet row;
        private final Set<Integer> unreadable = new TreeSet<>();
        private int last;

        private LenientRow(ResultSet row) {
            this.row = row;
        }

        /** Takes the failure to be about the column read last, unless that cannot be had as text either. */
        private void leaveOutLast(Exception failure) throws SQLException {
            try {
                row.getString(Math.max(last, 1));
            } catch (SQLException e) {
                e.addSuppressed(failure);
                throw e;
            }
            unreadable.add(last);
        }

        @Override
        public Object invoke(Object proxy, Method method, Object[] arguments) throws Throwable {
            if (arguments != null && arguments[0] instanceof Integer column) {
                last = column;
            }
            boolean empty = unreadable.contains(last);
            if (empty && method.getName().equals("wasNull")) {
                return true;
            } else if (empty) {
                return method.getReturnType().isPrimitive() ? Array.get(Array.newInstance(method.getReturnType(), 1), 0) : null;
            }
            try {
                return <#if s.endless>refuseEndless(method.invoke(row, arguments))<#else>method.invoke(row, arguments)</#if>;
            } catch (InvocationTargetException e) {
                throw e.getCause();
            }
        }
    }
}
