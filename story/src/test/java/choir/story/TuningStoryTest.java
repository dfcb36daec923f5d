package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** Tuning before a picture, as a person does it in the console. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TuningStoryTest {
    private static final String PICTURE = "input[aria-label=Picture]";
    private static Ensemble choir;
    private static Browser browser;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("pier-1", "tern", 2);
        choir.panel("pier-1/01?scene=gangway");
        choir.load(
                "template: house\nmotion: {detection: on, sensitivity: 50, threshold: 90%}\n---\ngroup: fleet\nuse: [house]\n");
        browser = new Browser(choir);
    }

    @AfterAll
    static void stop() {
        browser.close();
        choir.close();
    }

    /** Somebody who passes by day within the last two days. */
    private static JsonNode walker() {
        for (int hours = 3; hours < 48; hours++) {
            var from = Instant.now().minus(Duration.ofHours(hours)).truncatedTo(ChronoUnit.HOURS);
            int wall = from.atZone(ZoneId.of("Atlantic/Faroe")).getHour();
            var found = choir.truth("pier-1/01", from.plusSeconds(300), Duration.ofMinutes(50))
                    .valueStream()
                    .filter(p -> Duration.between(
                                            Instant.parse(p.path("from").asString("")),
                                            Instant.parse(p.path("until").asString("")))
                                    .compareTo(Duration.ofSeconds(14))
                            > 0)
                    .max(Comparator.comparingInt(
                            p -> Math.abs(p.path("contrast").asInt())));
            if (found.isPresent() && wall >= 8 && wall < 18) {
                return found.get();
            }
        }
        throw new AssertionError("nobody passed for two days");
    }

    @Test
    @Order(1)
    void theLineIsMovedUntilWhoMustBeCaughtIsCaught() {
        var walker = walker();
        var begin = Instant.parse(walker.path("from").asString(""));
        var clip = choir.post(
                        "/api/v1/clips",
                        Map.of(
                                "camera",
                                "pier-1/01",
                                "from",
                                begin.minusSeconds(60).toString(),
                                "until",
                                begin.plusSeconds(60).toString()))
                .body();
        browser.signIn();
        browser.open("/cameras/pier-1/01");
        browser.press("Tune");
        browser.see("When the recorder saw motion on that day");
        browser.open("/cameras/pier-1/01/tune?clip=" + clip.path("id").asLong());
        browser.see("Nothing is marked yet");
        // Seven seconds into the walk, two pictures a second.
        browser.run(
                "const e = document.querySelector(arguments[0]); e.value = arguments[1];"
                        + " e.dispatchEvent(new Event('input', {bubbles: true}))",
                PICTURE,
                "134");
        browser.type("input[placeholder='walker at 70 m']", "somebody on the gangway");
        browser.press("Must trigger");
        browser.see("must trigger somebody on the gangway");
        browser.see("The wanted moment is missed");

        browser.press("Suggest the best setting");
        browser.see("It rests on one wanted moment alone");
        browser.press("Try ");
        browser.see("The wanted moment is caught");

        // The line by the keyboard: up until it is over what the walker reaches, and down again.
        browser.focus("[role=slider][aria-label=Threshold]");
        for (int i = 0; i < 400 && !browser.text().contains("missed: somebody"); i += 10) {
            for (int n = 0; n < 10; n++) {
                browser.keys(Keys.ARROW_UP);
            }
            browser.run("return new Promise(r => setTimeout(r, 300))");
        }
        browser.see("The wanted moment is missed");
        browser.press("Try ");
        browser.see("The wanted moment is caught");
        assertThat(browser.value("#sensitivity")).isNotEmpty();

        browser.type("form input[maxlength='200']", "the gangway must be seen");
        browser.press("Keep");
        browser.see("kept because the gangway must be seen");
        browser.press("Into the policy");
        browser.see("this camera alone, as an exception");
        browser.press("Make it an exception");
        browser.see("What is asked, where from, and what the recorder holds");
        browser.press("Preview");
        browser.see("The wanted moment on kept clips would be caught");
        browser.press("Start the rollout");
        browser.press("Write it");
        browser.see("Done: 1 verified");

        var livelier =
                choir.choir("set", "camera:pier-1/01", "motion.threshold=99%", "--because", "too many recordings");
        assertThat(livelier.exitCode()).as(livelier.errors()).isZero();
        browser.open("/rollouts?select=camera:pier-1/01");
        browser.see("Would miss 1 of 1 wanted moment");
        assertThat(browser.run("return [...document.querySelectorAll('button')]"
                        + ".find(b => b.textContent.includes('Start the rollout')).disabled"))
                .isEqualTo(true);
        browser.click("section[aria-label='What is wanted'] input[type=checkbox]");
        browser.press("Start the rollout");
        browser.press("Write it");
        browser.see("Done: 1 verified");
    }

    /** A minute of five pictures a second: swell below for twenty seconds, somebody far away above afterwards. */
    private static byte[] film() throws IOException {
        var out = new ByteArrayOutputStream();
        for (int i = 0; i < 300; i++) {
            var image = new BufferedImage(320, 180, BufferedImage.TYPE_3BYTE_BGR);
            var g = image.createGraphics();
            g.setColor(new Color(100, 100, 100));
            g.fillRect(0, 0, 320, 180);
            g.setColor(new Color(180, 180, 180));
            for (int n = 0; i >= 50 && i < 150 && n < 24; n++) {
                g.fillRect((n * 61 + i * 23) % 300, 130 + (n * 17 + i * 7) % 36, 14, 8);
            }
            g.setColor(new Color(130, 130, 130));
            if (i >= 200 && i < 225) {
                g.fillRect(100 + (i - 200) * 4, 50, 6, 14);
            }
            g.dispose();
            ImageIO.write(image, "jpeg", out);
        }
        return out.toByteArray();
    }

    @Test
    @Order(2)
    void swellIsPaintedOutAndTheSettingGoesIntoTheTemplate() throws IOException {
        var file = Files.write(choir.folder().resolve("quay.mjpeg"), film());
        var added = choir.choir("clip", "add", "pier-1/02", file.toString(), "--at", "2027-01-14T12:00:00Z");
        assertThat(added.exitCode()).as(added.errors()).isZero();
        var clip = added.out().replaceFirst("(?s)^clip (\\d+) .*", "$1");
        browser.open("/cameras/pier-1/02/tune?clip=" + clip);
        browser.see("Nothing is marked yet");
        var strip = "svg[aria-label='Level of motion over time']";
        browser.drawAcross(strip, 41.0 / 60, 44.0 / 60);
        browser.type("input[placeholder='walker at 70 m']", "far walker");
        browser.press("Must trigger");
        browser.see("The wanted moment is missed");
        // Down, until whoever is far away is caught; the swell is caught with him.
        browser.drag("[role=slider][aria-label=Threshold]", 0, 175);
        browser.see("The wanted moment is caught");
        browser.drawAcross(strip, 11.0 / 60, 29.0 / 60);
        browser.type("input[placeholder='walker at 70 m']", "swell");
        browser.press("Must not");
        browser.see("what is unwanted begins motion");

        browser.press("Suggest the best setting");
        browser.see("With the proposed area left out the margin is");
        browser.press("Leave the area out");
        browser.see("The wanted moment is caught, nothing unwanted begins motion");
        browser.type("form input[maxlength='200']", "the far end of the quay");
        browser.press("Keep");
        browser.see("kept because the far end of the quay");

        browser.press("Into the policy");
        browser.choose("select[name=where]", "the template house, for all that use it");
        browser.see("of the 2 that it reaches would wait");
        browser.see("The area is of this picture and stays with this camera");
        browser.press("Save house as a new revision");
        browser.see("What is asked, where from, and what the recorder holds");
        assertThat(choir.get("/api/v1/templates/house").body().path("revision").asInt())
                .isEqualTo(2);
        assertThat(choir.get("/api/v1/overrides?node=camera:pier-1/02").body().toString())
                .contains("motion.areas")
                .contains("restless")
                .doesNotContain("motion.threshold");
        browser.press("Preview");
        browser.see("The wanted moment on kept clips would be caught");

        // Whoever puts the old text back is told before anybody takes it.
        var before = Files.writeString(
                choir.folder().resolve("house.yaml"),
                "template: house\nmotion: {detection: on, sensitivity: 50, threshold: 90%}\n");
        var loaded = choir.choir("policy", "load", before.toString());
        assertThat(loaded.exitCode()).isEqualTo(1);
        assertThat(loaded.out()).contains("Would miss 1 of").contains("pier-1/02 far walker");
    }

    private static void set(String css, String value) {
        browser.run(
                "const e = document.querySelector(arguments[0]); e.value = arguments[1];"
                        + " e.dispatchEvent(new Event('input', {bubbles: true}));"
                        + " e.dispatchEvent(new Event('change', {bubbles: true}))",
                css,
                value);
    }

    @Test
    @Order(3)
    void whoCrossedTheGangwayIsFoundInTheDrawnAreaAndTakenAsAClip() {
        var at = Instant.parse(walker().path("from").asString("")).atZone(ZoneId.of("Atlantic/Faroe"));
        browser.open("/cameras/pier-1/01");
        browser.see("What is asked, where from, and what the recorder holds");
        browser.press("Search");
        browser.see("without an area all of it is searched");
        // By numbers, which the picture follows.
        browser.find("fieldset input");
        for (int i = 1; i <= 4; i++) {
            set("fieldset label:nth-of-type(" + i + ") input", i <= 2 ? "5" : "95");
        }
        assertThat(browser.run("return document.querySelectorAll('svg rect.drawn').length"))
                .isEqualTo(1L);
        set("form input[type=date]", at.toLocalDate().toString());
        set("form input[type=time]", "%02d:00".formatted(at.getHour()));
        set("form input[type=number]", "1");
        browser.press("Search", "form button");
        browser.see("that were recorded");
        browser.see("Choose one to look at its footage");
        browser.awaitTrue("[...document.querySelectorAll('main li img')].every(i => i.complete && i.naturalWidth > 0)");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.size(390, 800);
        assertThat(browser.scrollsSideways()).isFalse();
        browser.size(1280, 940);
        browser.click("main li button");
        browser.see("Must trigger");
        assertThat(browser.path()).contains("/tune");
    }
}
