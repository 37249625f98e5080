package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vinekit.engine.Database;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Edge values of every type go in through the API and come out of the API and the database the same. */
@Tag("thorough")
class ValuesSurviveTest {
    private static final ObjectMapper JSON =
            JsonMapper.builder().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS).build();

    private static final String TEXTS =
            "\"\" | \"abcde\" | \"\u00e4\u00f6\u20ac\u00df \" | \"\u65e5\u672c\u8a9e\" | \"a'b\\\"\\\\\" | \"\\n\\t;-\" | \"\ud83c\udf77\u2716\"";
    private static final String LONG_TEXT = "\"" + "wine \u20ac ' \\\\ ".repeat(5_000) + "\"";
    private static final String BYTES = "\"\" | \"AA==\" | \"AP8nXCIKDQB/gA==\"";
    private static final String UUIDS =
            "\"00000000-0000-0000-0000-000000000000\" | \"ffffffff-ffff-ffff-ffff-ffffffffffff\"";
    private static final String DOCUMENTS =
            "{} | [] | {\"a\":[1,2.50,null,\"\u00e4\ud83c\udf77\"],\"b\":{\"c\":true}} | \"text\" | 12345678901234567890";

    /** A type with its edge values; {@code #} before it if the database cannot compare it with a literal. */
    private static final Map<String, List<String>> VALUES = Map.of(
            "h2", List.of(
                    "BOOLEAN: true | false",
                    "TINYINT: -128 | 127", "SMALLINT: -32768 | 32767", "INTEGER: -2147483648 | 2147483647",
                    "BIGINT: -9223372036854775808 | 9223372036854775807",
                    "NUMERIC(20, 5): 999999999999999.99999 | -999999999999999.99999 | 0.00001",
                    "#REAL: 3.4028235E38 | -1.4E-45 | 0.1", "#DOUBLE PRECISION: 1.7976931348623157E308 | -4.9E-324",
                    "VARCHAR(5): " + TEXTS, "#CLOB: \"\" | " + LONG_TEXT, "CHAR(3): \"abc\" | \"\u00e4\u20ac\u00df\"",
                    "VARBINARY(20): " + BYTES, "#BLOB: " + BYTES,
                    "DATE: \"0001-01-01\" | \"9999-12-31\" | \"2024-02-29\"",
                    "TIME(6): \"00:00:00\" | \"23:59:59.999999\"",
                    "#TIME(6) WITH TIME ZONE: \"00:00+14:00\" | \"23:59:59.999999-12:00\"",
                    "TIMESTAMP(6): \"0001-01-01T00:00:00\" | \"9999-12-31T23:59:59.999999\"",
                    "TIMESTAMP(6) WITH TIME ZONE: \"0001-01-01T00:00:00Z\" | \"9999-12-31T23:59:59.999999Z\"",
                    "UUID: " + UUIDS, "#JSON: " + DOCUMENTS,
                    "ENUM('a', 'b''c', '\u00e4'): \"a\" | \"b'c\" | \"\u00e4\""),
            "postgresql", List.of(
                    "boolean: true | false",
                    "smallint: -32768 | 32767", "integer: -2147483648 | 2147483647",
                    "bigint: -9223372036854775808 | 9223372036854775807",
                    "numeric(20, 5): 999999999999999.99999 | -999999999999999.99999 | 0.00001",
                    "numeric: 123456789012345678901234567890.123456789 | 0.5",
                    "#real: 3.4028235E38 | -1.4E-45 | 0.1 | \"Infinity\" | \"NaN\"",
                    "#double precision: 1.7976931348623157E308 | -4.9E-324 | \"-Infinity\"",
                    "varchar(5): " + TEXTS, "text: \"\" | " + LONG_TEXT, "char(3): \"abc\" | \"\u00e4\u20ac\u00df\"",
                    "bytea: " + BYTES,
                    "date: \"0001-01-01\" | \"9999-12-31\"", "#date: \"+5874897-12-31\"",
                    "time: \"00:00:00\" | \"23:59:59.999999\"",
                    "timetz: \"00:00+14:00\" | \"23:59:59.999999-12:00\"",
                    "timestamp: \"0001-01-01T00:00:00\" | \"9999-12-31T23:59:59.999999\"",
                    "timestamptz: \"0001-01-01T00:00:00Z\" | \"9999-12-31T23:59:59.999999Z\"",
                    "uuid: " + UUIDS, "#json: " + DOCUMENTS, "#jsonb: " + DOCUMENTS,
                    "#int[]: [] | [1,null,-2147483648]",
                    "#text[]: [] | [\"a\\\"b\",\"\u00e4\",\"\",\"NULL\",null]",
                    "interval: \"00:00:00\" | \"-178000000 years\" | \"1 year 2 mons 3 days 04:05:06.789\"",
                    "inet: \"10.0.0.1\" | \"2001:db8::1/64\"", "cidr: \"10.0.0.0/8\"", "macaddr: \"08:00:2b:01:02:03\"",
                    "int4range: \"empty\" | \"[1,10)\" | \"(,)\"", "#point: \"(1.5,-2)\"", "bit(3): \"000\" | \"111\"",
                    "varbit: \"\" | \"10110\"", "#xml: \"<a>\u00e4 &amp; b</a>\"", "tsvector: \"'a':1 'b'\""),
            "mariadb", List.of(
                    "BOOLEAN: true | false", "TINYINT: -128 | 127", "TINYINT UNSIGNED: 0 | 255",
                    "SMALLINT: -32768 | 32767", "SMALLINT UNSIGNED: 0 | 65535", "MEDIUMINT: -8388608 | 8388607",
                    "MEDIUMINT UNSIGNED: 0 | 16777215", "INT: -2147483648 | 2147483647", "INT UNSIGNED: 0 | 4294967295",
                    "BIGINT: -9223372036854775808 | 9223372036854775807", "BIGINT UNSIGNED: 0 | 18446744073709551615",
                    "DECIMAL(20, 5): 999999999999999.99999 | -999999999999999.99999 | 0.00001",
                    "#FLOAT: 3.40282E38 | -1.17549E-38 | 0.1",
                    "#DOUBLE: 1.7976931348623157E308 | -2.2250738585072014E-308",
                    "VARCHAR(5) CHARACTER SET utf8mb4: " + TEXTS, "TEXT: \"\" | \"\u65e5\ud83c\udf77'\\\\\"",
                    "#LONGTEXT: " + LONG_TEXT, "CHAR(3): \"abc\" | \"\u00e4\u20ac\u00df\"",
                    "VARBINARY(20): " + BYTES, "BLOB: " + BYTES, "BINARY(3): \"AAAA\" | \"////\"",
                    "DATE: \"1000-01-01\" | \"9999-12-31\" | \"2024-02-29\"",
                    "TIME(6): \"00:00:00\" | \"23:59:59.999999\"",
                    "DATETIME(6): \"1000-01-01T00:00:00\" | \"9999-12-31T23:59:59.999999\"",
                    "TIMESTAMP(6): \"1970-01-01T00:00:01Z\" | \"2038-01-19T03:14:07.999999Z\" | \"2024-03-31T01:30:00Z\"",
                    "YEAR: 1901 | 2155", "UUID: " + UUIDS, "#JSON: " + DOCUMENTS,
                    "ENUM('a', 'b''c', '\u00df'): \"a\" | \"b'c\" | \"\u00df\"",
                    "#SET('a', 'b', 'c'): [] | [\"a\"] | [\"a\",\"b\",\"c\"]",
                    "BIT(1): true | false", "BIT(64): \"" + "1".repeat(64) + "\" | \"" + "0".repeat(64) + "\"",
                    "INET6: \"::\" | \"2001:db8::ffff\"", "#POINT: \"POINT(1.5 -2)\"",
                    "#GEOMETRY: \"POLYGON((0 0,1 0,1 1,0 0))\""),
            "mysql", List.of(
                    "BOOLEAN: true | false", "TINYINT: -128 | 127", "TINYINT UNSIGNED: 0 | 255",
                    "SMALLINT: -32768 | 32767", "SMALLINT UNSIGNED: 0 | 65535", "MEDIUMINT: -8388608 | 8388607",
                    "MEDIUMINT UNSIGNED: 0 | 16777215", "INT: -2147483648 | 2147483647", "INT UNSIGNED: 0 | 4294967295",
                    "BIGINT: -9223372036854775808 | 9223372036854775807", "BIGINT UNSIGNED: 0 | 18446744073709551615",
                    "DECIMAL(20, 5): 999999999999999.99999 | -999999999999999.99999 | 0.00001",
                    "#FLOAT: 3.40282E38 | -1.17549E-38 | 0.1",
                    "#DOUBLE: 1.7976931348623157E308 | -2.2250738585072014E-308",
                    "VARCHAR(5) CHARACTER SET utf8mb4: " + TEXTS, "TEXT: \"\" | \"\u65e5\ud83c\udf77'\\\\\"",
                    "#LONGTEXT: " + LONG_TEXT, "CHAR(3): \"abc\" | \"\u00e4\u20ac\u00df\"",
                    "VARBINARY(20): " + BYTES, "BLOB: " + BYTES, "BINARY(3): \"AAAA\" | \"////\"",
                    "DATE: \"1000-01-01\" | \"9999-12-31\" | \"2024-02-29\"",
                    "TIME(6): \"00:00:00\" | \"23:59:59.999999\"",
                    "DATETIME(6): \"1000-01-01T00:00:00\" | \"9999-12-31T23:59:59.999999\"",
                    "TIMESTAMP(6): \"1970-01-01T00:00:01Z\" | \"2038-01-19T03:14:07.999999Z\" | \"2024-03-31T01:30:00Z\"",
                    "YEAR: 1901 | 2155", "#VECTOR(2): \"[1.50000e+00,-2.00000e+00]\"",
                    "CHAR(36): " + UUIDS, "#JSON: " + DOCUMENTS,
                    "ENUM('a', 'b''c', '\u00df'): \"a\" | \"b'c\" | \"\u00df\"",
                    "#SET('a', 'b', 'c'): [] | [\"a\"] | [\"a\",\"b\",\"c\"]",
                    "BIT(1): true | false", "BIT(64): \"" + "1".repeat(64) + "\" | \"" + "0".repeat(64) + "\"",
                    "#POINT: \"POINT(1.5 -2)\"",
                    "#GEOMETRY: \"POLYGON((0 0,1 0,1 1,0 0))\""),
            "sqlite", List.of(
                    "BOOLEAN: true | false", "INTEGER: -9223372036854775808 | 9223372036854775807",
                    "SMALLINT: -32768 | 32767", "NUMERIC(15, 5): 9999999999.99999 | -9999999999.99999 | 0.00001",
                    "DECIMAL: 0.5 | 123456789012345", "#REAL: 1.7976931348623157E308 | -4.9E-324 | 0.1",
                    "VARCHAR(5): " + TEXTS, "TEXT: \"\" | \"12\" | \"1e5\" | " + LONG_TEXT,
                    "CHAR(3): \"abc\" | \"\u00e4\u20ac\u00df\"",
                    "BLOB: " + BYTES, "DATE: \"0001-01-01\" | \"9999-12-31\"",
                    "TIME: \"00:00:00\" | \"23:59:59.999999999\"",
                    "TIMESTAMP: \"0001-01-01T00:00:00\" | \"9999-12-31T23:59:59.999999999\"",
                    "TIMESTAMP WITH TIME ZONE: \"0001-01-01T00:00:00Z\" | \"9999-12-31T23:59:59.123456789Z\"",
                    "UUID: " + UUIDS, "#JSON: {} | [] | {\"a\":[1,2.50,null,\"\u00e4\ud83c\udf77\"]} | \"text\""));

    @TempDir
    private Path directory;

    private final HttpClient client = HttpClient.newHttpClient();

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void edgeValuesSurvive(String engineName) throws Exception {
        List<String> types = VALUES.get(engineName);
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < types.size(); i++) {
            String type = types.get(i).substring(types.get(i).startsWith("#") ? 1 : 0, types.get(i).indexOf(": "));
            script.append("CREATE TABLE v").append(i).append(" (id INT NOT NULL PRIMARY KEY, val ").append(type)
                    .append(");\n");
        }
        try (TestDatabases database = TestDatabases.on(engineName, script.toString())) {
            Schema schema = VineKit.read(database.database(), Scope.all());
            Project project = VineKit.write(VineKit.plan(
                    VineKit.generate(VineKit.map(schema, "com.example.made")), directory));
            QuickCompiler.compileService(project);
            Database own = database.database();
            try (RunningService service = Runner.serve(project, Map.of("DB_URL", own.url(), "DB_USER", own.user(),
                    "DB_PASSWORD", own.password(), "HTTP_PORT", "0"))) {
                SoftAssertions all = new SoftAssertions();
                for (int i = 0; i < types.size(); i++) {
                    String[] values = types.get(i).substring(types.get(i).indexOf(": ") + 2).split(" \\| ");
                    for (int k = 0; k < values.length; k++) {
                        int table = i;
                        int id = k + 1;
                        all.assertThatCode(() -> survives(own, schema, service.url(), table, id, types.get(table),
                                values[id - 1])).doesNotThrowAnyException();
                    }
                }
                all.assertAll();
            }
        }
    }

    private void survives(Database database, Schema schema, String url, int table, int id, String type, String value)
            throws Exception {
        String collection = url + "/" + (table == 0 ? "v0s" : "v" + table + "s");
        String about = type.substring(0, type.indexOf(':')) + " " + value.substring(0, Math.min(60, value.length()));
        HttpResponse<String> created = send("POST", collection, "{\"id\":" + id + ",\"val\":" + value + "}");
        assertThat(created.statusCode()).as(about + " " + created.body()).isEqualTo(201);
        assertSame(about, created.body(), value);
        assertSame(about, send("GET", collection + "/" + id, "").body(), value);

        String literal = database.engine().dialect(schema).literal(column(schema, table).type(), text(value));
        if (!type.startsWith("#")) {
            assertThat(count(database, "SELECT COUNT(*) FROM v" + table + " WHERE id = " + id + " AND val = "
                    + literal))
                    .as(about + " = " + literal).isEqualTo(1);
        }
        execute(database, "INSERT INTO v" + table + " (id, val) SELECT id + 100, val FROM v" + table + " WHERE id = "
                + id);
        assertSame(about, send("GET", collection + "/" + (id + 100), "").body(), value);
        HttpResponse<String> replaced = send("PUT", collection + "/" + (id + 100), "{\"val\":" + value + "}");
        assertSame(about, replaced.body(), value);
    }

    private static Column column(Schema schema, int table) {
        return schema.tables().stream().filter(found -> found.name().name().equalsIgnoreCase("v" + table)).findFirst()
                .orElseThrow().columns().get(1);
    }

    /** The value as a literal takes it; bytes are Base64 in JSON and hexadecimal in SQL. */
    private static String text(String value) throws JsonProcessingException {
        JsonNode node = JSON.readTree(value);
        String text = node.isTextual() ? node.textValue() : value;
        boolean bytes = value.equals("\"\"") || value.matches("\"(?:AA==|AP8nXCIKDQB/gA==|AAAA|////)\"");
        return bytes ? HexFormat.of().formatHex(Base64.getDecoder().decode(text)) : text;
    }

    private static void assertSame(String about, String body, String value) throws JsonProcessingException {
        JsonNode actual = JSON.readTree(body).path("val");
        JsonNode expected = JSON.readTree(value);
        if (expected.isNumber()) {
            assertThat(actual.isNumber()).as(about + " " + body).isTrue();
            assertThat(actual.decimalValue()).as(about).isEqualByComparingTo(expected.decimalValue());
        } else {
            assertThat(actual).as(about).isEqualTo(expected);
        }
    }

    private HttpResponse<String> send(String method, String url, String body) throws Exception {
        return client.send(HttpRequest.newBuilder(URI.create(url)).header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(body)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static long count(Database database, String sql) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }

    private static void execute(Database database, String sql) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
