package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A person at Debian's Chromium, without a window. */
final class Browser implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(40);
    private static final List<String> ARGUMENTS = List.of(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            "--force-prefers-reduced-motion");

    // One question to the page instead of several for each of its elements.
    private static final String FIRST_THAT_SAYS = """
            const [css, words] = arguments;
            return [...document.querySelectorAll(css)].find(e => !e.disabled && e.getClientRects().length > 0
              && e.innerText.trim().replace(/\\s+/g, ' ').startsWith(words)) ?? null;
            """;
    private static final String ROW_THAT_SAYS = """
            return [...document.querySelectorAll('tr, [role=row]')].map(e => e.innerText)
              .find(t => t.includes(arguments[0])) ?? null;
            """;

    /** What a page did against the service's own rules for pages. */
    private static final String NOTED = """
            window.refused = [];
            document.addEventListener('securitypolicyviolation',
              e => window.refused.push(e.violatedDirective + ' ' + e.sourceFile + ':' + e.lineNumber));
            """;

    private final ChromeDriver driver;
    private final Ensemble choir;

    Browser(Ensemble choir) {
        this.choir = choir;
        var options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(ARGUMENTS);
        options.addArguments("--user-data-dir=" + Scratch.folder("choir-browser"));
        var service = new ChromeDriverService.Builder()
                .usingDriverExecutable(new File("/usr/bin/chromedriver"))
                .usingAnyFreePort()
                .build();
        driver = new ChromeDriver(service, options);
        driver.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument", Map.of("source", NOTED));
        driver.manage().timeouts().scriptTimeout(PATIENCE);
        size(1280, 800);
    }

    void size(int width, int height) {
        driver.manage().window().setSize(new Dimension(width, height));
    }

    void open(String path) {
        requireNothingRefused();
        driver.get(choir.address().resolve(path).toString());
    }

    private void requireNothingRefused() {
        assertThat(run("return window.refused ?? []"))
                .as("against the content policy")
                .isEqualTo(List.of());
    }

    void signIn() {
        signIn(Ensemble.ADMIN, Ensemble.PASSWORD);
    }

    void forgetWhoIsSignedIn() {
        driver.manage().deleteAllCookies();
        driver.get("about:blank");
    }

    void signIn(String user, String password) {
        driver.manage().deleteAllCookies();
        open("/");
        type("input[autocomplete=username]", user);
        type("input[type=password]", password + Keys.ENTER);
        see("Is the fleet in tune?");
    }

    private <T> T patiently(String what, Supplier<T> look) {
        return new WebDriverWait(driver, PATIENCE)
                .ignoring(StaleElementReferenceException.class)
                .withMessage(() -> what + " at " + driver.getCurrentUrl() + "; the page says: " + text())
                .until(d -> look.get());
    }

    WebElement find(String css) {
        return patiently(
                "no " + css,
                () -> driver.findElements(By.cssSelector(css)).stream()
                        .filter(WebElement::isDisplayed)
                        .findFirst()
                        .orElse(null));
    }

    void type(String css, String text) {
        var field = find(css);
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text);
    }

    void choose(String css, String visible) {
        patiently("no choice " + visible + " of " + css, () -> {
            var select = new Select(find(css));
            var found = select.getOptions().stream()
                    .filter(o -> o.getText().strip().startsWith(visible))
                    .findFirst();
            found.ifPresent(o -> select.selectByVisibleText(o.getText()));
            return found.isPresent() ? Boolean.TRUE : null;
        });
    }

    /** Presses the button or follows the link that says so. */
    void press(String words) {
        press(words, "button, a");
    }

    void press(String words, String css) {
        patiently("nothing to press that says \"" + words + "\"", () -> {
            if (run(FIRST_THAT_SAYS, css, words) instanceof WebElement found) {
                found.click();
                return Boolean.TRUE;
            }
            return null;
        });
    }

    void click(String css) {
        find(css).click();
    }

    void shiftClick(String css) {
        new Actions(driver)
                .keyDown(Keys.SHIFT)
                .click(find(css))
                .keyUp(Keys.SHIFT)
                .perform();
    }

    /** Takes hold of something in its middle, carries it by so many pixels, and lets go. */
    void drag(String css, int across, int down) {
        new Actions(driver).dragAndDropBy(find(css), across, down).perform();
    }

    /** Draws across something from one place to another, as shares of its width. */
    void drawAcross(String css, double from, double until) {
        var box = find(css);
        int width = box.getSize().getWidth();
        int begin = (int) Math.round((from - 0.5) * width);
        new Actions(driver)
                .moveToElement(box, begin, 0)
                .clickAndHold()
                .moveToElement(box, (int) Math.round((until - 0.5) * width), 0)
                .release()
                .perform();
    }

    void focus(String css) {
        run("arguments[0].focus()", find(css));
    }

    String value(String css) {
        return String.valueOf(find(css).getDomProperty("value"));
    }

    /** Waits until an expression of the page is true. */
    void awaitTrue(String expression) {
        patiently(
                expression + " does not come true",
                () -> Boolean.TRUE.equals(run("return " + expression)) ? true : null);
    }

    /** Answers what the browser asks in a window of its own. */
    void answerQuestion(boolean yes) {
        var question = new WebDriverWait(driver, PATIENCE).until(ExpectedConditions.alertIsPresent());
        if (yes) {
            question.accept();
        } else {
            question.dismiss();
        }
    }

    void see(String words) {
        patiently("\"" + words + "\" is not to be seen", () -> text().contains(words) ? Boolean.TRUE : null);
    }

    void notSee(String words) {
        patiently("\"" + words + "\" is still to be seen", () -> text().contains(words) ? null : Boolean.TRUE);
    }

    /** What is to be seen and what is there for listeners alone, in one line. */
    String text() {
        return String.valueOf(run("return document.body.innerText")).replaceAll("[\\s\u00a0]+", " ");
    }

    String path() {
        return java.net.URI.create(String.valueOf(driver.getCurrentUrl())).getPath();
    }

    /** The first table row that says so comes to say all the rest. */
    void seeRow(String words, String... within) {
        patiently(
                "no row with " + words + " says " + String.join(", ", within),
                () -> run(ROW_THAT_SAYS, words) instanceof String row
                                && Stream.of(within).allMatch(row::contains)
                        ? Boolean.TRUE
                        : null);
    }

    /** The text of the first table row that says so. */
    String row(String words) {
        return patiently("no row with " + words, () -> run(ROW_THAT_SAYS, words) instanceof String row ? row : null);
    }

    void keys(CharSequence... keys) {
        driver.switchTo().activeElement().sendKeys(keys);
    }

    String focused() {
        var active = driver.switchTo().activeElement();
        return active.getText().isBlank() ? String.valueOf(active.getDomAttribute("aria-label")) : active.getText();
    }

    void theme(String theme) {
        run("document.documentElement.dataset.theme = arguments[0]", theme);
    }

    Object run(String script, Object... arguments) {
        return ((JavascriptExecutor) driver).executeScript(script, arguments);
    }

    /** A script that calls its last argument with the result. */
    Object runAsync(String script) {
        return java.util.Objects.requireNonNull(driver.executeAsyncScript(script));
    }

    /** What axe-core finds against WCAG 2.2 AA, a line each. */
    String accessibilityFaults() {
        try {
            run(Files.readString(Path.of("../console/node_modules/axe-core/axe.min.js")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return String.valueOf(driver.executeAsyncScript("""
                const done = arguments[0];
                axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']}).then(r => done(
                  r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160) + ' ' + n.failureSummary)
                    .slice(0, 4).join(' || ')).join('\\n')));
                """));
    }

    boolean scrollsSideways() {
        return Boolean.TRUE.equals(run("return document.documentElement.scrollWidth > innerWidth + 1"));
    }

    void picture(Path file) {
        try {
            Files.createDirectories(file.getParent());
            Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        try {
            requireNothingRefused();
        } finally {
            driver.quit();
        }
    }
}
