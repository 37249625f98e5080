package com.example.press;

import com.example.press.tables.support.ServiceStarter;
import java.util.Map;
import org.h2.jdbcx.JdbcConnectionPool;

/** Starts the press house for the generated tests. */
public final class PressHouseStarter implements ServiceStarter {
    @Override
    public Started start(Map<String, String> settings) {
        JdbcConnectionPool database = JdbcConnectionPool.create(
                settings.get("DB_URL"), settings.get("DB_USER"), settings.get("DB_PASSWORD"));
        PressHouse house = PressHouse.start(database, 0);
        return new Started() {
            @Override
            public String url() {
                return house.url();
            }

            @Override
            public void close() {
                house.close();
                database.dispose();
            }
        };
    }
}
