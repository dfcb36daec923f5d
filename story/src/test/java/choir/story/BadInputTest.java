package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.cli.Main;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever is wrong is told in one line with its place and the nearest valid thing, and nothing is stored. */
class BadInputTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 2);
        choir.load("template: house\nmotion: {detection: on}\n---\ntemplate: quay\nextends: house\n");
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr"));
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    static java.util.stream.Stream<Arguments> commands() {
        return java.util.stream.Stream.of(
                wrong(
                        1,
                        "\"motion.sensitivty\" is not a setting; did you mean \"motion.sensitivity\"?",
                        "set",
                        "haldr-1/01",
                        "motion.sensitivty=50",
                        "--because",
                        "x"),
                wrong(
                        1,
                        "\"140\" is not a sensitivity; expected 0 to 100, or auto",
                        "set",
                        "haldr-1/01",
                        "motion.sensitivity=140",
                        "--because",
                        "x"),
                wrong(
                        1,
                        "\"7d\": d is no unit here; expected 0s to 600s, in s, ms, min, h",
                        "set",
                        "haldr-1/01",
                        "recording.before-event=7d",
                        "--because",
                        "x"),
                wrong(
                        1,
                        "\"mo-fri\" is not a day",
                        "set",
                        "haldr-1/01",
                        "recording.week=mo-fri motion",
                        "--because",
                        "x"),
                wrong(
                        1,
                        "\"25:00\" is not a time of day",
                        "set",
                        "haldr-1/01",
                        "recording.week=daily 25:00-26:00 motion",
                        "--because",
                        "x"),
                wrong(1, "an override needs a reason", "set", "haldr-1/01", "motion.detection=off", "--because", " "),
                wrong(
                        1,
                        "there is no camera \"haldr-1/09\"; did you mean \"haldr-1/01\"?",
                        "set",
                        "haldr-1/09",
                        "motion.detection=off",
                        "--because",
                        "x"),
                wrong(
                        1,
                        "there is no group \"fleet/terminals/halder\"; did you mean \"fleet/terminals/haldr\"?",
                        "use",
                        "house",
                        "--on",
                        "group:terminals/halder"),
                wrong(1, "there is no template \"hose\"; did you mean \"house\"?", "use", "hose", "--on", "fleet"),
                wrong(
                        1,
                        "\"2027-02-30\" is not a date",
                        "set",
                        "haldr-1/01",
                        "motion.detection=off",
                        "--because",
                        "x",
                        "--until",
                        "2027-02-30"),
                wrong(1, "at character 1 of the selection: \"grp:\" is not known", "camera", "list", "grp:terminals"),
                wrong(1, "no camera is selected by \"tag:nowhere\"", "preview", "tag:nowhere"),
                wrong(
                        2,
                        "\"nonsense\" is not of the form KEY=VALUE",
                        "set",
                        "haldr-1/01",
                        "nonsense",
                        "--because",
                        "x"),
                wrong(
                        2,
                        "choir set takes no \"--untill\"; did you mean \"--until\"?",
                        "set",
                        "haldr-1/01",
                        "a=b",
                        "--because",
                        "x",
                        "--untill",
                        "x"),
                wrong(2, "\"haldr-1\" is not a camera", "explain", "haldr-1"),
                wrong(1, "there is no finding 999", "finding", "show", "999"));
    }

    private static Arguments wrong(int exitCode, String message, String... command) {
        return Arguments.of(exitCode, message, command);
    }

    @ParameterizedTest
    @MethodSource("commands")
    void isToldAndStoresNothing(int exitCode, String message, String[] command) {
        var before = choir.everythingStored();
        var said = choir.choir(command);
        assertThat(said.errors()).contains(message).startsWith("choir: ").doesNotContain("Exception");
        assertThat(said.exitCode()).isEqualTo(exitCode);
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void everyFaultOfAPolicyFileIsToldWithItsPlaceAndNoneOfItIsTaken() throws IOException {
        var before = choir.everythingStored();
        var file = Files.writeString(choir.folder().resolve("bad.yaml"), """
                template: fine
                motion: {detection: on}
                ---
                template: faulty
                motion:
                  sensitivty: 50
                recording:
                  week:
                    - dayly: motion
                """);
        var said = choir.choir("policy", "load", file.toString());
        assertThat(said.exitCode()).isEqualTo(1);
        assertThat(said.errors())
                .contains("line 6, column")
                .contains("did you mean \"motion.sensitivity\"?")
                .contains("line 9, column")
                .contains("\"dayly\" is not a day");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void templatesThatExtendEachOtherInACircleAreRefused() {
        var before = choir.everythingStored();
        var answer = choir.write(
                "PUT",
                "/api/v1/templates/house",
                Map.of("text", "template: house\nextends: quay\n"),
                "If-Match",
                "\"1\"");
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains("in a circle: house extends quay extends house");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void aSecondTemplateOrRecorderOfTheSameNameIsRefused() {
        var before = choir.everythingStored();
        assertThat(choir.post("/api/v1/templates", Map.of("text", "template: house\n")))
                .satisfies(a -> assertThat(a.status()).isEqualTo(409))
                .satisfies(a -> assertThat(a.detail()).contains("there is a template \"house\" already"));
        var again = choir.choir(
                "recorder",
                "add",
                "haldr-1",
                "--address",
                "http://127.0.0.1:1/x",
                "--user",
                "u",
                "--password-file=" + choir.file("p"),
                "--family",
                "tern");
        assertThat(again.errors()).contains("there is a recorder \"haldr-1\" already");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void aWriteThatDoesNotKnowTheCurrentVersionIsRefused() {
        var before = choir.everythingStored();
        var text = Map.of("text", "template: house\nmotion: {detection: off}\n");
        assertThat(choir.write("PUT", "/api/v1/templates/house", text, "If-Match", "\"7\""))
                .satisfies(a -> assertThat(a.status()).isEqualTo(412))
                .satisfies(a -> assertThat(a.detail()).contains("it is now at version 1"));
        assertThat(choir.write("PUT", "/api/v1/templates/house", text).status()).isEqualTo(428);
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void aBodyThatIsNotTheExpectedJsonIsRefusedWithoutAStackTrace() {
        var answer = choir.write("POST", "/api/v1/uses", "just a text");
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).isEqualTo("the body is not the JSON that was expected");
        assertThat(choir.post("/api/v1/uses", Map.of("node", "fleet")).detail())
                .isEqualTo("the body lacks \"template\"");
    }

    @Test
    void aRecorderThatDoesNotAnswerIsNotAddedAndTheReasonIsTold() {
        var before = choir.everythingStored();
        var said = choir.choir(
                "recorder",
                "add",
                "ghost",
                "--address",
                "http://127.0.0.1:1/device_service",
                "--user",
                "u",
                "--password-file=" + choir.file("p"));
        assertThat(said.exitCode()).isEqualTo(5);
        assertThat(said.errors()).contains("ghost cannot be reached");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void noServiceIsToldAsThat() {
        var said = choir.choir("status");
        assertThat(said.exitCode()).isZero();
        var errors = new java.io.StringWriter();
        int code = Main.run(
                Map.of("CHOIR_URL", "http://127.0.0.1:1"),
                new java.io.PrintWriter(new java.io.StringWriter()),
                new java.io.PrintWriter(errors),
                "status");
        assertThat(code).isEqualTo(5);
        assertThat(errors.toString()).contains("no service answers at http://127.0.0.1:1; start one with: choir serve");
    }
}
