package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.cli.Main;
import choir.fleet.NaturalOrder;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What programs get of the client, and many commands at once. */
class ClientFormsTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 3);
        choir.load("""
                template: house
                motion: {sensitivity: 70, threshold: 1%}
                ---
                group: fleet
                use: [house]
                ---
                camera: haldr-1/01
                set: {motion.threshold: 0.25%}
                because: the pier head is 70 m away
                until: 2037-03-01
                """);
        choir.choir("audit", "run");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static JsonNode json(String... words) {
        return Ensemble.JSON.readTree(choir.choir(words).out());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "status",
                "preview",
                "survey",
                "explain haldr-1/01",
                "recorder show haldr-1",
                "recorder list",
                "camera show haldr-1/01",
                "camera list",
                "finding list",
                "group show fleet",
                "group list",
                "template show house",
                "template list",
                "override list",
                "user list",
                "token list",
                "audit list",
                "journal",
                "check-up"
            })
    void everythingThatIsShownIsThereForProgramsToo(String command) {
        var words = command.split(" ");
        var json = json(with(words, "--format", "json"));
        assertThat(json.isContainer()).as(command).isTrue();
        var csv = choir.choir(with(words, "--format", "csv")).out();
        var heads = csv.lines().findFirst().orElse("");
        assertThat(heads).as(command).matches("[A-Za-z0-9.\"-]+(,[A-Za-z0-9.\"-]+)*");
        assertThat(csv.lines().count()).as(csv).isGreaterThan(1);
        assertThat(csv.lines()).as("one cell is no document").allMatch(line -> line.length() < 20_000);
        assertThat(choir.choir(with(words, "--format", "xml")).exitCode())
                .as("no form is taken for another")
                .isEqualTo(2);
    }

    @Test
    void filesAreLoadedByProgramsInTwoSteps() throws IOException {
        var file =
                Files.writeString(choir.folder().resolve("late.yaml"), "template: late\nmotion: {sensitivity: 44}\n");
        var would = choir.choir(3, "policy", "load", file.toString(), "--format", "json");
        assertThat(Ensemble.JSON.readTree(would.out()).path("changes")).hasSize(1);
        assertThat(choir.choir("template", "list").out()).doesNotContain("late");
        var took = json("policy", "load", file.toString(), "--yes", "--format", "json");
        assertThat(took.path("changes")).hasSize(1);
        assertThat(choir.choir("template", "list").out()).contains("late");
        Files.writeString(file, "template: late\nmotion: {sensitivity: 45}\n");
        choir.choir(0, "policy", "load", file.toString(), "--yes");
        var lines = Ensemble.JSON.readTree(choir.choir(3, "template", "compare", "late", "--format", "json")
                .out());
        assertThat(lines.values().stream().map(l -> l.path("revision").asInt())).containsExactly(1, 2);
    }

    private static String[] with(String[] words, String... more) {
        return java.util.stream.Stream.concat(java.util.Arrays.stream(words), java.util.Arrays.stream(more))
                .toArray(String[]::new);
    }

    @Test
    void explainObeysItsKeyAndTellsWhoSaidIt() {
        var view = json("explain", "haldr-1/01", "motion.threshold", "--format", "json");
        assertThat(view.path("settings")).hasSize(1);
        var origin = view.path("settings").path(0).path("origins").path(0);
        assertThat(origin.path("author").asString()).isEqualTo("ada");
        assertThat(origin.path("until").asString()).isEqualTo("2037-03-01");
        assertThat(Instant.parse(view.path("readAt").asString())).isBefore(Instant.now());
        assertThat(choir.choir("explain", "haldr-1/01", "motion.threshold").out())
                .contains("from override at haldr-1/01 by ada until 2037-03-01, because: the pier head is 70 m away");
        assertThat(choir.choir("help", "camera", "list").out()).contains("choir camera list");
        assertThat(choir.choir(2, "help", "camera", "lost").errors()).contains("expected one of", "list");
    }

    @Test
    void aFileOfCommandsStopsAtTheFirstThatFails() throws IOException {
        var file = Files.write(
                choir.folder().resolve("morning.txt"),
                List.of(
                        "# what is done each morning",
                        "",
                        "choir template list",
                        "  set haldr-1/02 motion.threshold=0.5% --because \"spray, and \'fog\'\"  ",
                        "template show nobody",
                        "group add terminals/late"));
        var said = choir.choir("sh", file.toString());
        assertThat(said.exitCode()).as(said.errors()).isEqualTo(1);
        assertThat(said.out()).contains("house");
        assertThat(said.errors()).contains("there is no template \"nobody\"");
        assertThat(choir.choir("override", "list", "haldr-1/02").out()).contains("spray, and 'fog'");
        assertThat(choir.choir("group", "list").out()).doesNotContain("terminals/late");

        var on = choir.choir("sh", file.toString(), "--go-on");
        assertThat(on.exitCode()).isEqualTo(1);
        assertThat(choir.choir("group", "list").out()).contains("terminals/late");
    }

    @Test
    void whatIsNoCommandIsToldWithItsLine() throws IOException {
        var file = Files.write(choir.folder().resolve("odd.txt"), List.of("status", "set x \"y"));
        var said = choir.choir("sh", file.toString());
        assertThat(said.exitCode()).isEqualTo(2);
        assertThat(said.errors()).contains("odd.txt, line 2: a quote is opened and not closed");
        Files.write(file, List.of("choir sh"));
        assertThat(choir.choir(2, "sh", file.toString()).errors()).contains("line 1: this is sh already");
        assertThat(choir.choir(1, "sh", "/nowhere/commands").errors()).contains("/nowhere/commands cannot be read");
    }

    @Test
    void aRecorderIsToldWhereItIsNow() {
        choir.played("haldr-9", "tern", 1);
        assertThat(choir.choir(
                                "recorder",
                                "edit",
                                "haldr-1",
                                "--address",
                                choir.addressOf("haldr-9").toString())
                        .errors())
                .containsAnyOf("another device answers", "does not take the user name and password");
        assertThat(choir.choir(2, "recorder", "edit", "haldr-1").errors()).contains("--address or --zone");
        assertThat(choir.choir(0, "recorder", "edit", "haldr-1", "--zone", "UTC")
                        .out())
                .contains("haldr-1 is in UTC");
        assertThat(json("recorder", "show", "haldr-1", "--format", "json")
                        .path("recorder")
                        .path("zone")
                        .asString())
                .isEqualTo("UTC");
    }

    @Test
    void equalFindingsAreSaidOnce() {
        var folded = choir.choir("finding", "list").out();
        assertThat(folded).contains("--all shows each on its own");
        var all = choir.choir("finding", "list", "--all").out();
        assertThat(all.lines().count()).isGreaterThan(folded.lines().count());
        assertThat(choir.choir("finding", "list", "--all", "--limit", "2").out().lines())
                .hasSize(3);
    }

    @Test
    void theJournalIsReadToItsBeginningAndOfOneThingAlone() {
        var newest = json("journal", "--limit", "3", "--format", "json");
        assertThat(newest).hasSize(3);
        assertThat(newest.get(0).path("id").asLong())
                .isGreaterThan(newest.get(2).path("id").asLong());
        var all = json("journal", "--all", "--format", "json");
        assertThat(all.get(all.size() - 1).path("id").asLong()).isEqualTo(1);
        assertThat(json("journal", "--about", "haldr-1", "--format", "json").values())
                .isNotEmpty()
                .allSatisfy(e -> assertThat(e.path("subject").asString()).isEqualTo("haldr-1"));
        assertThat(choir.choir("journal", "--limit", "0").errors()).contains("--limit is 1 or more");
    }

    @Test
    void camerasComeInTheOrderOfTheService() {
        var labels = json("camera", "list", "--sort", "-label", "--limit", "2", "--format", "json");
        assertThat(labels).hasSize(2);
        assertThat(labels.values().stream()
                        .map(c -> c.path("label").asString())
                        .toList()
                        .reversed())
                .isSortedAccordingTo(NaturalOrder.BY_NAME);
        assertThat(choir.choir("camera", "list", "--sort", "deviceNam").errors())
                .contains("did you mean \"deviceName\"?");
    }

    /** From a machine that was never signed in here, with nothing but what the invitation says. */
    @Test
    void whoeverIsInvitedComesInByTheClientAlone() throws IOException {
        var once = choir.post("/api/v1/people", Map.of("name", "ines", "roles", List.of("viewer")))
                .body()
                .path("oneTimePassword")
                .asString();
        var given = Files.writeString(choir.folder().resolve("once"), once + "\n");
        var own = Files.writeString(choir.folder().resolve("own"), "a-word-that-ines-chose\n");
        assertThat(elsewhere("login", "--user", "ines", "--password-file", given.toString())
                        .errors())
                .contains("choir login --new-password");
        var signedIn = elsewhere(
                "login", "--user", "ines", "--password-file", given.toString(), "--new-password-file", own.toString());
        assertThat(signedIn.exitCode()).as(signedIn.errors()).isZero();
        assertThat(elsewhere("status").out()).contains("cameras");
        assertThat(elsewhere("recorder", "remove", "haldr-1", "--yes").exitCode())
                .isEqualTo(4);
    }

    private static Ensemble.Said elsewhere(String... words) {
        var out = new StringWriter();
        var errors = new StringWriter();
        var home = choir.folder().resolve("elsewhere").toString();
        int code = Main.run(
                Map.of("CHOIR_URL", choir.address().toString(), "CHOIR_HOME", home),
                new PrintWriter(out),
                new PrintWriter(errors),
                words);
        return new Ensemble.Said(code, out.toString(), errors.toString());
    }
}
