package dev.vinekit.mapping;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Simple names that an entity may not have, since the generated files use types of these names. */
public final class ReservedTypes {
    /** Types of {@code java.lang}, of our own support package, and nested ones. */
    private static final Set<String> NAMES = Set.of("""
            TestInstance ParameterizedTest ValueSource ExtendWith ObjectMapper JsonParser ArrayNode JsonPointer
            JsonGenerator MismatchedInputException UnrecognizedPropertyException InvalidFormatException StdSerializer
            PathHandler HEAD QueryParam UriBuilder NotFoundException NotAllowedException NotSupportedException
            ValidatorFactory NotBlank PlatformResourceBundleLocator
            BigInteger Instant ZoneOffset DateTimeException DateTimeParseException Collection Collections Iterator
            Entry LinkedHashSet UnaryOperator BiFunction Supplier Predicate Stream IntStream Constructor
            InvocationTargetException ParameterizedType BodyPublishers BodyHandlers AtomicLong ConcurrentHashMap
            TimeUnit Files Extension Object String Class System Integer Long Short Byte Character Boolean Float Double
            Number Void Math Iterable Exception RuntimeException Throwable Error Record Enum Override Deprecated
            SuppressWarnings SafeVarargs FunctionalInterface Thread Runnable Process ProcessBuilder Runtime Comparable
            CharSequence StringBuilder StringBuffer Cloneable AutoCloseable Module ModuleLayer Package ClassLoader
            ThreadLocal ThreadGroup StackTraceElement StackWalker StrictMath SecurityManager Compiler ClassValue
            ClassCastException IllegalArgumentException IllegalStateException NullPointerException
            NumberFormatException UnsupportedOperationException IndexOutOfBoundsException InterruptedException
            CloneNotSupportedException ArithmeticException AssertionError LinkageError ExceptionInInitializerError
            NoSuchElementException ReflectiveOperationException SecurityException Readable Appendable Application Main
            Server Settings Transactions Sql Insert Update StoredRow Binary Bytes Coded Json JsonProvider Problem
            ProblemMapper ProblemException Violation Constraint SqlError SqlErrors Columns PageRequest Page Cursor
            Validated Lists OnCreate OnReplace Rules EntryPoint Health MergePatch LinearPattern Framing Connections
            PageFiles PathKeys RowMapper Endpoints InputReader KeyParameters ContractTest ServiceUnderTest TestDatabase
            EmptyDatabase TestValues TestTransaction UnitTransactions TestRow Condition Filters Includes ColumnConverter
            Api Numbers Tables ApiAnswer OrderBy FoundRows RowSelection RowState RowRequest Precondition OneOrMany
            Versioned RequestIds Gate OpenApi AccessRight Requires AccessFilter AccessTokens TestTokens Workers Dispatch
            Exchanges
            """.trim().split("\\s+"));

    private static final Map<String, String> LIBRARY = library();

    private ReservedTypes() {
    }

    public static boolean contains(String simpleName) {
        return NAMES.contains(simpleName) || LIBRARY.containsKey(simpleName) || LIBRARY.containsKey("@" + simpleName);
    }

    /**
     * The types that templates use without their package, by simple name: {@code static a.B.c} for a static method,
     * and both names behind {@code @} for a type that is meant only where it annotates.
     */
    public static Map<String, String> libraryTypes() {
        return LIBRARY;
    }

    private static Map<String, String> library() {
        Map<String, String> types = new TreeMap<>();
        try (InputStream file = ReservedTypes.class.getResourceAsStream("library-types.txt");
                BufferedReader lines = new BufferedReader(new InputStreamReader(file, StandardCharsets.UTF_8))) {
            lines.lines().forEach(line -> types.put(
                    (line.startsWith("@") ? "@" : "") + line.substring(line.lastIndexOf('.') + 1), line));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Map.copyOf(types);
    }
}
