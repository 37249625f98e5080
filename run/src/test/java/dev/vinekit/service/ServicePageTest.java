package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.TestDatabases;
import dev.vinekit.Timebox;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.WindowType;

/** The page of a generated service, in a real browser. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ServicePageTest {
    private static final String JUDGE = "/META-INF/resources/webjars/axe-core/4.6.3/axe.min.js";
    private static final String HOSTILE =
            "</td><img src=x onerror=\"window.broken=1\"><script>window.broken=1</script>";

    private final ObjectMapper json = new ObjectMapper();
    private ServedCellar cellar;
    private Browser browser;

    @BeforeAll
    void requireBrowser() {
        Browser.require();
    }

    @BeforeEach
    void open() {
        cellar = cellar == null ? ServedCellar.alone(ServedCellar.project("h2", ""), Map.of()) : cellar;
        browser = new Browser();
    }

    @AfterEach
    void close() {
        try {
            assertThat(browser.complaints()).isEmpty();
        } finally {
            browser.close();
        }
    }

    @AfterAll
    void stop() {
        if (cellar != null) {
            cellar.close();
        }
    }

    private String page(String place) {
        return page(cellar.url(), place);
    }

    private static String page(String url, String place) {
        return url.replaceAll("/api/?$", "/") + "#" + place;
    }

    private static String stored(ServedCellar cellar, String sql) throws SQLException {
        try (Connection connection = cellar.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            return row.next() ? row.getString(1) : "no row";
        }
    }

    private static void store(ServedCellar cellar, String sql, String... values) throws SQLException {
        try (Connection connection = cellar.connect(); PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                statement.setString(i + 1, values[i]);
            }
            statement.executeUpdate();
        }
    }

    @Test
    void fromTheListToAChangedRow() throws Exception {
        changeARow("h2");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "sqlite"})
    void fromTheListToAChangedRowOnOtherEngines(String engine) throws Exception {
        changeARow(engine);
    }

    private void changeARow(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ServedCellar served = ServedCellar.alone(ServedCellar.project(engine, ""), Map.of())) {
            browser.open(page(served.url(), "/"));
            assertThat(browser.find("tr", "vessels").getText()).contains("create read replace change delete");
            browser.until(counted -> browser.find("tr", "vessels").getText().contains("30"));
            browser.click("main a", "vessels");
            browser.find("h1", "vessels");

            browser.find("select[aria-label=Where] option[value=code]").click();
            browser.find("select[aria-label=comparison] option[value=contains]").click();
            browser.find("input[name=value]").sendKeys("B", Keys.ENTER);
            browser.find(".mark", "code contains B");
            browser.click("th button", "code");
            browser.find("th[aria-sort=ascending]", "code");
            String first = browser.find("tbody tr").getText();
            browser.reload();
            assertThat(browser.find("tbody tr").getText()).isEqualTo(first);
            browser.click(".mark", "code contains B");
            browser.until(all -> browser.texts("tbody tr").size() == 30);

            browser.click("tbody a", "Open");
            browser.click("main a", "Edit");
            browser.type("capacityLitres", "7");
            browser.click("button", "Save");
            assertThat(browser.find(".problem").getText()).contains("400");
            assertThat(browser.find("#field-capacityLitres-wrong").getText()).contains("20");
            browser.type("capacityLitres", "4321");
            browser.click("button", "Save");
            browser.find("dd", "4321");
            assertThat(stored(served, "SELECT COUNT(*) FROM vessel WHERE capacity_litres = 4321")).isEqualTo("1");

            browser.open(page(served.url(), "/new/grape-varieties"));
            browser.type("code", "PAGE");
            browser.type("name", "Page Grape");
            browser.find("[id=field-colour] option:nth-child(2)").click();
            browser.click("button", "Create");
            browser.find("h1", "PAGE");
            assertThat(stored(served, "SELECT name FROM grape_variety WHERE code = 'PAGE'")).isEqualTo("Page Grape");
            browser.click("button", "Delete");
            browser.click("dialog button", "Keep it");
            assertThat(stored(served, "SELECT name FROM grape_variety WHERE code = 'PAGE'")).isEqualTo("Page Grape");
            browser.click("button", "Delete");
            browser.find("dialog[open] button[value=yes]").click();
            browser.find("h1", "grape-varieties");
            browser.until(gone -> browser.texts("tbody tr").stream().noneMatch(row -> row.contains("PAGE")));
            assertThat(stored(served, "SELECT name FROM grape_variety WHERE code = 'PAGE'")).isEqualTo("no row");
        }
    }

    @Test
    void pagesGoBothWaysAndReferencesLead() {
        browser.open(page("/rows/vessel-transfers?limit=15"));
        String first = browser.find("tbody tr").getText();
        browser.click("button", "Next page");
        browser.until(other -> !browser.find("tbody tr").getText().equals(first));
        browser.click("button", "Next page");
        browser.until(rest -> browser.texts("tbody tr").size() == 10);
        assertThat(browser.driver().findElements(By.cssSelector("main button")).stream().map(WebElement::getText))
                .doesNotContain("Next page");
        browser.click("button", "Previous page");
        browser.until(full -> browser.texts("tbody tr").size() == 15);
        browser.click("button", "Previous page");
        browser.until(begin -> browser.find("tbody tr").getText().equals(first));
        browser.click("summary", "Columns");
        browser.find("label", "litres").click();
        browser.until(without -> !browser.texts("th").contains("litres"));

        browser.open(page("/row/parcels/3"));
        browser.click("dd a", "CIL");
        browser.find("h1", "grape-varieties CIL");
        browser.click("section[aria-label=parcels] h2 a", "parcels");
        browser.find("h1", "parcels of grape-varieties CIL");
    }

    @Test
    void aReferenceIsFoundByWhatItMeans() {
        browser.open(page("/new/parcels"));
        browser.find("#field-varietyCode").sendKeys("Cil");
        browser.until(offered -> browser.driver().findElements(By.cssSelector("#field-varietyCode-offers option"))
                .stream()
                .anyMatch(option -> option.getDomProperty("value").equals("CIL")
                        && option.getDomProperty("textContent").contains("Cilandra")));
    }

    @Test
    void aCopyMakesAnotherRowAndIsSentWithoutItsKey() throws Exception {
        browser.open(page("/row/labels/4"));
        browser.click("main a", "Copy");
        browser.type("title", "A copied label");
        browser.click("button", "Create");
        browser.find("dd", "A copied label");
        assertThat(stored(cellar, "SELECT COUNT(*) FROM label a JOIN label b ON a.language_code = b.language_code"
                + " WHERE a.id = 4 AND b.title = 'A copied label' AND b.id <> 4")).isEqualTo("1");
    }

    @Test
    void onlyWhatChangedIsSent() {
        browser.open(page("/edit/vessels/5"));
        browser.type("capacityLitres", "1234");
        browser.find("#field-code").sendKeys("x", Keys.BACK_SPACE);
        browser.click("button", "Save");
        browser.find("dd", "1234");
        browser.open(page("/requests?id=readVessel"));
        assertThat(browser.run("return JSON.parse(sessionStorage.getItem('asked'))[0].body"))
                .isEqualTo("{\"capacityLitres\":1234}");
    }

    @Test
    void anUnfinishedEditIsThereAfterReloading() {
        browser.open(page("/edit/parcels/1"));
        browser.find("#field-soil option:nth-child(1)").click();
        browser.type("name", "Half a na");
        browser.find(".note", "Kept in this browser");
        for (int i = 0; i < 5; i++) {
            browser.reload();
            browser.until(there -> browser.value("name").equals("Half a na"));
        }
        browser.open(page("/edit/parcels/1"));
        assertThat(browser.find(".note", "other unsent edits").getText()).isNotEmpty();
        browser.open(page("/drafts"));
        assertThat(browser.find("tbody tr").getText()).contains("Edit parcels 1", "soil, name");
        assertThat(browser.texts("tbody tr")).as("it stays one").hasSize(1);
        browser.click("main a", "Edit parcels 1");
        browser.until(there -> browser.value("name").equals("Half a na"));
        browser.click("button", "Throw it away");
        browser.until(fresh -> !browser.value("name").equals("Half a na"));
        browser.open(page("/drafts"));
        browser.find("p", "None.");
    }

    @Test
    void theSameDraftInTwoTabsBecomesTwo() {
        browser.open(page("/edit/parcels/2"));
        browser.type("name", "First tab");
        browser.find(".note", "Kept in this browser");
        String address = browser.driver().getCurrentUrl();
        browser.driver().switchTo().newWindow(WindowType.TAB);
        browser.open(address);
        browser.until(there -> browser.value("name").equals("First tab"));
        browser.type("name", "Second tab");
        browser.find(".note", "Kept in this browser");

        browser.open(page("/drafts"));
        assertThat(browser.find("tbody").findElements(By.tagName("tr"))).hasSize(2);
        browser.click("main a", "Edit parcels 2");
        browser.until(there -> browser.value("name").equals("Second tab"));
    }

    @Test
    void aKilledBrowserLosesNoEdit(@TempDir Path profile) throws Exception {
        String option = "--user-data-dir=" + profile;
        try (Browser killed = new Browser(option)) {
            killed.open(page("/new/labels"));
            killed.type("title", "Written before the");
            killed.find(".note", "Kept in this browser");
            ProcessHandle.current().descendants()
                    .filter(process -> process.info().commandLine().orElse("").contains(option))
                    .forEach(ProcessHandle::destroyForcibly);
        }
        try (Browser another = new Browser(option)) {
            another.open(page("/drafts"));
            another.click("main a", "New row of labels");
            another.until(there -> another.value("title").equals("Written before the"));
        }
    }

    @Test
    void aServiceThatIsAwayLosesNoEdit() throws Exception {
        RunningService away = cellar.replica(Map.of());
        String port = String.valueOf(URI.create(away.url()).getPort());
        browser.open(page(away.url(), "/edit/labels/5"));
        browser.type("title", "Patience");
        away.close();
        browser.click("button", "Save");
        assertThat(browser.find(".problem").getText()).contains("The service does not answer", "kept");
        assertThat(browser.value("title")).isEqualTo("Patience");

        try (RunningService back = cellar.replica(Map.of("HTTP_PORT", port))) {
            browser.click("button", "Save");
            browser.find("dd", "Patience");
            assertThat(stored(cellar, "SELECT title FROM label WHERE id = 5")).isEqualTo("Patience");
            assertThat(back.url()).isEqualTo(away.url());
        }
    }

    @Test
    void ofTwoWhoChangeARowTheSecondSeesBothStates() throws Exception {
        browser.open(page("/edit/labels/2"));
        browser.type("title", "Mine");
        String window = browser.driver().getWindowHandle();
        browser.driver().switchTo().newWindow(WindowType.TAB);
        browser.open(page("/edit/labels/2"));
        browser.type("title", "Theirs");
        browser.click("button", "Save");
        browser.find("dd", "Theirs");
        browser.driver().switchTo().window(window);

        browser.click("button", "Save");
        assertThat(browser.find("[aria-label='Changed meanwhile']").getText()).contains("412", "Theirs", "Mine");
        assertThat(stored(cellar, "SELECT title FROM label WHERE id = 2")).isEqualTo("Theirs");
        browser.click("button", "Put mine on top of it");
        browser.find("dd", "Mine");
        assertThat(stored(cellar, "SELECT title FROM label WHERE id = 2")).isEqualTo("Mine");
    }

    @Tag("thorough")
    @Test
    void everyRequestAndComparisonOfTheDescriptionIsThere() throws Exception {
        JsonNode document = json.readTree(Files.readString(cellar.project().directory()
                .resolve("src/main/resources/openapi.json")));
        List<String> operations = new ArrayList<>();
        List<String> comparisons = new ArrayList<>();
        document.path("paths").properties().forEach(path -> path.getValue().properties().forEach(operation -> {
            if (!operation.getKey().equals("parameters")) {
                operations.add(operation.getKey().toUpperCase(Locale.ROOT) + " " + path.getKey());
            }
            if (operation.getKey().equals("get") && !path.getKey().contains("{")) {
                operation.getValue().path("parameters")
                        .forEach(parameter -> resolved(document, resolved(document, parameter).path("schema"))
                        .path("properties").fieldNames()
                        .forEachRemaining(comparison -> comparisons.add(path.getKey() + " "
                                + resolved(document, parameter).path("name").asText() + " " + comparison)));
            }
        }));
        browser.open(page("/requests"));
        browser.find(".operations");
        assertThat(browser.texts(".operations a")).containsExactlyInAnyOrderElementsOf(operations);

        List<String> offered = new ArrayList<>();
        for (String collection : comparisons.stream().map(text -> text.split(" ")[0]).distinct().toList()) {
            browser.open(page("/rows" + collection));
            browser.find("tbody");
            for (String field : browser.texts("select[aria-label=Where] option")) {
                browser.find("select[aria-label=Where] option[value=\"" + field + "\"]").click();
                browser.texts("select[aria-label=comparison] option")
                        .forEach(comparison -> offered.add(collection + " " + field + " " + comparison));
            }
        }
        assertThat(offered).hasSizeGreaterThan(300).containsExactlyInAnyOrderElementsOf(comparisons);
    }

    private static JsonNode resolved(JsonNode document, JsonNode node) {
        return node.has("$ref") ? document.at(node.get("$ref").asText().substring(1)) : node;
    }

    @Tag("thorough")
    @Test
    void examplesAreAcceptedAsTheyStand() throws Exception {
        JsonNode document = json.readTree(Files.readString(cellar.project().directory()
                .resolve("src/main/resources/openapi.json")));
        try (ServedCellar fresh = ServedCellar.alone(cellar.project(), Map.of())) {
            List<String> creations = Stream.of("blends", "bottlings", "cellar-hands", "cellar-logs", "grape-varieties",
                    "harvests", "labels",
                    "lab-analyses", "parcels", "vessels", "vessel-transfers", "wine-lots")
                    .map(path -> document.at("/paths/~1" + path + "/post/operationId").asText()).toList();
            for (String creation : creations) {
                browser.open(page(fresh.url(), "/requests?id=" + creation));
                browser.click("button", "Send");
                assertThat(browser.find("section[aria-label=Answer]").getText()).as(creation).startsWith("201 Created");
            }
            assertThat(browser.find("pre", "curl").getText())
                    .contains("-X POST", "Content-Type: application/json", "/api/wine-lots");
            browser.click("summary", "The last 12 requests");
            browser.click("td button", "Send again");
            browser.find("section[aria-label=Answer]", "409");

            browser.open(page(fresh.url(), "/row/vessels/2"));
            browser.find("dd", "2");
            browser.run("location.hash = '#/requests?id=replaceVessel&key=2'");
            browser.click("button", "Use the row that was read last");
            browser.click("button", "Send");
            browser.find("section[aria-label=Answer]", "200 OK");
        }
    }

    @Test
    void whoMayDoLittleIsOfferedLittle() throws Exception {
        Map<String, String> settings = Map.of("AUTH_SECRET", "a secret of the tests that has 32 bytes or more");
        try (ServedCellar secured = ServedCellar.alone(ServedCellar.project("h2", """
                http:
                  other-tables: ["*"]
                entities:
                  parcel:
                    access: {read: [cellar-hand, winemaker], create: [winemaker], replace: [winemaker]}
                  vessel:
                    access: {read: [winemaker]}
                """), settings)) {
            browser.open(page(secured.url(), "/rows/parcels"));
            assertThat(browser.find(".problem").getText()).contains("401", "A token is needed");
            browser.click(".problem a", "Access");
            browser.find("textarea").sendKeys(Runner.token(secured.project(), settings, "hand",
                    List.of("cellar-hand"), Map.of(), Duration.ofMinutes(5)));
            browser.click("button", "Use it");
            browser.find("tr", "parcels");
            assertThat(browser.texts("tbody tr a")).contains("parcels", "labels").doesNotContain("vessels");
            assertThat(browser.find("tr", "parcels").getText()).contains("list read")
                    .doesNotContain("create", "change", "delete");
            browser.open(page(secured.url(), "/row/parcels/1"));
            browser.find("dl");
            assertThat(browser.texts("main .actions a")).doesNotContain("Edit", "Copy").contains("As a request");
            browser.open(page(secured.url(), "/access"));
            assertThat(browser.find("dl").getText()).contains("hand", "cellar-hand");
            browser.driver().switchTo().newWindow(WindowType.TAB);
            browser.open(page(secured.url(), "/access"));
            assertThat(browser.find("main").getText()).contains("No token is in use");
        }
    }

    @Test
    void hostileRowsAreTextAndNoMore() throws Exception {
        String turned = "safe\u202Egnp.exe";
        String long1 = "y".repeat(1_000_000) + HOSTILE;
        try (ServedCellar hostile = ServedCellar.alone(ServedCellar.project("h2", """
                CREATE TABLE "<img src=x onerror=broken=1>" (id VARCHAR(200) PRIMARY KEY, "<b>name</b>" VARCHAR(300) NOT NULL,
                    whole CHARACTER LARGE OBJECT, doc JSON, "toString" INT, "constructor" VARCHAR(5));
                CREATE TABLE child (id INT PRIMARY KEY, parent VARCHAR(200) REFERENCES "<img src=x onerror=broken=1>");
                COMMENT ON TABLE "<img src=x onerror=broken=1>" IS '</script><script>window.broken=1</script>';
                COMMENT ON COLUMN "<img src=x onerror=broken=1>".whole IS '"><svg onload=window.broken=1>';
                """, "project: {json-names: as-in-database}"), Map.of())) {
            String path = hostile.http().get("/openapi.json").body().path("paths").properties().stream()
                    .map(Map.Entry::getKey)
                    .filter(each -> each.contains("img") && !each.contains("{")).findFirst().orElseThrow().substring(1);
            for (String key : List.of("javascript:window.broken=1", HOSTILE, "../../../x?y#z", turned)) {
                store(hostile,
                        "INSERT INTO \"<img src=x onerror=broken=1>\" VALUES (?, ?, ?, JSON '{\"<img src=x onerror=broken=1>\": \"</pre>\"}', 1, 'c')",
                        key, HOSTILE + turned, key.equals(HOSTILE) ? long1 : long1.substring(990_000));
                store(hostile, "INSERT INTO child VALUES ((SELECT COUNT(*) FROM child), ?)", key);
            }
            browser.open(page(hostile.url(), "/rows/" + path));
            browser.find("td:nth-child(2) .value", "onerror");
            browser.find("td:nth-child(4) summary", "yyy").click();
            browser.until(whole -> String.valueOf(browser.run(
                    "return document.querySelector('details[open] pre').textContent")).contains("onerror"));
            unbroken();
            List<String> rows = browser.driver().findElements(By.cssSelector("tbody td:first-child a")).stream()
                    .map(link -> link.getDomProperty("hash")).toList();
            assertThat(rows).hasSizeGreaterThanOrEqualTo(4);
            for (String row : rows) {
                browser.open(hostile.url().replaceAll("/api/?$", "/") + row);
                browser.find("dl");
                unbroken();
                browser.click("main a", "Edit");
                browser.find("h1", "Edit");
                browser.find("[id=\"field-<b>name</b>\"]").sendKeys("!");
                browser.find(".note", "Kept in this browser");
                unbroken();
            }
            browser.open(page(hostile.url(), "/rows/children"));
            browser.find("td", "javascript:");
            assertThat(browser.driver().findElements(By.cssSelector("main a")).stream()
                    .map(link -> link.getDomProperty("href")))
                    .allMatch(href -> href.startsWith("http://127.0.0.1:"));
            for (String place : List.of("/", "/drafts", "/requests", "/requests?id=listChild", "/rows/" + path
                    + "?%3Cb%3Ename%3C%2Fb%3E[contains]=%3Cimg",
                    "/rows/%3Cimg%20src=x%20onerror=broken=1%3E", "/<img src=x onerror=broken=1>")) {
                browser.open(page(hostile.url(), place));
                browser.find("h1, .problem");
                unbroken();
            }
        }
    }

    /** No script of the data ran, and no element of it came to be. */
    private void unbroken() {
        assertThat(browser.run("return window.broken")).isNull();
        assertThat(browser.driver().findElements(By.cssSelector("img, svg, main script, td > b, pre > b"))).isEmpty();
    }

    static Stream<String> engines() {
        return Timebox.of(List.of("h2", "postgresql", "mariadb", "mysql", "sqlite"), "pages", 20);
    }

    @Tag("thorough")
    @ParameterizedTest
    @MethodSource("engines")
    void tablesOfAllKindsAreShownAndEveryValueSurvivesItsField(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ServedCellar served = ServedCellar.alone(
                ServedCellar.project(engine, TestDatabases.clausesScript(engine), "{}\n"), Map.of())) {
            browser.open(page(served.url(), "/"));
            browser.find("tbody tr");
            List<String> collections = browser.texts("tbody td:first-child a");
            assertThat(collections).hasSizeGreaterThan(20);
            List<String> opened = new ArrayList<>();
            for (String collection : collections) {
                visit("#/rows/" + collection, "h1");
                assertThat(browser.ask(SURVIVES, collection)).as(collection).isEqualTo(List.of());
                String row =
                        (String) browser.run(
                                "return document.querySelector('main tbody td:first-child a')?.hash ?? ''");
                if (!row.isEmpty()) {
                    opened.add(row);
                    visit(row, "dl");
                    visit(row.replace("#/row/", "#/edit/"), "h1");
                }
                visit("#/new/" + collection, "h1, .problem");
            }
            assertThat(opened).hasSizeGreaterThan(20);
        }
    }

    /** Fields whose value is another when its text is taken for it, of all rows of a collection. */
    private static final String SURVIVES = """
            const done = arguments[arguments.length - 1];
            (async () => {
              const [{ describe }, { parse, send, stringify }, { textOf, valueOf }] = await Promise.all(
                ["description", "api", "values"].map(name => import(`/page/${name}.js`)));
              const service = describe((await send("GET", "/api/openapi.json")).value);
              const collection = service.collections.find(each => each.name === arguments[0]);
              const rows = (await send("GET", collection.list.url)).value;
              return rows.flatMap(row => collection.fields.filter(field => {
                const value = row[field.name];
                return stringify(valueOf(field, textOf(field, value))) !== stringify(value) && value !== "";
              }).map(field => `${field.name}: ${stringify(row[field.name])}`));
            })().then(done, failure => done([String(failure)]));
            """;

    private void visit(String place, String css) {
        browser.run("location.hash = arguments[0]", place);
        browser.find("main[aria-busy=false]");
        browser.find(css);
        assertThat(browser.find("main").getText()).as(place).doesNotContain("undefined", "[object", "NaN ");
    }

    @Tag("thorough")
    @Test
    void nobodyIsShutOut() throws IOException {
        String judge;
        try (InputStream script = getClass().getResourceAsStream(JUDGE)) {
            judge = new String(script.readAllBytes(), StandardCharsets.UTF_8);
        }
        for (String look : List.of("light 1280", "dark 1280", "light 400")) {
            browser.look(look.split(" ")[0], Integer.parseInt(look.split(" ")[1]), 800);
            for (String place : List.of("/", "/rows/wine-lots", "/rows/vessels?code[contains]=B&sort=code",
                    "/rows/parcels/3/harvests", "/row/parcels/3",
                    "/edit/parcels/3", "/new/bottlings", "/requests", "/requests?id=listVessel",
                    "/requests?id=createVessel", "/drafts", "/access", "/rows/nothing", "/edit/nothing/1",
                    "/row/nothing/1")) {
                browser.open(page(place));
                browser.find("main[aria-busy=false] h1");
                assertThat(browser.barriers(judge)).as(place + ", " + look).isEmpty();
                assertThat(
                        (Long) browser.run(
                                "return document.documentElement.scrollWidth - document.documentElement.clientWidth"))
                        .as(place + ", " + look).isLessThanOrEqualTo(0);
            }
        }
    }

    @Test
    void allOfItByKeyboard() throws Exception {
        browser.open(page("/"));
        browser.find("tr", "labels");
        browser.press("labels", Keys.ENTER);
        browser.find("h1", "labels");
        browser.press("New row", Keys.ENTER);
        browser.find("h1", "New row of labels");
        browser.press("field-title", "By keyboard");
        browser.press("field-languageCode", "en");
        browser.press("Create", Keys.SPACE);
        browser.find("dd", "By keyboard");
        browser.press("Delete", Keys.ENTER);
        browser.find("dialog[open]");
        browser.press("Delete", Keys.ENTER);
        browser.find("h1", "labels");
        assertThat(stored(cellar, "SELECT COUNT(*) FROM label WHERE title = 'By keyboard'")).isEqualTo("0");
    }

    @Test
    void thePageIsThereWhereNobodyElseReachesTheServiceOrItIsWanted() throws Exception {
        String root = cellar.url().replaceAll("/api/?$", "/");
        Http.Answer page = new Http(root).get("");
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.header("Content-Type")).startsWith("text/html");
        assertThat(page.header("Content-Security-Policy")).contains("default-src 'none'", "script-src 'self'")
                .doesNotContain("unsafe");
        assertThat(page.header("Set-Cookie")).isEmpty();
        assertThat(new Http(root).get("page/../db/schema.sql").status()).isEqualTo(404);
        assertThat(new Http(root).post("page/app.js", "{}").status()).isEqualTo(405);

        try (RunningService everywhere = cellar.replica(Map.of("HTTP_HOST", "0.0.0.0"));
                RunningService wanted = cellar.replica(Map.of("HTTP_HOST", "0.0.0.0", "HTTP_PAGE", "true"));
                RunningService unwanted = cellar.replica(Map.of("HTTP_PAGE", "false"))) {
            assertThat(status(everywhere)).isEqualTo(302);
            assertThat(status(wanted)).isEqualTo(200);
            assertThat(status(unwanted)).isEqualTo(302);
        }
    }

    private static int status(RunningService service) {
        return new Http("http://localhost:" + URI.create(service.url()).getPort() + "/").get("").status();
    }
}
