package com.example.press;

import com.example.press.tables.support.Application;
import com.example.press.tables.support.Settings;
import jakarta.ws.rs.core.UriBuilder;
import java.io.IOException;
import javax.sql.DataSource;
import org.glassfish.grizzly.http.server.HttpServer;
import org.glassfish.jersey.grizzly2.httpserver.GrizzlyHttpServerFactory;
import org.glassfish.jersey.server.ResourceConfig;
import org.h2.jdbcx.JdbcConnectionPool;

/** The press house's program: what people have written and what was generated, on one server. */
public final class PressHouse implements AutoCloseable {
    private static final String BASE_PATH = "/press";

    private final HttpServer server;

    private PressHouse(HttpServer server) {
        this.server = server;
    }

    /** Starts it; port 0 is any that is free. */
    public static PressHouse start(DataSource database, int port) {
        Application tables = new Application(database, database, Settings.from(System.getenv()));
        ResourceConfig all = new ResourceConfig().register(new Today(database));
        tables.controllers().forEach(all::register);
        tables.providers().forEach(all::register);
        HttpServer server = GrizzlyHttpServerFactory.createHttpServer(
                UriBuilder.fromUri("http://localhost" + BASE_PATH + "/").port(port).build(), all, false);
        try {
            server.start();
        } catch (IOException e) {
            throw new IllegalStateException("The port " + port + " cannot be listened on.", e);
        }
        return new PressHouse(server);
    }

    /** Where everything is, without a slash at the end. */
    public String url() {
        return "http://localhost:" + server.getListener("grizzly").getPort() + BASE_PATH;
    }

    @Override
    public void close() {
        server.shutdownNow();
    }

    public static void main(String[] arguments) throws InterruptedException {
        JdbcConnectionPool database = JdbcConnectionPool.create(
                System.getenv("DB_URL"), System.getenv("DB_USER"), System.getenv("DB_PASSWORD"));
        start(database, 8080);
        Thread.currentThread().join();
    }
}
