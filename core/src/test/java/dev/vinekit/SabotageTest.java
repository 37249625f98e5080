package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.project.Project;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Generated tests must be able to fail: each change to a generated service here is one that they must notice. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SabotageTest {
    private static final String SCHEMA = """
            CREATE TABLE press (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                name VARCHAR(20) NOT NULL UNIQUE,
                maker VARCHAR(20),
                bought_on DATE
            );
            CREATE TABLE pressing (
                press_id INT NOT NULL REFERENCES press (id),
                run INT NOT NULL,
                litres NUMERIC(6, 2) NOT NULL,
                remarks VARCHAR(100),
                PRIMARY KEY (press_id, run)
            );
            """;

    private Project project;
    private Path sabotaged;
    private String original;

    @BeforeAll
    void generate(@TempDir Path directory) throws Exception {
        try (TestDatabases database = TestDatabases.h2(SCHEMA)) {
            project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), "com.example.made")), directory.resolve("project")));
        }
    }

    @AfterEach
    void repair() throws Exception {
        if (sabotaged != null) {
            Files.writeString(sabotaged, original);
        }
    }

    @Test
    void untouchedServiceIsGreen() {
        VineKit.compile(project);

        assertThat(VineKit.test(project).failures()).isEmpty();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "column left out of an insert    | repository/PressRepository   | .set(\"maker\", input.maker())             |   ",
        "two columns swapped in an insert | repository/PressRepository  | .set(\"maker\", input.maker())             | .set(\"maker\", input.name())",
        "two columns swapped when reading | repository/PressRepository  | row.getString(3)                           | row.getString(2)",
        "column left out of an update    | repository/PressRepository   | maker = ?,                                 | maker = COALESCE(maker, ?),",
        "paging off by one               | support/OrderBy              | ? \" < \" : \" > \";                        | ? \" <= \" : \" >= \";",
        "order lost                      | support/OrderBy              | (descending ? \" DESC\" : \"\")              | \" DESC\"",
        "descending order ignored        | support/Filters              | new OrderBy(column, part.startsWith(\"-\")) | new OrderBy(column, false)",
        "rows counted wrongly            | support/PageRequest          | response.header(\"Total-Count\", total)     | response.header(\"Total-Count\", total + 1)",
        "fields not narrowed             | support/RowSelection         | objects.forEach(object -> object.retain(kept)); | ",
        "state of the row ignored        | support/Precondition         | throw ProblemException.changed();          |   ",
        "known state sent again          | support/Precondition         | .anyMatch(known                            | .noneMatch(known",
        "each of many on its own         | support/Transactions         | results.add(step.run(connection, element)); | results.add(step.run(connection, element)); connection.commit();",
        "a page too short                | support/PageRequest          | limit(query.getFirst(\"limit\")) + 1         | limit(query.getFirst(\"limit\"))",
        "child collection not narrowed   | repository/PressingRepository | .and(\"press_id = ?\", pressId)            |   ",
        "wrong row included              | service/PressingService      | Pressing::pressId, new                     | Pressing::run, new",
        "key in the body not compared    | service/PressService         | .sameKey(\"id\", input.id(), id)            |   ",
        "validation dropped              | dto/PressInput               | @Size(max = 20)\\n        String name        | String name",
        "required field forgotten        | dto/PressingInput            | @NotNull\\n        @Digits                   | @Digits",
        "deletion not reported           | service/PressService         | if (!deleted) {                            | if (!deleted && id < 0) {",
        "wrong status for a duplicate    | support/ProblemException     | Problem.of(409, \"Conflict\", detail         | Problem.of(400, \"Conflict\", detail",
        "constraint not translated       | support/SqlErrors            | case REFERENCE -> deleting                 | case REFERENCE -> !deleting",
        "transaction not committed       | support/Transactions         | connection.commit();                       | connection.rollback();",
        "no location                     | support/RowRequest           | Response.created(location)                 | Response.status(201)",
        "unknown properties let through  | support/InputReader          | if (!names.contains(name)) {               | if (name.isEmpty()) {",
        "patch that replaces             | support/MergePatch           | target.set(name, property.getValue());     | target.removeAll().set(name, property.getValue());",
        "cursor ignored                  | support/Cursor               | if (text == null) {                        | if (sort == null) {"})
    void changeIsNoticed(String what, String file, String from, String to) throws Exception {
        sabotaged = project.directory().resolve("src/main/java/com/example/made/" + file + ".java");
        original = Files.readString(sabotaged);
        assertThat(original).as(what).contains(lines(from));
        Files.writeString(sabotaged, original.replace(lines(from), to == null ? "" : lines(to)));
        VineKit.compile(project);

        TestReport report = VineKit.test(project);

        assertThat(report.failures()).as(what).extracting(TestOutcome::testClass).isNotEmpty();
    }

    private static String lines(String text) {
        return text.replace("\\n", "\n");
    }
}
