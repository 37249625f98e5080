package dev.vinekit.service;

import dev.vinekit.Programs;
import java.io.File;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.logging.Level;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A browser without a window, as a person uses it: by what stands on the page. */
final class Browser implements AutoCloseable {
    private static final int MOST_TABS = 200;
    private static final int MOST_TOLD = 1500;
    private static final Duration POLLING = Duration.ofMillis(40);
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final ChromeDriver driver;

    Browser(String... options) {
        File program = Programs.require("chromium").toFile();
        File server = Programs.require("chromedriver").toFile();
        LoggingPreferences logs = new LoggingPreferences();
        logs.enable(LogType.BROWSER, Level.ALL);
        ChromeOptions chosen = new ChromeOptions();
        chosen.setBinary(program);
        chosen.addArguments("--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--window-size=1280,800");
        chosen.addArguments(options);
        chosen.setCapability("goog:loggingPrefs", logs);
        driver = new ChromeDriver(new ChromeDriverService.Builder().usingDriverExecutable(server).usingAnyFreePort()
                .build(), chosen);
    }

    /** Skips the tests where there is no browser. */
    static void require() {
        Programs.require("chromium");
        Programs.require("chromedriver");
    }

    WebDriver driver() {
        return driver;
    }

    Browser open(String url) {
        driver.get("about:blank");
        driver.get(url);
        return this;
    }

    void reload() {
        driver.navigate().refresh();
    }

    /** Shows pages in light or dark colours, in a window of this size. */
    void look(String scheme, int width, int height) {
        driver.executeCdpCommand("Emulation.setEmulatedMedia",
                Map.of("features", List.of(Map.of("name", "prefers-color-scheme", "value", scheme))));
        driver.executeCdpCommand("Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    /** The first thing that fits, as soon as it is there. */
    WebElement find(String css) {
        return until(all -> driver.findElements(By.cssSelector(css)).stream().filter(WebElement::isDisplayed)
                .findFirst().orElse(null));
    }

    /** The first that fits and has this text in it, as soon as it is there. */
    WebElement find(String css, String text) {
        return until(all -> driver.findElements(By.cssSelector(css)).stream()
                .filter(element -> element.isDisplayed() && element.getText().contains(text)).findFirst().orElse(null));
    }

    List<String> texts(String css) {
        return until(all -> driver.findElements(By.cssSelector(css)).stream().map(WebElement::getText).toList());
    }

    void click(String css, String text) {
        until(all -> {
            find(css, text).click();
            return true;
        });
    }

    /** Types into the field of this label, in place of what is there. */
    void type(String field, String text) {
        WebElement element = find("[id=\"field-" + field + "\"]");
        element.clear();
        element.sendKeys(text);
    }

    /** What stands in the field of this label. */
    String value(String field) {
        return find("[id=\"field-" + field + "\"]").getDomProperty("value");
    }

    /** Goes by the tabulator key to what has this text or name, and presses keys there. */
    void press(String textOrId, CharSequence... keys) {
        for (int i = 0; i < MOST_TABS; i++) {
            WebElement focused = driver.switchTo().activeElement();
            if (focused.getText().equals(textOrId) || textOrId.equals(focused.getDomAttribute("id"))) {
                focused.sendKeys(keys);
                return;
            }
            new Actions(driver).sendKeys(Keys.TAB).perform();
        }
        throw new AssertionError("Nobody comes to " + textOrId + " by the tabulator key.");
    }

    /** Waits until something is so. */
    <T> T until(Function<WebDriver, T> condition) {
        try {
            return new WebDriverWait(driver, PATIENCE, POLLING).ignoring(StaleElementReferenceException.class)
                    .until(condition);
        } catch (TimeoutException e) {
            String text = driver.findElement(By.tagName("body")).getText();
            throw new AssertionError(driver.getCurrentUrl() + " still shows "
                    + text.substring(0, Math.min(MOST_TOLD, text.length())), e);
        }
    }

    Object run(String script, Object... arguments) {
        return ((JavascriptExecutor) driver).executeScript(script, arguments);
    }

    /** What a script says to the function that is its last argument. */
    Object ask(String script, Object... arguments) {
        return driver.executeAsyncScript(script, arguments);
    }

    /** What the browser complained of: scripts that failed, files that it refused. */
    List<String> complaints() {
        return driver.manage().logs().get(LogType.BROWSER).getAll().stream().map(entry -> entry.getMessage())
                .filter(message -> !message.contains("Failed to load resource") && !message.startsWith("rendering "))
                .toList();
    }

    /** The rules of accessibility that the page breaks now, by the judge's own names, with the places. */
    @SuppressWarnings("unchecked")
    List<String> barriers(String judge) {
        driver.executeScript(judge);
        Map<String, Object> found = (Map<String, Object>) driver.executeAsyncScript(
                "const done = arguments[0]; axe.run(document, {resultTypes: [\"violations\"]}).then(done, failure => done({violations: [{id: String(failure), nodes: []}]}));");
        return ((List<Map<String, Object>>) found.get("violations")).stream().map(violation -> violation.get("id") + " "
                + ((List<Map<String, Object>>) violation.get("nodes")).stream().map(node -> node.get("html")).limit(3)
                .toList()).toList();
    }

    @Override
    public void close() {
        driver.quit();
    }
}
