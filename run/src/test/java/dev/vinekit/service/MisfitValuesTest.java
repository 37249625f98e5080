package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.TestReport;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.slf4j.LoggerFactory;

/** What others have stored and a field's Java type cannot hold never takes a list down, and nothing of it is lost. */
class MisfitValuesTest {
    /** A type, what SQL may store in it all the same, how it is told, and how once it is mapped as a String. */
    private static final Map<String, List<String>> VALUES = Map.of(
            "h2", List.of("DECFLOAT(10) | 'NaN' | null | \"NaN\"", "DECFLOAT(10) | '-Infinity' | null | \"-Infinity\""),
            "postgresql", List.of(
                    "numeric(8, 2) | 'NaN' | null | \"NaN\"", "numeric | 'Infinity' | null | \"Infinity\"",
                    "int[] | '{{1,2},{3,4}}' | null | \"{{1,2},{3,4}}\"",
                    "int[] | '[0:1]={1,2}' | null | \"[0:1]={1,2}\""),
            "mariadb", List.of(
                    "DATE NULL | '0000-00-00' | null | \"0000-00-00\"",
                    "DATE NOT NULL | '2024-00-10' | null | \"2024-00-10\"",
                    "DATETIME NULL | '0000-00-00 00:00:00' | null | \"0000-00-00 00:00:00\"",
                    "DATETIME NOT NULL | '2024-02-00 10:00:00' | null | \"2024-02-00 10:00:00\"",
                    "TIME NULL | '838:59:59' | null | \"838:59:59\"",
                    "TIME NOT NULL | '-01:00:00' | null | \"-01:00:00\"",
                    "ENUM('a', 'b') NULL | 'c' | null | \"\""),
            "mysql", List.of(
                    "DATE NULL | '0000-00-00' | null | \"0000-00-00\"",
                    "DATE NOT NULL | '2024-00-10' | null | \"2024-00-10\"",
                    "DATETIME NULL | '0000-00-00 00:00:00' | null | \"0000-00-00 00:00:00\"",
                    "TIME NULL | '838:59:59' | null | \"838:59:59\"",
                    "TIME NOT NULL | '-01:00:00' | null | \"-1:00:00\"",
                    "ENUM('a', 'b') NULL | 'c' | null | \"\""),
            "sqlite", List.of(
                    "INTEGER NOT NULL | 'many' | null | \"many\"", "INTEGER | 2.5 | null | \"2.5\"",
                    "INTEGER NOT NULL | x'00ff' | null | ", "REAL NOT NULL | 'wide' | null | \"wide\"",
                    "NUMERIC(8, 2) NOT NULL | 'dear' | null | \"dear\"", "BOOLEAN NOT NULL | 2 | null | \"2\"",
                    "BOOLEAN | 'yes' | null | \"yes\"", "TEXT NOT NULL | 12 | \"12\" | \"12\"",
                    "DATE NOT NULL | '0000-00-00' | null | \"0000-00-00\"", "DATE | 'in May' | null | \"in May\"",
                    "DATE | 2460000 | null | \"2460000\"", "DATETIME NOT NULL | 1700000000 | null | \"1700000000\"",
                    "TIME | '25:00' | null | \"25:00\"", "UUID | 'none' | null | \"none\"",
                    "JSON NOT NULL | '{broken' | null | ",
                    "JSON | '" + "[".repeat(600) + "]".repeat(600) + "' | null | "));

    /** Tables of one engine alone, and their rows. */
    private static final Map<String, String> MORE = Map.of(
            "mariadb", """
                    CREATE TABLE rack (id INT PRIMARY KEY, since DATE NOT NULL DEFAULT '0000-00-00', seen DATETIME DEFAULT '0000-00-00 00:00:00');
                    """,
            "sqlite", """
                    CREATE TABLE pressing (parcel TEXT NOT NULL, day INTEGER NOT NULL, litres INTEGER NOT NULL, PRIMARY KEY (parcel, day));
                    CREATE INDEX by_litres ON pressing (litres);
                    INSERT INTO pressing VALUES ('South' || char(10), 3, 'secret'), ('North', 4, 50);
                    CREATE TABLE crate (id INT NOT NULL PRIMARY KEY, note VARCHAR(20));
                    INSERT INTO crate VALUES (1, 'a'), ('two', 'b'), (3, 'c');
                    CREATE TABLE label (id INTEGER PRIMARY KEY, name VARCHAR(3) NOT NULL, note VARCHAR(20));
                    INSERT INTO label VALUES (1, 'far too long', 'a');
                    """);

    @TempDir
    private Path directory;

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void valuesThatDoNotFitAreToldAndKept(String engine) throws Exception {
        List<String[]> cases = cases(engine);
        List<String[]> texts = cases.stream().filter(parts -> parts.length > 3 && !parts[3].isEmpty()).toList();
        String types = IntStream.range(0, texts.size()).mapToObj(i -> "w" + i + ": {fields: {val: {type: String}}}")
                .collect(Collectors.joining(", "));
        try (TestDatabases database = TestDatabases.on(engine,
                tables("v", cases) + tables("w", texts) + MORE.getOrDefault(engine, ""))) {
            fill(engine, "v", database.database(), cases);
            fill(engine, "w", database.database(), texts);
            try (RunningService service = serve(database.database(),
                    "{project: {package: com.example.made}, entities: {" + types + "}}")) {
                Http http = new Http(service.url());
                listTellsTheOtherRowsAndNothingIsLost(http, database.database(), cases);
                asTextItIsToldAsItIs(http, texts);
                if (engine.equals("mariadb")) {
                    rowWithADefaultThatIsNoDateIsCreatedAndTold(http);
                } else if (engine.equals("sqlite")) {
                    logSaysWhichRowAndFieldItWas(http);
                    rowWhoseKeyCannotBeToldIsLeftOut(http);
                    changeOfAnotherFieldForgivesWhatWasBrokenBefore(http);
                }
            }
        }
    }

    private static void listTellsTheOtherRowsAndNothingIsLost(Http http, Database database, List<String[]> cases)
            throws SQLException {
        SoftAssertions all = new SoftAssertions();
        for (int i = 0; i < cases.size(); i++) {
            String about = String.join(" ", cases.get(i));
            String before = stored(database, i);
            Http.Answer list = http.get("/v" + i + "s");
            all.assertThat(list.status()).as(about).isEqualTo(200);
            all.assertThat(list.body().path(0).path("val").toString()).as(about).isEqualTo(cases.get(i)[2]);
            all.assertThat(list.body().size()).as(about).isEqualTo(2);
            Http.Answer changed = http.send("PATCH", "/v" + i + "s/1", "{\"note\":\"seen\"}");
            all.assertThat(changed.status()).as(about + changed.text()).isEqualTo(200);
            all.assertThat(http.get("/v" + i + "s/1").body().path("note").asText()).as(about).isEqualTo("seen");
            all.assertThat(stored(database, i)).as(about).isEqualTo(before);
            all.assertThat(http.get("/v" + i + "s?sort=val&limit=1").status()).as(about).isIn(200, 400, 409);
        }
        all.assertAll();
    }

    private static void asTextItIsToldAsItIs(Http http, List<String[]> texts) {
        SoftAssertions all = new SoftAssertions();
        for (int i = 0; i < texts.size(); i++) {
            all.assertThat(http.get("/w" + i + "s/1").body().path("val").toString())
                    .as(String.join(" ", texts.get(i))).isEqualTo(texts.get(i)[3]);
        }
        all.assertAll();
    }

    /** One line for a row, however often it is read: which table, row and field, and how to map it; not the value. */
    private static void logSaysWhichRowAndFieldItWas(Http http) {
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        Logger logger = (Logger) LoggerFactory.getLogger("com.example.made.support.StoredRow");
        logger.setLevel(Level.WARN);
        log.start();
        logger.addAppender(log);
        try {
            http.get("/pressings");
            http.get("/pressings?sort=parcel");
            Http.Answer sorted = http.get("/pressings?sort=litres");

            assertThat(sorted.status()).isEqualTo(409);
            assertThat(sorted.text()).contains("litres", "South").doesNotContain("secret");
        } finally {
            logger.detachAppender(log);
        }
        assertThat(log.list).extracting(ILoggingEvent::getFormattedMessage).singleElement().asString()
                .contains("Pressing", "parcel \"South\\n\", day 3", "litres", "Long", "String")
                .doesNotContain("secret", "\n");
    }

    /** The server's default mode takes such a day where no value is given. */
    private static void rowWithADefaultThatIsNoDateIsCreatedAndTold(Http http) {
        Http.Answer created = http.post("/racks", "{\"id\":1}");

        assertThat(created.status()).as(created.text()).isEqualTo(201);
        assertThat(created.body().path("since").isNull()).isTrue();
    }

    /** A key that is none of its type cannot be asked for: the row is left out, and the others are told. */
    private static void rowWhoseKeyCannotBeToldIsLeftOut(Http http) {
        Http.Answer list = http.get("/crates");

        assertThat(list.status()).isEqualTo(200);
        assertThat(list.body().findValuesAsText("note")).containsExactly("a", "c");
    }

    /**
     * Rows that broke a rule before others made it are changed all the same, where the change does not touch the field.
     */
    private static void changeOfAnotherFieldForgivesWhatWasBrokenBefore(Http http) {
        assertThat(http.send("PATCH", "/labels/1", "{\"note\":\"b\"}").body().path("note").asText()).isEqualTo("b");
        assertThat(http.send("PATCH", "/labels/1", "{\"name\":\"far too long\"}").status()).isEqualTo(400);
        assertThat(http.send("PATCH", "/labels/1", "{\"name\":null}").status()).isEqualTo(400);
        assertThat(http.send("PUT", "/labels/1", "{\"name\":\"far too long\"}").status()).isEqualTo(400);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | SMALLINT; INTEGER; BIGINT; NUMERIC(8, 2); NUMERIC(4); DECFLOAT(8); REAL; DOUBLE PRECISION; DATE; TIME(3); TIMESTAMP(6); UUID",
        "postgresql | smallint; integer; bigint; numeric(8, 2); numeric; real; double precision; date; time; timestamp; timestamp(3); uuid; int[]; text[]",
        "mariadb    | TINYINT; INT UNSIGNED; BIGINT; DECIMAL(8, 2); FLOAT; DOUBLE; DATE; TIME(3); DATETIME(6); YEAR; UUID",
        "sqlite     | INTEGER; REAL; NUMERIC(8, 2); BOOLEAN; DATE; TIME; TIMESTAMP; UUID; JSON"})
    void everyTypeThatMayBeTextIsProvedAsText(String engine, String types) throws Exception {
        String[] all = types.split(";");
        String columns = IntStream.range(0, all.length)
                .mapToObj(i -> "c" + i + " " + all[i] + " NOT NULL, o" + i + " " + all[i])
                .collect(Collectors.joining(", "));
        String asText = IntStream.range(0, all.length)
                .mapToObj(i -> "c" + i + ": {type: String}, o" + i + ": {type: String}")
                .collect(Collectors.joining(", "));
        try (TestDatabases database =
                TestDatabases.on(engine, "CREATE TABLE v (id INT NOT NULL PRIMARY KEY, " + columns + ");\n")) {
            Project project = write(database.database(),
                    "{project: {package: com.example.made}, entities: {v: {fields: {" + asText + "}}}}");
            QuickCompiler.compile(project);
            TestReport report = Runner.test(project);

            assertThat(report.failures()).isEmpty();
            assertThat(report.isGreen()).isTrue();
        }
    }

    private static List<String[]> cases(String engine) {
        return VALUES.get(engine).stream().map(line -> line.split(" \\| ")).toList();
    }

    private static String tables(String name, List<String[]> cases) {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < cases.size(); i++) {
            script.append("CREATE TABLE " + name + i + " (id INT NOT NULL PRIMARY KEY, val " + cases.get(i)[0]
                    + ", note VARCHAR(20));\n");
        }
        return script.toString();
    }

    /** A row that does not fit, and one that does if NULL is taken. */
    private static void fill(String engine, String name, Database database, List<String[]> cases) throws SQLException {
        List<String> statements = new ArrayList<>();
        if (engine.startsWith("m")) {
            statements.add("SET sql_mode = ''");
        }
        for (int i = 0; i < cases.size(); i++) {
            statements.add("INSERT INTO " + name + i + " (id, val) VALUES (1, " + cases.get(i)[1] + ")");
            statements.add("INSERT INTO " + name + i + " (id, val) SELECT 2, val FROM " + name + i);
        }
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private RunningService serve(Database database, String mapping) {
        Project project = write(database, mapping);
        QuickCompiler.compileService(project);
        return Runner.serve(project, Map.of("DB_URL", database.url(), "DB_USER", database.user(),
                "DB_PASSWORD", database.password(), "HTTP_PORT", "0"));
    }

    private Project write(Database database, String mapping) {
        return VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(VineKit.read(database, Scope.all()),
                MappingFile.parse("m", mapping, Map.of(), true), Set.of())), directory));
    }

    private static String stored(Database database, int table) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT val FROM v" + table + " WHERE id = 1")) {
            row.next();
            return row.getString(1);
        }
    }
}
