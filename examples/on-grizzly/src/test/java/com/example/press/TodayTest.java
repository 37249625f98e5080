package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import io.micrometer.core.instrument.Metrics;
import io.micrometer.core.instrument.simple.SimpleMeterRegistry;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import org.h2.jdbcx.JdbcConnectionPool;
import org.junit.jupiter.api.Test;

/** What people have written goes on working beside what was generated, and with it. */
class TodayTest {
    private static final HttpClient CLIENT = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    @Test
    void deliveryThatCameByAGeneratedEndpointIsCounted() throws IOException, InterruptedException, SQLException {
        JdbcConnectionPool database = database("today");
        try (PressHouse house = PressHouse.start(database, 0)) {
            deliver(house);

            assertThat(send(house, "/today", HttpRequest.BodyPublishers.noBody(), "GET", 200))
                    .isEqualTo("{\"kilograms\":840}");
        } finally {
            database.dispose();
        }
    }

    @Test
    void deliveryIsMeasuredInARegistryOfTheHouse() throws IOException, InterruptedException, SQLException {
        SimpleMeterRegistry measured = new SimpleMeterRegistry();
        JdbcConnectionPool database = database("measured");
        try (PressHouse house = PressHouse.start(database, 0)) {
            Metrics.addRegistry(measured);
            deliver(house);
        } finally {
            Metrics.removeRegistry(measured);
            database.dispose();
        }

        assertThat(measured.get("http.server.request.duration").tags("http.request.method", "POST",
                "http.route", "/press/deliveries", "http.response.status_code", "201").timer().count()).isEqualTo(1);
        assertThat(measured.get("db.client.operation.duration").timers())
                .extracting(timer -> timer.getId().getTag("code.function.name"))
                .anyMatch(name -> name.contains("DeliveryRepository."));
    }

    private static JdbcConnectionPool database(String name) throws IOException, SQLException {
        JdbcConnectionPool database = JdbcConnectionPool.create("jdbc:h2:mem:" + name, "sa", "");
        try (Connection connection = database.getConnection();
                InputStream tables = TodayTest.class.getResourceAsStream("/db/schema.sql")) {
            connection.createStatement().execute(new String(tables.readAllBytes(), StandardCharsets.UTF_8));
            connection.createStatement().execute("INSERT INTO grower (name) VALUES ('Ada Feld')");
        }
        return database;
    }

    private static void deliver(PressHouse house) throws IOException, InterruptedException {
        send(house, "/deliveries", HttpRequest.BodyPublishers.ofString("""
                {"growerId": 1, "kilograms": 840, "sugar": 92.5, "deliveredOn": "%s"}
                """.formatted(LocalDate.now())), "POST", 201);
    }

    private static String send(PressHouse house, String path, HttpRequest.BodyPublisher body, String method, int status)
            throws IOException, InterruptedException {
        HttpResponse<String> response = CLIENT.send(HttpRequest.newBuilder(URI.create(house.url() + path))
                .header("Content-Type", "application/json").method(method, body).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(response.statusCode()).as(response.body()).isEqualTo(status);
        return response.body();
    }
}
