package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

@Tag("fast")
class MapperTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "BOOLEAN | BOOLEAN", "TINYINT | INTEGER", "SMALLINT | INTEGER", "INT | INTEGER", "BIGINT | LONG",
        "NUMERIC(6, 2) | BIG_DECIMAL", "NUMERIC(6) | BIG_DECIMAL", "DECFLOAT | BIG_DECIMAL", "REAL | FLOAT",
        "DOUBLE PRECISION | DOUBLE", "CHAR(3) | STRING", "VARCHAR | STRING", "CLOB | STRING", "BLOB | BINARY",
        "VARBINARY(9) | BINARY", "DATE | DATE", "TIME | TIME", "TIME WITH TIME ZONE | OFFSET_TIME",
        "TIMESTAMP | DATE_TIME", "TIMESTAMP WITH TIME ZONE | OFFSET_DATE_TIME", "UUID | UUID", "JSON | JSON",
        "ENUM('a', 'b') | ENUM", "INT ARRAY | LIST", "INTERVAL DAY | STRING"})
    void everyTypeHasItsJavaType(String sqlType, JavaType javaType) throws SQLException {
        assertThat(column("x " + sqlType).type()).isEqualTo(javaType);
    }

    /** What is said about a secret is none, and a name alone is none: it takes a text or bytes. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "password VARCHAR(60) | false", "PASSWD CHAR(32) | false", "\"userPassword\" VARCHAR | false",
        "password_hash VARBINARY(32) | false", "api_key VARCHAR(40) | false", "reset_token UUID | false",
        "client_secret CLOB | false", "salt BLOB | false", "private_key VARCHAR | false",
        "pin_hash VARCHAR | false", "pin_code CHAR(4) | false", "pin VARCHAR(9) | true",
        "key VARCHAR(9) | true", "token_type VARCHAR(9) | true", "password_changed_on DATE | true",
        "token_count INT | true", "primary_key VARCHAR(9) | true", "tokenizer VARCHAR(9) | true",
        "salted VARCHAR(9) | true", "secret BOOLEAN | true", "monkey VARCHAR(9) | true"})
    void secretsAreKnownByNameAndType(String column, boolean told) throws SQLException {
        String quoted = column.startsWith("key ") ? "\"KEY\" VARCHAR(9)" : column;
        Mapping mapping = map("CREATE TABLE press (id INT PRIMARY KEY, " + quoted + ")");

        assertThat(mapping.entities().get(0).fields().get(1).told()).isEqualTo(told);
        assertThat(mapping.remarks()).filteredOn(remark -> remark.topic() == Remark.Topic.SECRET)
                .hasSize(told ? 0 : 1);
    }

    @Test
    void personalDataIsPointedOutAndTold() throws SQLException {
        Mapping mapping = map("CREATE TABLE hand (id INT PRIMARY KEY, e_mail VARCHAR(60), phone_no VARCHAR(9), "
                + "date_of_birth DATE, given_name VARCHAR(9), phone_type VARCHAR(9), mailbox INT, name VARCHAR(9))");

        assertThat(mapping.remarks()).filteredOn(remark -> remark.topic() == Remark.Topic.PERSONAL).singleElement()
                .extracting(Remark::text).asString().contains("columns E_MAIL, PHONE_NO, DATE_OF_BIRTH, GIVEN_NAME have");
        assertThat(mapping.entities().get(0).told()).hasSize(8);
    }

    static Stream<Arguments> fieldRules() {
        return Stream.of(
                Arguments.of("x INT CHECK (x > 0)", List.of(least("0", false))),
                Arguments.of("x INT CHECK (0 <= x)", List.of(least("0", true))),
                Arguments.of("x INT CHECK (x BETWEEN 1 AND 9)", List.of(least("1", true), most("9", true))),
                Arguments.of("x BIGINT CHECK (x < 5 AND x >= -5)", List.of(most("5", false), least("-5", true))),
                Arguments.of("x BIGINT CHECK (x = 7)", List.of(least("7", true), most("7", true))),
                Arguments.of("x SMALLINT", List.of(least("-32768", true), most("32767", true))),
                Arguments.of("x NUMERIC(5, 2)", List.of(new FieldRule.Digits(3, 2))),
                Arguments.of("x NUMERIC(5, 2) CHECK (x >= 0)", List.of(new FieldRule.Digits(3, 2), least("0", true))),
                Arguments.of("x DOUBLE PRECISION CHECK (x <= 0.5)", List.of(most("0.5", true))),
                Arguments.of("x VARCHAR(8)", List.of(new FieldRule.Length(0, 8))),
                Arguments.of("x VARCHAR CHECK (LENGTH(x) >= 2)", List.of(new FieldRule.Length(2, Integer.MAX_VALUE))),
                Arguments.of("x VARCHAR CHECK (CHAR_LENGTH(x) = 2)", List.of(new FieldRule.Length(2, 2))),
                Arguments.of("x VARBINARY(9)", List.of(new FieldRule.Bytes(0, 9))),
                Arguments.of("x VARBINARY(30) CHECK (OCTET_LENGTH(x) = 20)",
                        List.of(new FieldRule.Bytes(0, 30), new FieldRule.Bytes(20, 20))),
                Arguments.of("x BLOB CHECK (LENGTH(x) <= 100)", List.of(new FieldRule.Bytes(0, 100))),
                Arguments.of("x INT CHECK (x IS NULL OR x BETWEEN 1 AND 9)",
                        List.of(least("1", true), most("9", true))),
                Arguments.of("x VARCHAR CHECK (LENGTH(x) > 2 OR x IS NULL)",
                        List.of(new FieldRule.Length(3, Integer.MAX_VALUE))),
                Arguments.of("x INT CHECK (x IS NULL OR CURRENT_DATE > DATE '2001-01-01')", List.of()),
                Arguments.of("x VARCHAR CHECK (x LIKE 'A_%')", List.of(new FieldRule.Pattern("A..*"))),
                Arguments.of("x VARCHAR CHECK (x REGEXP '^[a-z]')",
                        List.of(new FieldRule.Pattern("^[a-z].*"))));
    }

    @ParameterizedTest
    @MethodSource("fieldRules")
    void typesAndChecksBecomeRules(String column, List<FieldRule> rules) throws SQLException {
        assertThat(column(column).rules()).isEqualTo(rules);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "version INT DEFAULT 1 NOT NULL              | version",
        "lock_version BIGINT DEFAULT 0 NOT NULL      | lock_version",
        "row_version SMALLINT DEFAULT 0 NOT NULL     | row_version",
        "version INT                                 | ''",
        "version VARCHAR(9) DEFAULT '1' NOT NULL     | ''",
        "edition INT DEFAULT 1 NOT NULL              | ''"})
    void aVersionIsOfferedByItsNameAndNeverTakenForOne(String column, String offered) throws SQLException {
        try (TestDatabases database =
                TestDatabases.h2("CREATE TABLE \"press\" (\"id\" INT PRIMARY KEY, " + quoted(column) + ")")) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.presses");

            assertThat(mapping.entities().get(0).version()).isEmpty();
            assertThat(mapping.entities().get(0).fields().get(1).input()).isEqualTo(Field.Input.WRITABLE);
            assertThat(mapping.remarks()).filteredOn(Remark::offered).extracting(Remark::value)
                    .isEqualTo(offered.isEmpty() ? List.of() : List.of(offered));
        }
    }

    private static String quoted(String column) {
        return column.replaceFirst("^(\\w+)", "\"$1\"");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "id BINARY(16) NOT NULL PRIMARY KEY                                   | ID",
        "uuid BINARY(16)                                                      | UUID",
        "guid VARBINARY(16) CHECK (OCTET_LENGTH(guid) = 16)                   | GUID",
        "uuid VARBINARY(16)                                                   | ''",
        "hash BINARY(16)                                                      | ''",
        "uuid BINARY(32)                                                      | ''"})
    void sixteenBytesAreOfferedAsUuid(String column, String offered) throws SQLException {
        try (TestDatabases database = TestDatabases.h2("CREATE TABLE press (n INT, " + column + ")")) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.presses");

            assertThat(mapping.entities().get(0).fields().get(1).type()).isEqualTo(JavaType.BINARY);
            assertThat(mapping.remarks()).filteredOn(Remark::offered).extracting(remark -> remark.keys().get(1))
                    .isEqualTo(offered.isEmpty() ? List.of() : List.of(offered));
        }
    }

    @Test
    void checkThatListsTextsBecomesAnEnum() throws SQLException {
        Field kind = column("x VARCHAR(10) CHECK (x IN ('oak', 'new oak'))");

        assertThat(kind.type()).isEqualTo(JavaType.ENUM);
        assertThat(kind.enumeration().orElseThrow().name().value()).isEqualTo("PressX");
        assertThat(kind.enumeration().orElseThrow().constants())
                .containsEntry(JavaName.of("OAK"), "oak").containsEntry(JavaName.of("NEW_OAK"), "new oak");
        assertThat(kind.rules()).isEmpty();
    }

    @Test
    void checkThatListsTextsOfAReferenceStaysTextWithAPattern() throws SQLException {
        Mapping mapping = map("""
                CREATE TABLE grape (code VARCHAR(5) PRIMARY KEY);
                CREATE TABLE press (id INT PRIMARY KEY, x VARCHAR(5) REFERENCES grape (code) CHECK (x IN ('a', 'b')));
                """);

        Field x = mapping.entities().get(1).field("X");
        assertThat(x.type()).isEqualTo(JavaType.STRING);
        assertThat(x.rules()).contains(new FieldRule.Pattern("a|b"));
    }

    @Test
    void checksOverColumnsBecomeRulesOfTheRow() throws SQLException {
        Entity press = press("a DATE, b DATE, n INT, CHECK (b >= a), CHECK (n IN (1, 2, 3)), CHECK (a <> b)");

        assertThat(press.rowRules()).hasSize(3).anySatisfy(rule ->
                assertThat(rule).isInstanceOfSatisfying(RowRule.Compare.class, compare -> {
                    assertThat(compare.left().column().name()).isEqualTo("B");
                    assertThat(compare.right().column().name()).isEqualTo("A");
                }));
        assertThat(press.rowRules()).anySatisfy(rule ->
                assertThat(rule).isInstanceOfSatisfying(RowRule.OneOf.class, oneOf ->
                        assertThat(oneOf.options()).containsExactly(one(1), one(2), one(3))));
        assertThat(press.checks()).allMatch(Entity.CheckedFields::understood);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "a INT, b INT, CHECK (a + b < 9)", "a INT, CHECK (a <> 5)", "a VARCHAR(9), CHECK (a = UPPER(a))",
        "a INT, b BIGINT, CHECK (a < b)", "a VARCHAR(9), b VARCHAR(9), CHECK (a < b)",
        "a INT, b INT, CHECK (a = 1 OR b = 2)", "a DATE, CHECK (a <= CURRENT_DATE)"})
    void checkThatIsNotUnderstoodIsNamedAndLeftToTheDatabase(String columns) throws SQLException {
        Mapping mapping = map("CREATE TABLE press (id INT PRIMARY KEY, " + columns + ")");

        assertThat(mapping.entities().get(0).checks()).singleElement()
                .satisfies(check -> assertThat(check.understood()).isFalse());
        assertThat(mapping.remarks()).singleElement()
                .satisfies(remark -> assertThat(remark.text()).contains("left to the database", "A"));
    }

    /** A record component that looks like a getter is one to validation, which would then report two fields. */
    @ParameterizedTest
    @CsvSource({"get_up, columnGetUp", "get_class, columnGetClass", "getaway, getaway", "get, get",
            "hash_code, hashCodeValue"})
    void componentsAreNotTakenForGetters(String column, String name) throws SQLException {
        assertThat(press(column + " INT").fields().get(1).name()).hasToString(name);
    }

    /** What Java does not take, or reads as something else, is no matter in JSON. */
    @Test
    void propertiesAreCalledAsTheColumnsAre() throws SQLException {
        Mapping mapping = map("""
                CREATE TABLE class (id INT PRIMARY KEY);
                CREATE TABLE door (id INT PRIMARY KEY, private INT, get_up INT, hash_code INT, is_open BOOLEAN, open BOOLEAN,
                    "2nd" INT, class_id INT REFERENCES class (id), "A b" INT, "a_B" INT);
                """);
        Entity door = mapping.entities().get(1);

        assertThat(door.fields()).extracting(Field::jsonName).containsExactly(
                "id", "private", "getUp", "hashCode", "isOpen", "open", "2nd", "classId", "aB", "aB2");
        assertThat(door.relations()).extracting(Relation::jsonName).containsExactly("class");
        assertThat(door.relations()).extracting(relation -> relation.name().value()).containsExactly("classValue");
    }

    @Test
    void componentsThatOneWouldReadAlikeAreToldApart() throws SQLException {
        Mapping mapping = map("CREATE TABLE door (id INT PRIMARY KEY, is_open BOOLEAN, open BOOLEAN)");

        assertThat(mapping.entities().get(0).fields()).extracting(field -> field.name().value())
                .containsExactly("id", "isOpen", "open2");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "x INT NOT NULL                            | WRITABLE  | true  | false",
        "x INT                                     | WRITABLE  | false | false",
        "x INT DEFAULT 5 NOT NULL                  | WRITABLE  | false | true",
        "x INT DEFAULT 5                           | WRITABLE  | false | false",
        "x INT GENERATED ALWAYS AS (1 + 1)         | READ_ONLY | false | false",
        "x INT GENERATED BY DEFAULT AS IDENTITY    | READ_ONLY | false | false",
        "x INT ARRAY                               | WRITABLE  | false | false"})
    void whatAClientMustSendFollowsFromTheColumn(String column, Field.Input input, boolean create, boolean replace)
            throws SQLException {
        Field field = column(column);

        assertThat(field.input()).isEqualTo(input);
        assertThat(field.requiredOnCreate()).isEqualTo(create);
        assertThat(field.requiredOnReplaceOnly()).isEqualTo(replace);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "a INT PRIMARY KEY, b INT                              | A   | LIST CREATE READ REPLACE PATCH DELETE",
        "a INT PRIMARY KEY                                     | A   | LIST CREATE READ DELETE",
        "a INT, b INT, c INT, PRIMARY KEY (b, a)               | B A | LIST CREATE READ REPLACE PATCH DELETE",
        "a INT NOT NULL UNIQUE, b INT                          | A   | LIST CREATE READ REPLACE PATCH DELETE",
        "a INT UNIQUE, b INT                                   |     | LIST CREATE",
        "a INT, b INT                                          |     | LIST CREATE",
        "a DOUBLE PRECISION PRIMARY KEY, b INT                 | A   | LIST CREATE READ REPLACE PATCH DELETE",
        "a INT PRIMARY KEY, b INT ARRAY NOT NULL, c INT        | A   | LIST CREATE READ REPLACE PATCH DELETE"})
    void operationsFollowFromTheKey(String columns, String key, String operations) throws SQLException {
        Entity press = map("CREATE TABLE press (" + columns + ")").entities().get(0);

        assertThat(press.key()).extracting(field -> field.column().name())
                .containsExactly(key == null ? new String[0] : key.split(" "));
        assertThat(press.operations()).extracting(Operation::name).containsExactly(operations.split(" "));
    }

    @Test
    void viewIsListedOnlyAndSaysSo() throws SQLException {
        Mapping mapping = map("CREATE TABLE press (id INT PRIMARY KEY); CREATE VIEW presses AS SELECT * FROM press");

        Entity view = mapping.entities().get(1);
        assertThat(view.operations()).containsExactly(Operation.LIST);
        assertThat(view.inputs()).isEmpty();
        assertThat(mapping.remarks()).anyMatch(remark -> remark.text().startsWith("A view"));
    }

    @Test
    void referencesAreNamedAfterTheirColumn() throws SQLException {
        Mapping mapping = map("""
                CREATE TABLE vessel (id INT PRIMARY KEY, part INT, UNIQUE (id, part));
                CREATE TABLE transfer (
                    id INT PRIMARY KEY,
                    "from" INT NOT NULL REFERENCES vessel (id),
                    to_vessel_id INT REFERENCES vessel (id),
                    a INT,
                    b INT,
                    FOREIGN KEY (a, b) REFERENCES vessel (id, part)
                );
                """);

        assertThat(mapping.entities().get(0).relations()).extracting(relation -> relation.name().value())
                .containsExactlyInAnyOrder("fromVessel", "toVessel", "vessel");
        assertThat(mapping.entities().get(0).relations()).filteredOn(Relation::required).hasSize(1);
    }

    @Test
    void referenceOutOfSightIsLeftOutWithARemark() throws SQLException {
        try (TestDatabases database = TestDatabases.h2("""
                CREATE SCHEMA far;
                CREATE TABLE far.press (id INT PRIMARY KEY);
                CREATE TABLE juice (id INT PRIMARY KEY, press_id INT REFERENCES far.press (id));
                """)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example");

            assertThat(mapping.entities().get(0).relations()).isEmpty();
            assertThat(mapping.definition()).doesNotContain("REFERENCES");
            assertThat(mapping.remarks()).singleElement()
                    .satisfies(remark -> assertThat(remark.text()).contains("FAR.PRESS", "left out"));
        }
    }

    @ParameterizedTest
    @CsvSource({"wine_lot, wine-lots", "WineLots, wine-lots", "'wine  lot!', wine-lots", "cellar_stock, cellar-stock"})
    void pathsArePluralWithHyphens(String table, String path) throws SQLException {
        assertThat(map("CREATE TABLE \"" + table + "\" (id INT PRIMARY KEY)").entities().get(0).path()).isEqualTo(path);
    }

    @ParameterizedTest
    @CsvSource({"1a", "com.class.x", "''", "a..b", "com example"})
    void packageThatIsNoneIsRefused(String basePackage) throws SQLException {
        try (TestDatabases database = TestDatabases.h2("CREATE TABLE a (id INT PRIMARY KEY)")) {
            assertThatThrownBy(() -> VineKit.map(VineKit.read(database.database(), Scope.all()), basePackage))
                    .isInstanceOf(Fault.class).hasMessageContaining("is not a Java package name");
        }
    }

    private static Field column(String definition) throws SQLException {
        return press(definition).field("X");
    }

    private static Entity press(String columns) throws SQLException {
        return map("CREATE TABLE press (id INT PRIMARY KEY, " + columns + ")").entities().get(0);
    }

    private static Mapping map(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.h2(script)) {
            return VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made");
        }
    }

    private static FieldRule least(String bound, boolean inclusive) {
        return new FieldRule.Least(new BigDecimal(bound), inclusive);
    }

    private static FieldRule most(String bound, boolean inclusive) {
        return new FieldRule.Most(new BigDecimal(bound), inclusive);
    }

    private static BigDecimal one(int number) {
        return BigDecimal.valueOf(number);
    }
}
