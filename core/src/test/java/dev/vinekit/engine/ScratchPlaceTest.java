package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Where scratch databases are made if our own server has not all that the tables need. */
class ScratchPlaceTest {
    private static final Engine POSTGRESQL = Engines.named("postgresql");
    private static final String LACKING = "CREATE EXTENSION made_up";

    @Test
    void whatNoServerHasIsNamedWithTheWayOut() {
        assertThatThrownBy(() -> ScratchPlace.of(POSTGRESQL).with(LACKING))
                .isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault).hasMessage("The server for scratch databases does not have the extension made_up.");
            assertThat(fault.fix()).contains("on a server that has it, and test on that");
        });
    }

    @Test
    void otherRefusalsAreTheDatabasesOwn() {
        assertThatThrownBy(() -> ScratchPlace.of(POSTGRESQL).with("CREATE TABLE t (x no_such_type)"))
                .isInstanceOf(SQLException.class).hasMessageContaining("no_such_type");
    }

    @Test
    void theServerThatTheTablesComeFromIsTriedNext() throws SQLException {
        String definition = "CREATE TYPE grade AS ENUM ('a', 'b')";
        try (TestDatabases source = TestDatabases.on("postgresql", "")) {
            ScratchPlace place = new ScratchPlace(lackingFor(definition), Optional.of(source.database()));

            try (ScratchDatabase database = place.with(definition)) {
                database.execute("SELECT 'b'::grade");
                assertThat(database.url()).isNotEqualTo(source.database().url());
            }
        }
    }

    @Test
    void aLoginThatMayMakeNoDatabaseIsTold() throws SQLException {
        String definition = "CREATE TYPE grade AS ENUM ('a', 'b')";
        try (TestDatabases source = TestDatabases.administered("postgresql",
                "CREATE ROLE place_reader LOGIN PASSWORD 'made-up'")) {
            Database reader = new Database(POSTGRESQL, source.database().url(), "place_reader", "made-up");

            assertThatThrownBy(() -> new ScratchPlace(lackingFor(definition), Optional.of(reader)).with(definition))
                    .isInstanceOf(Fault.class).hasMessageContaining(
                            "may not make one: ERROR: permission denied to create database");
        }
    }

    @Test
    void generatingGoesOnAndSaysWhatWasNotFoundOut() throws SQLException {
        try (TestDatabases database = TestDatabases.on("postgresql", """
                CREATE TABLE press (id INT PRIMARY KEY, name TEXT NOT NULL);
                CREATE FUNCTION shout() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.name := upper(NEW.name); RETURN NEW; END $$;
                CREATE TRIGGER shouting BEFORE INSERT ON press FOR EACH ROW EXECUTE FUNCTION shout();
                """)) {
            Schema read = VineKit.read(database.database(), Scope.all());
            List<SchemaObject> objects = new ArrayList<>(read.objects());
            objects.add(new SchemaObject(SchemaObject.Kind.EXTENSION, new TableName("", "made_up"), Optional.empty(),
                    LACKING, List.of()));

            Mapping mapping = VineKit.generate(VineKit.map(read.withObjects(objects), "com.example.made")).mapping();

            assertThat(mapping.remarks()).extracting(remark -> remark.text()).anySatisfy(text ->
                    assertThat(text).contains("What its triggers do was not found out.", "the extension made_up",
                            "test on that"));
        }
    }

    /** An engine whose own server lacks something for a definition. */
    private static Engine lackingFor(String definition) {
        InvocationHandler handler = (proxy, method, arguments) -> switch (method.getName()) {
            case "scratch" -> {
                ScratchDatabase database = POSTGRESQL.scratch();
                database.execute(definition);
                yield database;
            }
            case "lacking" -> Optional.of("room for it");
            default -> {
                try {
                    yield method.invoke(POSTGRESQL, arguments);
                } catch (InvocationTargetException e) {
                    throw e.getCause();
                }
            }
        };
        return (Engine) Proxy.newProxyInstance(ScratchPlaceTest.class.getClassLoader(), new Class<?>[] {Engine.class},
                handler);
    }
}
