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
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.Keys;

/** An administrator's morning in the console: finding, placing, templates, weeks, areas on the picture. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
@ExtendWith(OneStory.class)
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
        browser.seeRow("haldr-1", "Tern TN-16", "not added");
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
        browser.seeRow("haldr-1/03", "terminals / haldr / quay", "outside");
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
        browser.press("Say it here Threshold");
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
        browser.notSee("Saving …");
        browser.see("the school boat");
        browser.seeRow("Week", "house", "quay", "the school boat");
        browser.see("4 waiting");
    }

    @Test
    @Order(5)
    void aGroupShowsItsPicturesAndWhereItsMembersDiffer() {
        choir.panel("haldr-1/03?sensitivity=12");
        choir.choir("recorder", "read", "haldr-1");
        browser.open("/group?path=terminals/haldr/quay");
        browser.see("4 cameras in terminals / haldr / quay");
        browser.seeRow("Sensitivity", "50");
        browser.seeRow("12", "haldr-1/03");
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
    @Order(6)
    void newPasswordsAreSeenBeforeTheyAreGivenOutAndGoToNobodyInPlainText() {
        browser.open("/recorders");
        browser.press("Change passwords");
        browser.press("See what would be done");
        browser.see("0 recorders get a new password; 2 are left out.");
        assertThat(browser.text()).contains("it has no network interface", "without TLS");
        browser.press("Back");
        browser.click("input[name=plain]");
        browser.press("See what would be done");
        browser.see("1 recorder gets a new password; 1 is left out.");
        browser.press("Change 1 password");
        browser.see("1 of 1 recorders");
        browser.press("Close");
        browser.press("Read all now");
        browser.seeRow("haldr-1", "answers");
    }

    @Test
    @Order(7)
    void aCalendarIsMadeAndAGroupSaysWhatHoldsOnItsDays() {
        browser.open("/calendars");
        browser.press("New calendar");
        browser.type("input[name=name]", "holidays");
        browser.type("textarea[name=dates]", "2027-02-30");
        browser.press("Save the calendar");
        browser.see("2027-02-30");
        browser.type("textarea[name=dates]", "2027-01-01\n12-25 yearly");
        browser.press("Save the calendar");
        browser.see("Nothing speaks of it yet");

        browser.open("/group?path=terminals/haldr/quay");
        browser.press("Override");
        browser.choose("select[name=key]", "Special days");
        browser.type("input[name=special-day]", "holidays");
        browser.press("Add a plan");
        browser.type("textarea[name=holidays-text]", "daily none");
        browser.type("input[aria-label=From]", "08:00");
        browser.type("input[aria-label^=To]", "12:00");
        browser.press("motion", "label");
        browser.press("Paint");
        assertThat(browser.value("textarea[name=holidays-text]")).contains("daily 08:00-12:00 motion");
        browser.type("input[name=because]", "nobody is there to look");
        browser.press("Save the override");
        browser.see("nobody is there to look");
        browser.open("/calendars");
        browser.see("Spoken of by fleet/terminals/haldr/quay");
        browser.open("/cameras/haldr-1/02");
        browser.see("Special days");
        assertThat(choir.get("/api/v1/cameras/haldr-1/02")
                        .body()
                        .path("specialDays")
                        .path(0)
                        .path("plan")
                        .asString(""))
                .isEqualTo("daily none; daily 08:00-12:00 motion");
    }

    @Test
    @Order(8)
    void aTemplateSaysOtherSensitivitiesByTimeAndLeavesASettingToNobody() {
        browser.open("/templates");
        browser.press("New template");
        browser.type("input[name=name]", "quay");
        browser.type("input[name=title]", "At night: lamps");
        browser.choose("select[name=extends]", "house");
        browser.press("Begin it");
        browser.see("there is a template \"quay\" already");
        browser.type("input[name=name]", "night");
        browser.press("Begin it");
        browser.see("What should night say?");
        browser.press("Say it here Before event");
        browser.type("input[name='recording.before-event']", "6" + Keys.TAB);
        browser.press("Say it here Sensitivity by time");
        browser.type("input[aria-label='Sensitivity to paint']", "45");
        browser.type("input[aria-label=From]", "21:00");
        browser.type("input[aria-label^=To]", "05:30");
        browser.press("Paint");
        browser.type("input[aria-label='Sensitivity to paint']", "450");
        browser.press("Paint");
        browser.see("\"450\" is not a sensitivity");
        assertThat(browser.value("textarea[name=text]")).contains("- mon-fri 21:00-05:30: 45");
        browser.press("drop it from Week");
        browser.see("left to nobody");
        browser.choose("select[name=extends]", "no other template");
        browser.press("Undo");
        browser.press("Save as a new revision");
        browser.see("Revision 2");
        assertThat(choir.get("/api/v1/templates/night").body().path("text").asString(""))
                .contains("extends: house")
                .contains("At night: lamps")
                .contains("before-event: 6s")
                .contains("mon-fri 21:00-05:30: 45")
                .contains("unset:");
    }

    @Test
    @Order(9)
    void aTemplateIsUsedAtTickedCamerasAndPutUnderAnother() {
        browser.open("/fleet");
        browser.click("input[aria-label='Choose haldr-1/03']");
        browser.click("input[aria-label='Choose haldr-1/04']");
        browser.press("Use a template");
        browser.choose("select[name=template]", "night");
        browser.press("Use it there");
        browser.see("night is used at 2 cameras.");
        browser.open("/cameras/haldr-1/04");
        browser.choose("select[name=use]", "house");
        browser.press("lay over the next template: night");
        browser.notSee("lay over the next template: night");
        browser.see("lay over the next template: house");
        assertThat(choir.get("/api/v1/uses?node=camera:haldr-1/04").whole().body())
                .contains("[\"house\",\"night\"]");
        assertThat(choir.write(
                                "PUT",
                                "/api/v1/uses",
                                Map.of("node", "camera:haldr-1/04", "templates", List.of("night")),
                                "If-Match",
                                "\"1\"")
                        .detail())
                .contains("haldr-1/04 was changed by somebody else");
        browser.press("stop using house");
        browser.notSee("lay over the next");
        browser.press("What was done here before");
        browser.see("put templates in order");
    }

    @Test
    @Order(10)
    void valuesOfAnAreaStayInTheTemplateWhileItsShapeIsDrawnAtTheCamera() {
        choir.load(
                "template: swell\nmotion:\n  areas:\n    - ignore: swell\n    - {watch: ladder, sensitivity: 80}\n---\n"
                        + "camera: haldr-1/01\nuse: [swell]\n");
        browser.open("/cameras/haldr-1/01");
        browser.press("Draw areas");
        browser.see("ladder, from swell");
        var ladderHere = choir.post(
                "/api/v1/area-drafts",
                Map.of(
                        "camera",
                        "haldr-1/01",
                        "areas",
                        "[{area: ladder, rectangle: [[0, 0], [0.5, 0.5]]}]",
                        "alone",
                        false));
        // The template at the camera itself says that the ladder is watched, so the rest is not.
        assertThat(ladderHere.body().path("cells").path(17).asString("")).isEqualTo(".".repeat(22));
        browser.press("change here ladder");
        browser.see("Only values are said of it here");
        browser.press("Add a rectangle");
        browser.type("input[name=because]", "where the ladder is");
        browser.press("Save the override");
        browser.notSee("Save the override");
        browser.notSee("Saving …");
        var ladder = choir.get("/api/v1/cameras/haldr-1/01").body().path("areas").values().stream()
                .filter(a -> a.path("name").asString("").equals("ladder"))
                .findFirst()
                .orElseThrow();
        assertThat(ladder.path("shape").asString("")).isEqualTo("rectangle");
        assertThat(ladder.path("sensitivity").asString("")).isEqualTo("80");
        // What is only said of an area in a template is kept when another one is drawn there.
        browser.open("/templates/swell/edit");
        browser.press("Change Areas");
        browser.press("Paint cells");
        browser.press("Save as a new revision");
        browser.see("Revision 2");
        assertThat(choir.get("/api/v1/templates/swell").body().path("text").asString(""))
                .contains("ignore: swell")
                .contains("sensitivity: 80")
                .contains("cells:");
    }

    @Test
    @Order(11)
    void shortcutsAreListed() {
        browser.open("/");
        browser.see("Is the fleet in tune?");
        browser.keys("?");
        browser.see("By keyboard");
        browser.keys(Keys.ESCAPE);
        browser.notSee("By keyboard");
    }

    @Test
    @Order(11)
    void anythingIsReachedByTypingItsName() {
        browser.open("/");
        browser.see("Is the fleet in tune?");
        browser.keys(Keys.chord(Keys.CONTROL, "k"));
        browser.see("Where to, or what to do?");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.type("[role=dialog] input", "haldr-1/03");
        browser.see("haldr-1/03");
        browser.keys(Keys.ENTER);
        browser.see("Exceptions put here");
        assertThat(browser.path()).isEqualTo("/cameras/haldr-1/03");
        browser.keys(Keys.chord(Keys.CONTROL, "k"));
        browser.type("[role=dialog] input", "nothing is called that");
        browser.see("Nothing is called that.");
        browser.keys(Keys.ESCAPE);
        browser.notSee("Where to, or what to do?");
    }

    @Test
    @Order(11)
    void aWordOfTheDomainIsExplainedWhereItStandsAndInTheGuide() {
        browser.open("/cameras/haldr-1/02");
        browser.see("Threshold");
        browser.press("Threshold", "th button");
        browser.see("How large a share of the watched picture must have changed");
        browser.awaitTrue("document.querySelector(':popover-open img').naturalWidth > 0");
        browser.awaitTrue("(r => r.left >= 0 && r.right <= innerWidth && r.bottom <= innerHeight)"
                + "(document.querySelector(':popover-open').getBoundingClientRect())");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.keys(Keys.ESCAPE);
        browser.awaitTrue("!document.querySelector(':popover-open')");

        browser.open("/guide");
        browser.see("In the order of the work");
        browser.type("input[type=search]", "honored backup");
        browser.see("Nothing in the guide speaks of");
        browser.type("input[type=search]", "cannot be honoured");
        browser.press("Cannot be honoured", "main a");
        browser.see("The recorder has no place for this setting");
        assertThat(browser.path()).isEqualTo("/guide/words");
    }

    @Test
    @Order(11)
    void aListIsArrangedByWhoReadsItAndItsAddressSaysHow() {
        browser.open("/journal?sort=-id&columns=id,act&with=camera");
        browser.see("2 of 6 columns");
        assertThat(browser.text()).doesNotContain("Detail");
        var first = "Number(document.querySelector('tbody td').textContent)";
        var last = "Number([...document.querySelectorAll('tbody tr')].at(-1).firstElementChild.textContent)";
        browser.awaitTrue(first + " > " + last);
        browser.press("Number", "th button");
        browser.press("Number", "th button");
        browser.awaitTrue(first + " < " + last);
        browser.awaitTrue("location.search.includes('sort=id')");
        browser.open("/journal");
        browser.see("5 of 6 columns");
        browser.open("/fleet?select=recorder:haldr-1&sort=-camera");
        browser.see("4 cameras selected");
        browser.awaitTrue("document.querySelector('a[role=cell]').textContent === 'haldr-1/04'");
        browser.run("localStorage.clear()");
    }

    @ParameterizedTest
    @CsvSource({
        "/templates/quay/edit,How motion is detected",
        "/templates/quay,Revisions",
        "/group?path=terminals/haldr/quay,Where they differ",
        "/fleet,haldr-1/01",
        "/calendars,Spoken of by",
        "/cameras/haldr-1/02,Exceptions put here",
        "/templates/night/edit,What should night say",
        "/recorders/yard-1/sheet,yard-1"
    })
    @Order(12)
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
    @Order(13)
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
        browser.keys(Keys.ESCAPE);
        browser.press("Override …");
        browser.choose("select[name=key]", "Special days");
        browser.press("change here holidays");
        browser.see("The same as text");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.size(390, 800);
        browser.awaitTrue("(d => d.scrollWidth <= d.clientWidth)(document.querySelector('[role=dialog]'))");
        browser.size(1280, 800);
    }

    @Test
    @Order(14)
    void somebodyIsLetInByALinkAndNoFurtherThanTheirRole() {
        browser.open("/people");
        browser.see("Who may do what here?");
        browser.press("Let somebody in");
        browser.type("input[name=name]", "tove");
        browser.choose("select[name=role]", "technician: sees footage, reads and audits, tries settings");
        browser.press("Make an invitation");
        var link = browser.value("input[name=link]");
        assertThat(link).contains("/#invited=tove:");
        browser.press("Close");
        browser.seeRow("tove", "invited until");
        browser.type("input[name=label]", "a wall of pictures");
        browser.press("Make a token");
        assertThat(browser.value("input[name=made]")).startsWith("choir_");
        browser.seeRow("a wall of pictures", "what a viewer may", "never");
        browser.seeRow("(this one)", "127.0.0.1");
        assertThat(browser.accessibilityFaults()).isEmpty();
        browser.size(390, 800);
        assertThat(browser.scrollsSideways()).isFalse();
        browser.size(1280, 800);

        browser.forgetWhoIsSignedIn();
        browser.open(link.substring(link.indexOf("/#")));
        browser.see("Welcome, tove.");
        assertThat(browser.run("return location.hash"))
                .as("nobody needs it any more")
                .isEqualTo("");
        browser.type("input[autocomplete=new-password]", "password1234");
        browser.press("Sign in");
        browser.see("would be guessed soon");
        browser.type("input[autocomplete=new-password]", "seven lanterns along a pier");
        browser.press("Sign in");
        browser.see("Is the fleet in tune?");
        browser.open("/people");
        browser.seeRow("tove", "(you)", "own");
        assertThat(browser.text()).doesNotContain("Let somebody in", "Invite again");
    }

    @Test
    @Order(15)
    void aViewerIsOfferedNothingThatTheServiceWouldRefuse() {
        choir.addPerson("vera", "VIEWER");
        browser.signIn("vera", Ensemble.PERSONS_PASSWORD);
        browser.open("/cameras/haldr-1/02");
        browser.see("Exceptions put here");
        assertThat(browser.text()).doesNotContain("Override", "take back", "Preview", "stop using");
        browser.open("/fleet");
        browser.see("haldr-1/01");
        assertThat(browser.text()).doesNotContain("Tick cameras");
        browser.open("/templates/quay/edit");
        browser.see("Your role, viewer, may look at templates and not change them.");
        browser.open("/rollouts?select=state:waiting");
        browser.see("Your role does not allow this.");
    }
}
