package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class GeneratedServiceOnMysqlTest extends GeneratedServiceTest {
    GeneratedServiceOnMysqlTest() {
        super("mysql");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }

    @Override
    String numberInADocument() {
        return "1.1";
    }

    @Test
    void manyRowsTakeAStatementForEachListOfColumns() throws SQLException {
        String rows = IntStream.range(0, 200).mapToObj(i -> "{\"name\":\"Batch " + i + "\",\"vintage\":2020,"
                + "\"blendedOn\":\"2021-02-01\"" + (i % 2 == 0 ? "" : ",\"tastingNotes\":\"Odd\"") + "}")
                .collect(Collectors.joining(",", "[", "]"));
        long before = inserts();
        Http http = ServedCellar.on("mysql").http();
        Http.Answer created = http.post("/blends", rows);

        assertThat(created.status()).as(created.text()).isEqualTo(201);
        assertThat(created.body().findValuesAsText("name"))
                .containsExactlyElementsOf(IntStream.range(0, 200).mapToObj(i -> "Batch " + i).toList());
        assertThat(created.body().path(1).path("tastingNotes").asText()).isEqualTo("Odd");
        assertThat(inserts() - before).isEqualTo(2);
        created.body().forEach(row -> http.send("DELETE", "/blends/" + row.path("id").asLong(), ""));
    }

    private static long inserts() throws SQLException {
        try (Connection connection = ServedCellar.on("mysql").connect();
                Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SHOW GLOBAL STATUS LIKE 'Com_insert'")) {
            row.next();
            return row.getLong(2);
        }
    }
}
