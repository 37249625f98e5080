import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import io.undertow.Undertow;
import io.undertow.server.HttpHandler;
import io.undertow.server.handlers.BlockingHandler;
import io.undertow.servlet.Servlets;
import io.undertow.servlet.api.DeploymentInfo;
import io.undertow.servlet.api.DeploymentManager;
import io.undertow.util.Headers;
import jakarta.validation.Validation;
import jakarta.validation.Validator;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DefaultValue;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.NotFoundException;
import jakarta.ws.rs.BadRequestException;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.PathParam;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.QueryParam;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.EntityTag;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.MultivaluedMap;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;
import jakarta.ws.rs.ext.MessageBodyReader;
import jakarta.ws.rs.ext.MessageBodyWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.annotation.Annotation;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import org.hibernate.validator.messageinterpolation.ParameterMessageInterpolator;
import org.jboss.resteasy.core.ResteasyDeploymentImpl;
import org.jboss.resteasy.plugins.server.servlet.HttpServlet30Dispatcher;
import org.jboss.resteasy.spi.ResteasyDeployment;

/**
 * The vessel transfers of the cellar, written by hand: as a Jakarta REST resource on the same server ({@code twin}),
 * and as a handler of the bare server ({@code bare}). Both read one row, list 50 and create one. The environment says
 * which database and port, as for the generated service.
 */
public final class HttpBench {
    private static final ObjectMapper JSON = new ObjectMapper().registerModule(new JavaTimeModule())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS);
    private static final String COLUMNS = "id, \"from\", \"to\", litres, moved_at, moved_by, reason";
    private static final String READ = "SELECT " + COLUMNS + " FROM vessel_transfer WHERE id = ?";
    private static final String FIRST_PAGE = "SELECT " + COLUMNS + " FROM vessel_transfer ORDER BY id LIMIT ?";
    private static final String NEXT_PAGE = "SELECT " + COLUMNS
            + " FROM vessel_transfer WHERE id > ? ORDER BY id LIMIT ?";
    private static final String INSERT
            = "INSERT INTO vessel_transfer (\"from\", \"to\", litres, moved_at, moved_by, reason) VALUES (?, ?, ?, ?, ?, ?)";

    record Transfer(
            long id, int from, int to, BigDecimal litres, LocalDateTime movedAt, int movedBy, String reason) {
    }

    record NewTransfer(
            @NotNull Integer from,
            @NotNull Integer to,
            @NotNull @DecimalMin(value = "0", inclusive = false) @Digits(integer = 7, fraction = 2) BigDecimal litres,
            @NotNull LocalDateTime movedAt,
            @NotNull Integer movedBy,
            @Size(max = 200) String reason) {
    }

    public static void main(String[] arguments) throws Exception {
        String engine = System.getenv("DB_URL").split(":")[1];
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(System.getenv("DB_URL"));
        config.setUsername(System.getenv("DB_USER"));
        config.setPassword(System.getenv("DB_PASSWORD"));
        config.setMaximumPoolSize(10);
        Store store = new Store(new HikariDataSource(config), engine.startsWith("m") ? "`" : "\"", switch (engine) {
            case "h2" -> "SELECT " + COLUMNS + " FROM FINAL TABLE (" + INSERT + ")";
            case "mysql" -> INSERT;
            default -> INSERT + " RETURNING " + COLUMNS;
        });
        HttpHandler handler = arguments[0].equals("twin") ? resteasy(new TransferResource(store)) : new Bare(store);
        Undertow.builder().addHttpListener(Integer.parseInt(System.getenv("HTTP_PORT")), "localhost")
                .setWorkerThreads(64).setHandler(handler).build().start();
    }

    /** @param quote what names stand in; with MySQL, which returns no rows, the one that was inserted is read by its key */
    record Store(HikariDataSource pool, String quote, String insert) {
        private PreparedStatement prepared(Connection connection, String sql) throws SQLException {
            return connection.prepareStatement(sql.replace("\"", quote));
        }

        Transfer read(long id) throws SQLException {
            try (Connection connection = pool.getConnection();
                    PreparedStatement statement = prepared(connection, READ)) {
                statement.setLong(1, id);
                try (ResultSet row = statement.executeQuery()) {
                    return row.next() ? transfer(row) : null;
                }
            }
        }

        List<Transfer> list(long after, int limit) throws SQLException {
            try (Connection connection = pool.getConnection();
                    PreparedStatement statement = prepared(connection, after == 0 ? FIRST_PAGE : NEXT_PAGE)) {
                if (after > 0) {
                    statement.setLong(1, after);
                }
                statement.setInt(after == 0 ? 1 : 2, limit);
                try (ResultSet row = statement.executeQuery()) {
                    List<Transfer> rows = new ArrayList<>();
                    while (row.next()) {
                        rows.add(transfer(row));
                    }
                    return rows;
                }
            }
        }

        Transfer create(NewTransfer input) throws SQLException {
            try (Connection connection = pool.getConnection()) {
                connection.setAutoCommit(false);
                try (PreparedStatement statement = insert.equals(INSERT)
                        ? connection.prepareStatement(insert.replace("\"", quote), Statement.RETURN_GENERATED_KEYS)
                        : prepared(connection, insert)) {
                    statement.setInt(1, input.from());
                    statement.setInt(2, input.to());
                    statement.setBigDecimal(3, input.litres());
                    statement.setObject(4, input.movedAt());
                    statement.setInt(5, input.movedBy());
                    statement.setString(6, input.reason());
                    Transfer created = insert.equals(INSERT) ? numbered(connection, statement) : returned(statement);
                    connection.commit();
                    return created;
                } catch (SQLException e) {
                    connection.rollback();
                    throw e;
                }
            }
        }

        private static Transfer returned(PreparedStatement statement) throws SQLException {
            try (ResultSet row = statement.executeQuery()) {
                row.next();
                return transfer(row);
            }
        }

        private Transfer numbered(Connection connection, PreparedStatement insert) throws SQLException {
            insert.executeUpdate();
            try (ResultSet key = insert.getGeneratedKeys(); PreparedStatement read = prepared(connection, READ)) {
                key.next();
                read.setLong(1, key.getLong(1));
                return returned(read);
            }
        }

        private static Transfer transfer(ResultSet row) throws SQLException {
            return new Transfer(row.getLong(1), row.getInt(2), row.getInt(3), row.getBigDecimal(4),
                    row.getObject(5, LocalDateTime.class), row.getInt(6), row.getString(7));
        }
    }

    static String tag(byte[] json) {
        try {
            return Base64.getUrlEncoder().withoutPadding()
                    .encodeToString(MessageDigest.getInstance("SHA-256").digest(json));
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The bare server: no routing, no negotiation, no entity tags. */
    record Bare(Store store) implements HttpHandler {
        @Override
        public void handleRequest(io.undertow.server.HttpServerExchange exchange) throws Exception {
            new BlockingHandler(this::answer).handleRequest(exchange);
        }

        private void answer(io.undertow.server.HttpServerExchange exchange) throws Exception {
            String path = exchange.getRelativePath().substring("/api/vessel-transfers".length());
            Object body;
            if (exchange.getRequestMethod().toString().equals("POST")) {
                body = store.create(JSON.readValue(exchange.getInputStream(), NewTransfer.class));
                exchange.setStatusCode(201);
            } else if (path.isEmpty()) {
                body = store.list(0, 50);
            } else {
                body = store.read(Long.parseLong(path.substring(1)));
            }
            exchange.getResponseHeaders().put(Headers.CONTENT_TYPE, "application/json");
            exchange.getResponseSender().send(java.nio.ByteBuffer.wrap(JSON.writeValueAsBytes(body)));
        }
    }

    private static HttpHandler resteasy(Object resource) throws Exception {
        ResteasyDeployment deployment = new ResteasyDeploymentImpl();
        deployment.setResources(List.of(resource));
        deployment.setProviders(List.of(new Json()));
        DeploymentInfo info = Servlets.deployment().setDeploymentName("twin").setContextPath("/api")
                .setClassLoader(HttpBench.class.getClassLoader())
                .addServletContextAttribute(ResteasyDeployment.class.getName(), deployment)
                .addServlet(Servlets.servlet(HttpServlet30Dispatcher.class).setAsyncSupported(true).addMapping("/*"));
        DeploymentManager manager = Servlets.defaultContainer().addDeployment(info);
        manager.deploy();
        return io.undertow.Handlers.path().addPrefixPath("/api", manager.start());
    }

    @Path("vessel-transfers")
    @Produces(MediaType.APPLICATION_JSON)
    public static final class TransferResource {
        private final Validator validator = Validation.byDefaultProvider().configure()
                .messageInterpolator(new ParameterMessageInterpolator()).buildValidatorFactory().getValidator();
        private final Store store;

        TransferResource(Store store) {
            this.store = store;
        }

        @GET
        public Response list(
                @QueryParam("after") @DefaultValue("0") long after, @QueryParam("limit") @DefaultValue("50") int limit,
                @Context UriInfo uri) throws SQLException {
            List<Transfer> rows = store.list(after, limit + 1);
            List<Transfer> shown = rows.size() > limit ? rows.subList(0, limit) : rows;
            Response.ResponseBuilder response = Response.ok(shown);
            if (rows.size() > limit) {
                response.link(uri.getRequestUriBuilder().replaceQueryParam("limit", limit)
                        .replaceQueryParam("after", shown.get(limit - 1).id()).build(), "next");
            }
            return response.build();
        }

        @GET
        @Path("{id}")
        public Response read(@PathParam("id") long id) throws Exception {
            Transfer found = store.read(id);
            if (found == null) {
                throw new NotFoundException();
            }
            byte[] json = JSON.writeValueAsBytes(found);
            return Response.ok(json).tag(new EntityTag(tag(json))).build();
        }

        @POST
        @Consumes(MediaType.APPLICATION_JSON)
        public Response create(NewTransfer input, @Context UriInfo uri) throws Exception {
            if (!validator.validate(input).isEmpty()) {
                throw new BadRequestException();
            }
            Transfer created = store.create(input);
            byte[] json = JSON.writeValueAsBytes(created);
            return Response.created(uri.getAbsolutePathBuilder().path("{id}").build(created.id()))
                    .entity(json).tag(new EntityTag(tag(json))).build();
        }
    }

    @jakarta.ws.rs.ext.Provider
    public static final class Json implements MessageBodyReader<Object>, MessageBodyWriter<Object> {
        @Override
        public boolean isReadable(Class<?> type, Type generic, Annotation[] annotations, MediaType mediaType) {
            return type.isRecord();
        }

        @Override
        public Object readFrom(Class<Object> type, Type generic, Annotation[] annotations, MediaType mediaType,
                MultivaluedMap<String, String> headers, InputStream body) throws IOException {
            return JSON.readValue(body, type);
        }

        @Override
        public boolean isWriteable(Class<?> type, Type generic, Annotation[] annotations, MediaType mediaType) {
            return true;
        }

        @Override
        public void writeTo(Object value, Class<?> type, Type generic, Annotation[] annotations, MediaType mediaType,
                MultivaluedMap<String, Object> headers, OutputStream answer) throws IOException {
            answer.write(value instanceof byte[] bytes ? bytes : JSON.writeValueAsBytes(value));
        }
    }
}
