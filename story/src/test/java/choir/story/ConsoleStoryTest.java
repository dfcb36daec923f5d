package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;

/** From a policy to a drifted camera and back, as an administrator does it in the console. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ConsoleStoryTest {
    private static Ensemble choir;
    private static Browser browser;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 4);
        choir.recorder("haldr-2", "gannet", 2);
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr/quay"));
        for (var camera : List.of("haldr-1/01", "haldr-1/02", "haldr-1/03", "haldr-1/04", "haldr-2/01", "haldr-2/02")) {
            choir.write(
                    "PUT",
                    "/api/v1/cameras/" + camera + "/placing",
                    Map.of("group", "terminals/haldr/quay"),
                    "If-Match",
                    "*");
        }
        browser = new Browser(choir);
    }

    @AfterAll
    static void stop() {
        browser.close();
        choir.close();
    }

    @Test
    @Order(1)
    void fromAPolicyToADriftedCameraAndBack() {
        browser.open("/");
        browser.type("input[autocomplete=username]", Ensemble.ADMIN);
        browser.type("input[type=password]", "a wrong password" + Keys.ENTER);
        browser.see("user name and password do not belong together");
        browser.signIn();

        browser.press("Recorders");
        browser.seeRow("haldr-2", "Gannet GD-8", "answers");
        browser.press("haldr-1");
        browser.see("What does haldr-1 hold now?");
        browser.see("What all 4 cameras hold");
        browser.see("daily continuous");
        browser.seeRow("haldr-1/03", "Camera 3");
        browser.press("Fleet");
        browser.see("All 6 cameras");

        browser.press("Templates");
        browser.press("New template");
        browser.press("or from the text", "summary");
        browser.type("textarea", "template: quay\nmotion:\n  sensitivty: 70\n");
        browser.press("Make the template");
        browser.see("did you mean \"motion.sensitivity\"?");
        browser.type("textarea", """
                template: quay
                title: Open quays
                motion:
                  sensitivity: 70
                  threshold: 0.6%
                recording:
                  week:
                    - daily: motion
                """);
        browser.press("Make the template");
        browser.see("Open quays");
        browser.press("quay");
        browser.choose("select[name=node]", "terminals / haldr / quay");
        browser.press("Use it there");
        browser.see("stop using");

        browser.open("/cameras/haldr-1/03");
        browser.press("Override");
        browser.choose("select[name=key]", "Threshold");
        browser.type("input[name='motion.threshold']", "a little");
        browser.type("input[name=because]", "the pier head is 70 m away");
        browser.press("Save the override");
        browser.see("is not a share of the picture");
        browser.type("input[name='motion.threshold']", "0.25");
        browser.press("Save the override");
        browser.notSee("Save the override");
        browser.notSee("Saving …");
        browser.see("the pier head is 70 m away");
        browser.seeRow("Threshold", "0.25%", "the pier head is 70 m away", "0.6%", "quay");

        browser.press("Rollouts");
        browser.type("form[role=search] input", "group:terminals/haldr" + Keys.ENTER);
        browser.see("6 cameras would change");
        browser.see("haldr-2 records nothing on any channel while it is written");
        browser.press("By camera");
        browser.see("Gannet GD has no place for \"threshold\"");
        browser.seeRow("haldr-1/01", "50", "70");
        browser.press("Start the rollout");
        browser.press("Write it");
        browser.see("Done: all 6 verified");
        browser.notSee("planned");
        browser.see("3 cameras");
        browser.press("By camera");
        browser.seeRow("haldr-2/02", "verified");

        choir.panel("haldr-1/02?sensitivity=67");
        choir.panel("haldr-2/01?erase=sun");
        browser.press("Audit");
        browser.press("Audit now");
        browser.see("Sensitivity is 3 steps less sensitive than asked (67, ought to be 70); changed at the recorder.");
        browser.see("Week records nothing for 24 h a week in which it ought to; changed at the recorder.");
        browser.press("haldr-2/01");
        browser.see("sun: ought to be motion, holds none");
        browser.press("Give out again");
        browser.see("Done: 1 verified");
        browser.press("Audit");
        browser.find("input[aria-label='Choose all 1 finding: changed at the recorder']")
                .click();
        browser.see("1 finding chosen");
        browser.press("Give out again");
        browser.see("Done: 1 verified");
        browser.press("Audit");
        browser.press("Audit now");
        browser.see("Every camera that could be read holds what it should.");
        browser.press("Overview");
        browser.see("Yes: all 6 cameras hold what they should.");
    }

    @Test
    @Order(2)
    void everyViewIsAccessibleLightAndDarkAndFitsANarrowScreen() {
        choir.panel("haldr-1/01?sensitivity=20");
        choir.write(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:haldr-1/04",
                        "set",
                        Map.of("motion.sensitivity", "20"),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        choir.audit();
        for (var view : List.of(
                "/",
                "/fleet",
                "/recorders",
                "/recorders/haldr-1",
                "/cameras/haldr-1/01",
                "/templates",
                "/templates/quay",
                "/rollouts?select=",
                "/rollouts/5",
                "/audit",
                "/watch",
                "/journal",
                "/guide",
                "/guide/words",
                "/guide/settings",
                "/nowhere")) {
            browser.open(view);
            browser.find("h1");
            browser.notSee("Loading …");
            for (var theme : List.of("light", "dark")) {
                browser.theme(theme);
                assertThat(browser.accessibilityFaults())
                        .as("%s %s", view, theme)
                        .isEmpty();
            }
            browser.size(390, 844);
            assertThat(browser.scrollsSideways()).as(view).isFalse();
            browser.size(1280, 800);
        }
    }

    @Test
    @Order(3)
    void theKeyboardReachesTheSelectionBoxFromAnyPage() {
        browser.open("/journal");
        browser.see("Who did what?");
        browser.keys("/");
        assertThat(browser.focused()).startsWith("Choose cameras");
        browser.keys("recorder:haldr-2" + Keys.ENTER);
        browser.see("2 cameras selected by recorder:haldr-2");
        browser.keys("/");
        browser.keys("stat:drifted" + Keys.ENTER);
        browser.see("\"stat:\" is not known");
    }

    @Test
    @Order(4)
    void aServiceThatForgotTheSessionAsksToSignInAgain() {
        choir.restart();
        browser.open("/audit");
        browser.see("Is every camera set as it should be?");
        browser.signIn();
    }
}
