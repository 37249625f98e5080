package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;

/**
 * A request that breaks a rule of a table, or leaves something to the database, and what comes of it: a step for each
 * thing that is particular about the request, and at last the outcome. Unless a step says otherwise a new row is sent,
 * like {@link RowContract#sample}.
 */
public final class RuleCase {
    /** No words of drivers reach a client; columns may be called by some of them. */
    private static final Pattern WORDS_OF_DRIVERS =
            Pattern.compile("\\w\\.\\w*Exception\\b|SQLSTATE[ \\[]|SQL statement:|ERROR: |\\(conn=");

    private final String name;
    private final List<String> properties;
    private final Body body;
    private final Request request;
    private final Check check;

    private RuleCase(String name, List<String> properties, Body body, Request request, Check check) {
        this.name = name;
        this.properties = properties;
        this.body = body;
        this.request = request;
        this.check = check;
    }

    /** A case that has no steps yet; its name is that of the test. */
    public static RuleCase of(String name) {
        return new RuleCase(name, List.of(), table -> Json.tree(table.sample()), null, table -> {
            throw new AssertionError(name + ": nothing says what is to come of it");
        });
    }

    /** A property has this value. */
    public RuleCase with(String property, Object value) {
        return edited(List.of(property), table -> Api.with(body.of(table), property, value));
    }

    /** Properties are left out. */
    public RuleCase without(String... properties) {
        return edited(List.of(properties), table -> body.of(table).without(List.of(properties)));
    }

    /** These properties have the values of a stored row. */
    public RuleCase copying(String... properties) {
        return edited(List.of(properties), table -> {
            Record stored = storedInput(table);
            return Api.copying(body.of(table), stored, properties);
        });
    }

    /** Two properties have each other's values. */
    public RuleCase exchanging(String one, String other) {
        return edited(List.of(one), table -> Api.exchanging(body.of(table), one, other));
    }

    /** A property has the value of another one. */
    public RuleCase repeating(String from, String to) {
        return edited(List.of(from), table -> {
            ObjectNode row = body.of(table);
            return Api.with(row, to, row.get(from));
        });
    }

    /** A stored row is to lose the value of a property. */
    public RuleCase clearing(String property) {
        return new RuleCase(name, List.of(property), body, table -> patch(table, property), check);
    }

    /** The row of this collection is to be deleted that a stored row refers to by a property. */
    public RuleCase deleting(String collection, String property) {
        return new RuleCase(name, List.of(property), body, table -> {
            Record row = collection.equals(table.path()) ? referring(table, property) : table.inserted();
            return new Call(row, "DELETE", collection + "/" + PathKeys.join(value(table, row, property)), null);
        }, check);
    }

    /** The answer has this status and blames the properties that the steps are about. */
    public RuleCase isRefused(int status) {
        return checked(table -> assertRefused(table, status, properties));
    }

    /** The answer has this status, whatever it blames. */
    public RuleCase isRefusedAsAWhole(int status) {
        return checked(table -> assertRefused(table, status, List.of()));
    }

    /** The database refuses it, and the answer names the rule. */
    public RuleCase isRefusedBy(String constraint) {
        return checked(table -> {
            List<? extends Record> before = table.stored();

            ApiResponse response = call(table).send(table.api());

            assertThat(response.status()).as(response.text()).isEqualTo(400);
            assertThat(response.body().path("violations").path(0).path("rule").textValue()).isEqualTo(constraint);
            assertThat(table.stored()).isEqualTo(before);
        });
    }

    /** The new row has some value where it said nothing. */
    public RuleCase takesADefault() {
        return filled(false, value -> assertThat(value.isNull()).isFalse());
    }

    /** As {@link #takesADefault}, unless the database refuses the default because of other columns or rows. */
    public RuleCase takesADefaultIfItFits() {
        return filled(true, value -> assertThat(value.isNull()).isFalse());
    }

    /** The new row has this value where it said nothing. */
    public RuleCase takesTheDefault(String value) {
        return filled(false, stored -> assertThat(Api.plain(stored)).isEqualTo(value));
    }

    /** As {@link #takesTheDefault}, unless the database refuses the default because of other columns or rows. */
    public RuleCase takesTheDefaultIfItFits(String value) {
        return filled(true, stored -> assertThat(Api.plain(stored)).isEqualTo(value));
    }

    /** The row that referred to the deleted one is deleted too. */
    public RuleCase deletesTheRow() {
        return checked(table -> assertThat(rowAfterwards(table)).isEmpty());
    }

    /** The row that referred to the deleted one stays, and refers to none. */
    public RuleCase leavesTheRowWithoutIt() {
        return checked(table -> assertThat(rowAfterwards(table).orElseThrow().hasNonNull(properties.get(0))).isFalse());
    }

    /** Does not run, for a reason that the reports give. */
    public RuleCase off(String reason) {
        return checked(table -> Assumptions.abort(reason));
    }

    void check(RowContract<?, ?> table) throws SQLException {
        check.of(table);
    }

    @Override
    public String toString() {
        return name;
    }

    private RuleCase edited(List<String> more, Body edited) {
        return new RuleCase(name, Stream.concat(properties.stream(), more.stream()).toList(), edited, request, check);
    }

    private RuleCase checked(Check outcome) {
        return new RuleCase(name, properties, body, request, outcome);
    }

    private RuleCase filled(boolean ifItFits, Consumer<JsonNode> expected) {
        return checked(table -> {
            ApiResponse response = call(table).send(table.api());

            if (!ifItFits || !isRefusedByTheDatabase(response)) {
                assertThat(response.status()).as(response.text()).isEqualTo(201);
                expected.accept(response.body().required(properties.get(0)));
            }
        });
    }

    private static boolean isRefusedByTheDatabase(ApiResponse response) {
        return response.status() == 409 || response.status() == 422
                || response.status() == 400 && response.text().contains("The database");
    }

    private Call call(RowContract<?, ?> table) throws SQLException {
        return request == null ? new Call(null, "POST", table.path(), body.of(table)) : request.of(table);
    }

    private void assertRefused(RowContract<?, ?> table, int status, List<String> blamed) throws SQLException {
        Call call = call(table);
        List<? extends Record> before = table.stored();

        ApiResponse response = call.send(table.api());

        assertThat(response.status()).as(response.text()).isEqualTo(status);
        assertThat(response.text()).doesNotContainPattern(WORDS_OF_DRIVERS);
        if (status == 400) {
            assertThat(response.text()).as("the service knows the rule").doesNotContain("The database");
        }
        switch (call.method()) {
            case "DELETE" -> assertThat(response.body().path("detail").textValue()).contains(table.path().substring(1));
            case "PATCH" -> assertThat(response.violatedFields()).hasSameElementsAs(blamed);
            default -> {
                assertThat(response.violatedFields()).as(response.text()).containsAll(blamed);
                if (table instanceof CreateManyContract) {
                    assertRefusedAmongMany(table, call, status, blamed);
                }
            }
        }
        assertThat(table.stored()).isEqualTo(before);
    }

    private static void assertRefusedAmongMany(
            RowContract<?, ?> table, Call call, int status, List<String> blamed) {
        ApiResponse response = table.api().post(table.path(), List.of(call.body()));

        assertThat(response.status()).as(response.text()).isEqualTo(status);
        if (status == 400) {
            assertThat(response.violatedFields()).containsAll(blamed.stream().map(field -> "[0]." + field).toList());
        }
    }

    /** The row that referred to the one which was deleted. */
    private Optional<ObjectNode> rowAfterwards(RowContract<?, ?> table) throws SQLException {
        Call call = call(table);

        ApiResponse response = call.send(table.api());

        assertThat(response.status()).as(response.text()).isEqualTo(204);
        ObjectNode key = Json.tree(call.row()).retain(table.facts().key());
        return table.stored().stream().map(Json::tree)
                .filter(row -> row.deepCopy().retain(table.facts().key()).equals(key)).findFirst();
    }

    private static <R extends Record, I extends Record> Record storedInput(RowContract<R, I> table)
            throws SQLException {
        return table.input(table.inserted());
    }

    private static <R extends Record> Object value(RowContract<R, ?> table, Record row, String property) {
        return table.value(table.type().cast(row), property);
    }

    /** A row that refers to another one of the same table. */
    private static Record referring(RowContract<?, ?> table, String property) throws SQLException {
        Object key = Json.tree(table.inserted()).get(table.facts().key().get(0));
        ApiResponse response = table.api().post(table.path(), Api.with(table.sample(), property, key));
        assertThat(response.status()).as(response.text()).isEqualTo(201);
        return response.as(table.type());
    }

    private static Call patch(RowContract<?, ?> table, String property) throws SQLException {
        return new Call(null, "PATCH", pathOfNew((KeyContract<?, ?>) table), Api.clearing(property));
    }

    private static <R extends Record> String pathOfNew(KeyContract<R, ?> table) throws SQLException {
        return table.path(table.inserted());
    }

    private interface Body {
        ObjectNode of(RowContract<?, ?> table) throws SQLException;
    }

    private interface Request {
        Call of(RowContract<?, ?> table) throws SQLException;
    }

    private interface Check {
        void of(RowContract<?, ?> table) throws SQLException;
    }

    /** A request, and the stored row that it is about; null if it is about a new one. */
    private record Call(Record row, String method, String path, ObjectNode body) {
        ApiResponse send(Api api) {
            String type = method.equals("PATCH") ? MergePatch.MEDIA_TYPE : "application/json";
            return api.send(method, path, type, body);
        }
    }
}
