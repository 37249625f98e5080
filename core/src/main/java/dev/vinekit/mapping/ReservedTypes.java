package dev.vinekit.mapping;

import java.util.Set;

/** Simple names that an entity may not have, since the generated files use types of these names. */
public final class ReservedTypes {
    private static final Set<String> NAMES = Set.of("""
            Test TestInstance Tag RegisterExtension ParameterizedTest ValueSource ExtendWith JsonNode ObjectNode
            ObjectMapper JsonMapper JsonParser JsonProcessingException ArrayNode JsonCreator JsonValue JsonPointer
            JavaTimeModule SerializationFeature DeserializationFeature MapperFeature StreamReadFeature JsonGenerator
            MismatchedInputException UnrecognizedPropertyException InvalidFormatException StdSerializer HikariConfig
            HikariDataSource Logger LoggerFactory Undertow UndertowOptions Handlers PathHandler Response Path GET POST
            PUT PATCH DELETE HEAD Produces Consumes PathParam QueryParam Context UriInfo UriBuilder Encoded MediaType
            MultivaluedMap ExceptionMapper Provider MessageBodyReader MessageBodyWriter HttpHeaders
            WebApplicationException NotFoundException NotAllowedException NotSupportedException HttpMethod
            ParamConverter ParamConverterProvider ResteasyDeployment ResteasyDeploymentImpl HttpServletDispatcher
            HttpServlet30Dispatcher ServletInfo DeploymentInfo DeploymentManager Servlets ServletContext Validator
            ValidatorFactory Validation ConstraintViolation Default Null NotNull Size DecimalMin DecimalMax Digits
            Pattern Min Max NotBlank ParameterMessageInterpolator PlatformResourceBundleLocator HibernateValidator
            BigDecimal BigInteger UUID LocalDate LocalTime LocalDateTime OffsetDateTime OffsetTime Instant ZoneOffset
            Duration DateTimeException DateTimeParseException Connection PreparedStatement ResultSet SQLException
            DataSource Statement DriverManager ResultSetMetaData List Map Set Optional Arrays Collection Collections
            Objects Base64 Locale ArrayList HashMap LinkedHashMap Iterator Entry TreeMap HashSet LinkedHashSet
            Comparator Function UnaryOperator BiFunction Supplier Consumer Predicate Stream Collectors IntStream
            StandardCharsets InputStream OutputStream IOException UncheckedIOException Annotation Type RecordComponent
            Constructor Method InvocationTargetException ParameterizedType HttpClient HttpRequest HttpResponse
            BodyPublishers BodyHandlers URI URLEncoder URLDecoder InetSocketAddress BindException AtomicInteger
            AtomicLong ConcurrentHashMap TimeUnit Matcher Files AfterEachCallback AfterAllCallback BeforeAllCallback
            BeforeEachCallback ExtensionContext Extension Object String Class System Integer Long Short Byte Character
            Boolean Float Double Number Void Math Iterable Exception RuntimeException Throwable Error Record Enum
            Override Deprecated SuppressWarnings SafeVarargs FunctionalInterface Thread Runnable Process
            ProcessBuilder Runtime Comparable CharSequence StringBuilder StringBuffer Cloneable AutoCloseable Module
            ModuleLayer Package ClassLoader ThreadLocal ThreadGroup StackTraceElement StackWalker StrictMath
            SecurityManager Compiler ClassValue ClassCastException IllegalArgumentException IllegalStateException
            NullPointerException NumberFormatException UnsupportedOperationException IndexOutOfBoundsException
            InterruptedException CloneNotSupportedException ArithmeticException AssertionError LinkageError
            ExceptionInInitializerError NoSuchElementException ReflectiveOperationException SecurityException Readable
            Appendable Application Main Server Settings Transactions Sql Insert Binary Coded Json JsonProvider Problem
            ProblemMapper ProblemException Violation Constraint SqlErrors PageRequest Page Cursor Validated OnCreate
            OnReplace Rules EntryPoint Health MergePatch PathKeys KeyReader TimeParameters RowMapper Endpoints
            InputReader ServiceUnderTest TestDatabase TestTransaction TestRow Api ApiAnswer Numbers SeedRows Tables
            """.trim().split("\\s+"));

    private ReservedTypes() {
    }

    public static boolean contains(String simpleName) {
        return NAMES.contains(simpleName);
    }
}
