package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.Keys;

/** An administrator's morning in the console: finding, placing, templates, weeks, areas on the picture. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WorkplaceTest {
    private static Ensemble choir;
    private static Browser browser;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.played("haldr-1", "tern", 4);
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr/quay"));
        browser = new Browser(choir);
        browser.signIn();
    }

    @AfterAll
    static void stop() {
        browser.close();
        choir.close();
    }

    @Test
    @Order(1)
    void findsARecorderAddsItAndPlacesItsCameras() {
        browser.open("/recorders");
        browser.press("Find and add");
        browser.type("input[name=range]", "127.0.0.1-127.0.0.2");
        browser.type("input[name=port]", Integer.toString(choir.simulatorPort()));
        browser.press("Look there");
        assertThat(browser.row("haldr-1")).contains("Tern TN-16").contains("not added");
        browser.press("add");
        browser.type("input[name=user]", "choir");
        browser.type("input[name=password]", "wrong");
        browser.press("Add and read it");
        browser.see("does not take the user name and password");
        browser.type("input[name=password]", "secret-of-haldr-1");
        browser.press("Add and read it");
        browser.see("here as haldr-1");

        browser.open("/fleet");
        browser.see("All 4 cameras");
        browser.click("input[aria-label='Choose haldr-1/01']");
        browser.shiftClick("input[aria-label='Choose haldr-1/04']");
        browser.see("4 cameras chosen");
        browser.press("Move or tag");
        browser.choose("select[name=group]", "terminals / haldr / quay");
        browser.type("input[name=tags]", "outside");
        browser.press("Place them");
        browser.see("4 cameras placed");
        assertThat(browser.row("haldr-1/03"))
                .contains("terminals / haldr / quay")
                .contains("outside");
    }

    @Test
    @Order(2)
    void writesATemplateWithAWeekOverMidnightAndAnIgnoreAreaOnThePicture() {
        choir.load("template: quay\ntitle: Open quays\nmotion: {sensitivity: 60}\n---\n"
                + "template: house\nrecording: {week: [daily: motion]}\n---\n"
                + "group: fleet\nuse: [house]\n---\ngroup: terminals/haldr/quay\nuse: [quay]\n");
        browser.open("/templates/quay");
        browser.press("Change");
        browser.see("How motion is detected");
        browser.see("4 cameras");
        browser.type("input[name='motion.threshold']", "0.6" + Keys.TAB);
        browser.press("Say it here Week");
        browser.type("textarea[name=Week-text]", "mon-fri 22:00-04:00 continuous");
        browser.press("Say it here Areas");
        browser.press("Add a rectangle");
        browser.press("ignore", "label");
        // The whole rectangle is carried to the lower edge by keyboard.
        browser.focus("polygon[role=button]");
        for (int i = 0; i < 6; i++) {
            browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
        }
        browser.see("4 cameras of the 4 that it reaches would wait");
        assertThat(browser.value("textarea[name=text]"))
                .contains("threshold: 0.6%")
                .contains("mon-fri 22:00-04:00: continuous")
                .contains("ignore: ignored");
        browser.press("Save as a new revision");
        browser.see("Revision 2");
        var areas = choir.get("/api/v1/cameras/haldr-1/01").body();
        assertThat(areas.path("areas").path(0).path("kind").asString("")).isEqualTo("ignore");
        assertThat(areas.path("areas").path(0).path("points").path(1).path(1).asDouble(0))
                .isEqualTo(1.0);
        assertThat(areas.path("wantedCells").path(17).asString("")).contains("...");
        browser.see("Revisions");
        browser.see("+ ");
    }

    @Test
    @Order(3)
    void leavingWithUnsavedWorkAsksAndAnotherPersonsEditIsShownBesideMine() {
        browser.open("/templates/quay/edit");
        browser.type("input[name='motion.threshold']", "0.9" + Keys.TAB);
        browser.see("Changed and not saved yet");
        browser.press("Fleet");
        browser.answerQuestion(false);
        assertThat(browser.path()).isEqualTo("/templates/quay/edit");
        var text = choir.get("/api/v1/templates/quay").body().path("text").asString("");
        choir.write(
                "PUT",
                "/api/v1/templates/quay",
                Map.of("text", text.replace("sensitivity: 60", "sensitivity: 75")),
                "If-Match",
                "*");
        browser.press("Save as a new revision");
        browser.see("saved revision 3 while you worked");
        browser.see("sensitivity: 75");
        browser.see("threshold: 0.9%");
        browser.press("Go on from theirs");
        browser.press("Undo");
        assertThat(browser.value("textarea[name=text]")).contains("threshold: 0.9%");
        browser.press("Redo");
        browser.type("input[name='motion.threshold']", "0.7" + Keys.TAB);
        browser.press("Save as a new revision");
        browser.see("Revision 4");
        assertThat(choir.get("/api/v1/templates/quay").body().path("text").asString(""))
                .contains("sensitivity: 75")
                .contains("threshold: 0.7%");
    }

    @Test
    @Order(4)
    void overridesOneCameraAtItsWeekByKeyboardAloneAndSeesWhereEachPartComesFrom() {
        browser.open("/cameras/haldr-1/02");
        browser.press("Override the week");
        browser.focus("[role=application]");
        // From Monday 08:00 to 09:00, painted, then taken back, then painted again.
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        browser.keys(Keys.ENTER);
        assertThat(browser.value("textarea[name=Week-text]")).isEqualTo("mon 08:00-09:00 continuous");
        browser.keys(Keys.chord(Keys.CONTROL, "z"));
        assertThat(browser.value("textarea[name=Week-text]")).isEmpty();
        browser.keys(Keys.ARROW_DOWN, Keys.ENTER);
        assertThat(browser.value("textarea[name=Week-text]")).isEqualTo("tue 08:00-09:00 continuous");
        browser.type("input[name=because]", "the school boat");
        browser.press("Save the override");
        browser.notSee("Save the override");
        assertThat(browser.row("Week")).contains("house").contains("quay").contains("the school boat");
        browser.see("4 waiting");
    }

    @Test
    @Order(5)
    void aGroupShowsItsPicturesAndWhereItsMembersDiffer() {
        choir.panel("haldr-1/03?sensitivity=12");
        choir.choir("recorder", "read", "haldr-1");
        browser.open("/group?path=terminals/haldr/quay");
        browser.see("4 cameras in terminals / haldr / quay");
        assertThat(browser.row("Sensitivity")).contains("50");
        assertThat(browser.row("12")).contains("haldr-1/03");
        browser.awaitTrue("[...document.querySelectorAll('img')].filter(i => i.naturalWidth === 640).length === 4");
    }

    @Test
    @Order(6)
    void aRecorderWithoutANetworkIsWorkedFromASheet() {
        choir.choir("recorder", "add", "yard-1", "--family", "auk", "--camera", "Slipway");
        browser.open("/recorders/yard-1/sheet");
        browser.see("What is to be done at yard-1?");
        browser.see("Slipway");
        browser.click("ol input[type=checkbox]");
        browser.press("1 step done");
        browser.see("Nothing: everything is set as asked.");
    }

    @Test
    @Order(7)
    void shortcutsAreListed() {
        browser.open("/");
        browser.see("Is the fleet in tune?");
        browser.keys("?");
        browser.see("By keyboard");
        browser.keys(Keys.ESCAPE);
        browser.notSee("By keyboard");
    }

    @ParameterizedTest
    @CsvSource({
        "/templates/quay/edit,How motion is detected",
        "/templates/quay,Revisions",
        "/group?path=terminals/haldr/quay,Where they differ",
        "/fleet,haldr-1/01",
        "/recorders/yard-1/sheet,yard-1"
    })
    @Order(8)
    void everyViewPassesTheRulesOfAccessibilityLightAndDarkAndFitsATelephone(String path, String shown) {
        for (var theme : new String[] {"light", "dark"}) {
            browser.size(1280, 800);
            browser.open(path);
            browser.see(shown);
            browser.theme(theme);
            assertThat(browser.accessibilityFaults()).as("%s %s", path, theme).isEmpty();
        }
        browser.size(390, 800);
        assertThat(browser.scrollsSideways()).as(path).isFalse();
        browser.size(1280, 800);
    }

    @Test
    @Order(9)
    void theEditorsPassTheRulesOfAccessibility() {
        browser.open("/cameras/haldr-1/02");
        browser.press("Draw areas");
        browser.press("Add a rectangle");
        browser.see("Own sensitivity");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.keys(Keys.ESCAPE);
        browser.open("/cameras/haldr-1/02");
        browser.press("Override the week");
        browser.see("Exact times");
        browser.theme("dark");
        assertThat(browser.accessibilityFaults()).isEmpty();
    }
}
