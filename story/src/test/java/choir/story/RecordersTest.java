package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** Finding recorders, those of no known make, those that sleep, and those that only a person can reach. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class RecordersTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 1);
        choir.played("hub-1", "plover", 1);
        choir.played("shed-1", "skua", 2);
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static String said(String... arguments) {
        var said = choir.choir(arguments);
        assertThat(said.exitCode()).as(said.errors()).isZero();
        return said.out();
    }

    private static String find(String... more) {
        var words = new java.util.ArrayList<>(List.of("recorder", "find", "127.0.0.1-127.0.0.2", "--port"));
        words.add(Integer.toString(choir.simulatorPort()));
        words.addAll(List.of(more));
        return said(words.toArray(String[]::new));
    }

    @Test
    @Order(1)
    void findsWhatAnswersNarrowedByMakerAndSaysWhyOthersDoNot() {
        assertThat(find())
                .containsPattern("haldr-1 +Tern +TN-16 +tern +haldr-1")
                .containsPattern("shed-1 +Skua +SK-4 +its own")
                .contains("choir recorder add");
        assertThat(find("--maker", "plover")).contains("hub-1").doesNotContain("haldr-1");
        assertThat(find("--silent")).contains("127.0.0.2").contains("nothing listens there");
        assertThat(choir.choir("recorder", "find", "10.0.0.0/8").errors()).contains("is no range of addresses");
        assertThat(choir.choir("recorder", "find", "127.0.0.1-127.0.9.1").errors())
                .contains("1024");
        choir.panel("haldr-1?fault=AWAY");
        try {
            assertThat(find()).doesNotContain("haldr-1");
        } finally {
            choir.panel("haldr-1?fault=NONE");
        }
    }

    @Test
    void nothingIsSentToAnAddressOutsideTheNetworksThatRecordersMayBeIn() {
        assertThat(choir.choir("recorder", "find", "203.0.113.0/29").errors())
                .contains("203.0.113.0 is outside the networks that recorders may be in (127.0.0.0/8, 10.0.0.0/8")
                .contains("choir.recorder-addresses");
        var added = choir.post(
                "/api/v1/recorders",
                Map.of(
                        "name",
                        "far-1",
                        "address",
                        "http://203.0.113.5/onvif/device_service",
                        "user",
                        "choir",
                        "password",
                        "x",
                        "family",
                        "tern"));
        assertThat(added.status()).isEqualTo(400);
        assertThat(added.detail()).contains("203.0.113.5 is outside");
        // One that was added while more was allowed.
        choir.recorder("moved-1", "tern", 1);
        choir.execute("UPDATE recorder SET address = 'http://203.0.113.5/onvif/device_service' WHERE name = 'moved-1'");
        assertThat(choir.choir("recorder", "read", "moved-1").out()
                        + choir.choir("recorder", "list").out())
                .contains("203.0.113.5 is outside");
        said("recorder", "remove", "moved-1", "--yes");
    }

    @Test
    void aRecorderOfNoKnownMakeGetsAFamilyOfItsOwnAndIsGivenOutTo() {
        choir.recorder("shed-1", "skua", 2);
        assertThat(said("recorder", "list")).contains("generic-skua-sk-4");
        assertThat(said("family", "show", "generic-skua-sk-4")).contains("from: 0, to: 10, direction: up");
        said("set", "shed-1/01", "motion.sensitivity=85", "recording.week=daily motion", "--because", "bicycles");
        assertThat(choir.giveOut("recorder:shed-1").path("note").asString("")).contains("1 verified");
        assertThat(choir.panel("shed-1")).contains("sensitivity 9").contains("motion 10080");
    }

    @Test
    void aSleepingHubIsWokenReadAndWritten() {
        choir.recorder("hub-1", "plover", 1);
        said("set", "hub-1/01", "motion.sensitivity=90", "recording.after-event=10s", "--because", "a test");
        var preview = choir.choir("preview", "recorder:hub-1").out();
        assertThat(preview).contains("high").contains("15");
        assertThat(choir.giveOut("recorder:hub-1").path("note").asString("")).contains("1 verified");
        assertThat(choir.panel("hub-1")).contains("sensitivity high");
    }

    @Test
    void aFamilyFileOfOnesOwnIsCheckedAndAdded() throws IOException {
        var file = choir.folder().resolve("gull.yaml");
        Files.writeString(file, "family: gull\nsettings:\n  motion.sensitivty: {at: module gull:Motion Level}\n");
        assertThat(choir.choir("family", "add", file.toString()).errors())
                .contains("motion.sensitivty")
                .contains("motion.sensitivity");
        Files.writeString(
                file,
                "family: gull\nrecognise: {maker: Gull, model: GL}\nsettings:\n"
                        + "  motion.sensitivity: {at: module gull:Motion Level, from: 1, to: 5, direction: up}\n");
        said("family", "add", file.toString());
        assertThat(said("family", "list")).containsPattern("gull +gull +Gull +GL +1 +here");
        Files.writeString(file, Files.readString(file).replace("family: gull", "family: tern"));
        assertThat(choir.choir("family", "add", file.toString()).errors()).contains("Choir ships with");
    }

    @Test
    void aRecorderWithoutANetworkIsWorkedFromASheet() {
        var refused = choir.choir("recorder", "add", "yard-1", "--family", "auk");
        assertThat(refused.errors()).contains("name the cameras");
        said("recorder", "add", "yard-1", "--family", "auk", "--camera", "Slipway", "--camera", "Gate");
        said("set", "yard-1/01", "motion.sensitivity=60", "motion.threshold=1%", "--because", "a test");
        said(
                "set",
                "yard-1/02",
                "motion.areas=[{ignore: street, rectangle: [[0, 0], [1, 0.5]]}]",
                "recording.before-event=5s",
                "--because",
                "a test");
        var sheet = said("sheet", "show", "yard-1");
        assertThat(sheet)
                .contains("1. Motion, Amount: set 3, whatever stands there")
                .contains("2. Motion, Level: set 4")
                .contains("3. Motion, Mask: paint the watched cells")
                .contains("cannot be honoured: recording.before-event");
        assertThat(choir.choir("preview", "recorder:yard-1").out()).contains("choir sheet show yard-1");
        assertThat(choir.audit().path("failed").asInt()).isZero();
        var version = sheet.replaceAll("(?s).*version ([0-9a-f]{8}).*", "$1");
        assertThat(choir.choir("sheet", "tick", "yard-1", "1", "9", "--version", version)
                        .errors())
                .contains("has no step 9");
        assertThat(said("sheet", "tick", "yard-1", "1", "2", "--version", version))
                .contains("2 settings");
        assertThat(choir.choir("sheet", "tick", "yard-1", "--version", version).errors())
                .contains("has changed");
        assertThat(said("explain", "yard-1/01")).contains("recorder holds: 4, as it ought to");
        assertThat(said("sheet", "show", "yard-1")).doesNotContain("Slipway").contains("Gate");
        assertThat(choir.get("/api/v1/journal").whole().body()).contains("set by hand");
        assertThat(choir.choir("sheet", "show", "haldr-1").errors()).contains("choir rollout start");
    }

    @Test
    void aSheetIsTakenAlongOnPaperAndTickedByFile() throws IOException {
        said("recorder", "add", "yard-2", "--family", "auk", "--camera", "Slipway");
        said(
                "set",
                "yard-2/01",
                "motion.sensitivity=60",
                "motion.threshold=1%",
                "motion.areas=[{ignore: street, rectangle: [[0, 0], [1, 0.5]]}]",
                "--because",
                "a test");
        var paper = choir.folder().resolve("sheet.pdf");
        said("sheet", "show", "yard-2", "--format", "pdf", "--out", paper.toString());
        assertThat(Files.readAllBytes(paper)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
        var page = choir.get("/api/v1/recorders/yard-2/sheet/file?format=html")
                .whole()
                .body();
        // Of the mask each cell is painted; of 10 times 8 the upper half is not watched.
        assertThat(page).contains("Slipway").contains("<td class=\"w\"></td>");
        assertThat(page.split("<td class=\"w\">", -1)).hasSize(40 + 1);

        var csv = said("sheet", "show", "yard-2", "--format", "csv");
        var file = choir.folder().resolve("ticked.csv");
        Files.writeString(file, csv);
        assertThat(choir.choir("sheet", "tick", "yard-2", "--file", file.toString())
                        .errors())
                .contains("nothing is ticked");
        // A spreadsheet fills in the last two columns of the first row.
        Files.writeString(file, csv.replaceFirst("(?m)^([0-9a-f]{8},1,.*),,$", "$1,x,Ben with the ladder"));
        assertThat(said("sheet", "tick", "yard-2", "--file", file.toString())).contains("1 settings");
        assertThat(choir.get("/api/v1/journal").whole().body()).contains("Ben with the ladder, ticked by ada");
        assertThat(choir.choir("sheet", "tick", "yard-2", "--file", file.toString())
                        .errors())
                .contains("has changed");
    }

    @Test
    void aStillComesFromTheRecorderAndWhyNotIsSaid() {
        var still = choir.get("/api/v1/cameras/haldr-1/01/still");
        assertThat(still.status()).isEqualTo(200);
        assertThat(still.whole().headers().firstValue("Content-Type")).contains("image/jpeg");
        said("recorder", "add", "paper-1", "--family", "auk", "--camera", "Gate");
        var none = choir.get("/api/v1/cameras/paper-1/01/still");
        assertThat(none.status()).isEqualTo(502);
        assertThat(none.detail()).contains("no network interface");
    }

    @Test
    void aZoneThatIsNotSaidIsProposedFromTheRecordersOwnClock() {
        var address = choir.played("far-1", "tern", 1);
        choir.panel("far-1?zone=EST5EDT,M3.2.0,M11.1.0");
        var added = choir.post(
                "/api/v1/recorders",
                Map.of("name", "far-1", "address", address, "user", "choir", "password", "secret-of-far-1"));
        assertThat(added.body().path("zone").asString("")).startsWith("America/");
        said("recorder", "read", "far-1");
        choir.panel("far-1?zone=UTC0");
        choir.audit();
        assertThat(choir.openSentences())
                .anySatisfy(s -> assertThat(s).contains("far-1").contains("goes by UTC0"));
    }
}
