package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * A device that somebody else wrote, in another language, that does one thing otherwise in each of its variants. Choir adds
 * it, reads it, gives policy out to it, sees that it took, and puts back what was there; the device itself is asked what it
 * holds. With {@code -Dchoir.keep-document=true} the table of {@code docs/interop.md} is written.
 */
@TestInstance(Lifecycle.PER_CLASS)
class ForeignDevicesTest {
    private static final Path DOCUMENT = Path.of("../docs/interop.md");
    private static final String PASSWORD = "grey seal";
    private static final Set<String> MOTION = Set.of("motion.sensitivity", "motion.threshold", "motion.areas");
    private static final Set<String> WEEK = Set.of("recording.week");
    private static final Set<String> ALL = Set.of(
            "motion.sensitivity",
            "motion.threshold",
            "motion.areas",
            "recording.switched-on",
            "recording.week",
            "recording.before-event",
            "recording.after-event",
            "recording.frame-rate",
            "recording.keep-at-most");

    /**
     * @param does what it does otherwise, in words
     * @param unknown settings that cannot be known, and are not written
     */
    record Variant(String name, String does, Set<String> unknown) {
        String recorder() {
            return name.replace('.', '-');
        }

        @Override
        public String toString() {
            return name;
        }
    }

    private static Variant usual(String name, String does) {
        return new Variant(name, does, Set.of());
    }

    static List<Variant> variants() {
        return List.of(
                usual("plain", "nothing"),
                usual("default-namespaces", "elements without prefixes, each with a namespace of its own"),
                usual("unknown-elements", "elements that no version of the standard has"),
                usual("byte-order-mark", "a byte order mark before the document"),
                usual("utf-16", "UTF-16"),
                usual("http-1.0", "HTTP/1.0 without a length"),
                usual("compressed", "compressed answers"),
                usual("chunks", "answers in many chunks"),
                usual("closes-silently", "closes kept connections without a word"),
                usual("odd-tokens", "tokens with blanks, braces, colons, slashes, quotes and other letters"),
                new Variant(
                        "no-get-services",
                        "no GetServices; the older list names neither the second media service nor schedules",
                        Set.of("recording.week", "recording.switched-on")),
                usual("first-media", "the first media service alone"),
                new Variant("no-schedules", "no schedules", Set.of("recording.week", "recording.switched-on")),
                new Variant("no-analytics", "no analytics", MOTION),
                new Variant(
                        "no-rule-options",
                        "does not say which values its analytics take",
                        Set.of("motion.sensitivity", "motion.threshold")),
                usual("analytics-list-missing", "no list of analytics configurations"),
                usual("empty-engines", "profiles without what their analytics hold"),
                usual("analytics-on-second-profile", "analytics on the camera's second profile"),
                usual("options-without-owner", "options that do not say of which rule they are"),
                usual("receiver-sources", "jobs whose source is a receiver"),
                usual("main-and-sub", "two motion jobs for each camera"),
                usual("shared-schedule", "one schedule for several cameras"),
                usual("no-empty-calendar", "refuses a calendar without events"),
                usual("schedule-daily-byday", "FREQ=DAILY with BYDAY"),
                usual("schedule-duration", "DURATION in the place of an end"),
                usual("schedule-several-rules", "several RRULE"),
                usual("schedule-second-before-midnight", "23:59:59 for midnight"),
                new Variant("schedule-zone", "times of a zone that nobody knows", WEEK),
                new Variant("schedule-utc", "times in UTC", WEEK),
                new Variant("schedule-until", "UNTIL", WEEK),
                new Variant("schedule-count", "COUNT", WEEK),
                new Variant("schedule-interval", "INTERVAL=2", WEEK),
                new Variant("schedule-exception", "EXDATE", WEEK),
                usual("retention-month", "keeps for P1M"),
                usual("retention-none", "keeps for P0S, which is no limit"),
                usual("buffers-as-attributes", "buffers as attributes"),
                usual("buffers-in-full", "buffers such as P0Y0M0DT0H0M5S"),
                usual("local-time-alone", "tells its local time alone"),
                usual("clock-with-password", "wants the password for its clock"),
                usual("clock-hours-off", "a clock five hours off"),
                usual("faults-with-200", "faults with status 200"),
                usual("digest-md5", "HTTP digest by MD5, a count of its own for each nonce"),
                usual("digest-sha256", "HTTP digest by SHA-256"));
    }

    private final Map<String, String> table = new LinkedHashMap<>();
    private Ensemble choir;
    private Process device;
    private int port;

    @BeforeAll
    void start() throws IOException {
        device = new ProcessBuilder("node", "foreign-device.mjs")
                .directory(Path.of("interop").toFile())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        port = Integer.parseInt(
                device.inputReader(StandardCharsets.UTF_8).readLine().substring("port ".length()));
        choir = new Ensemble();
        choir.load("""
                template: foreign
                motion: {sensitivity: 70, threshold: 10%}
                recording: {after-event: 20s, week: [daily motion], frame-rate: 10fps, keep-at-most: 14d}
                ---
                group: fleet
                use: [foreign]
                """);
    }

    @AfterAll
    void stop() throws IOException {
        choir.close();
        device.destroy();
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(DOCUMENT, document());
        }
    }

    private Ensemble.Answer added(String variant, String recorder, String password) {
        return choir.post(
                "/api/v1/recorders",
                Map.of(
                        "name",
                        recorder,
                        "address",
                        "http://127.0.0.1:" + port + "/" + variant + "/device_service",
                        "user",
                        "choir",
                        "password",
                        password,
                        "zone",
                        "UTC"));
    }

    @ParameterizedTest
    @MethodSource("variants")
    void isAddedReadWrittenVerifiedAndPutBack(Variant variant) {
        var select = "recorder:" + variant.recorder();
        var added = added(variant.name(), variant.recorder(), PASSWORD);
        assertThat(added.status()).as(added.detail()).isEqualTo(201);
        var read = choir.finish(choir.post("/api/v1/readings", Map.of("recorders", List.of(variant.recorder()))));
        assertThat(read.path("note").asString()).isEqualTo("read 1 recorder");
        var cameras = choir.get("/api/v1/cameras?select=" + select).body().path("items");
        assertThat(cameras).hasSize(2);
        cameras.forEach(camera -> assertThat(held(camera)).isEqualTo(known(variant)));
        var before = shown(variant);

        var given = choir.giveOut(select);
        assertThat(given.path("note").asString()).isEqualTo("all 2 verified");
        assertThat(shown(variant)).as("what the device holds").isEqualTo(asked(variant, before));
        choir.finish(choir.post("/api/v1/audits", Map.of("select", select)));
        assertThat(outOfTune(variant)).isEmpty();

        var undone = choir.finish(choir.post(
                "/api/v1/rollouts/" + given.path("id").asLong() + "/undo",
                Map.of("waves", List.of("9"), "maxFailedPercent", 100, "patience", "PT0S")));
        assertThat(undone.path("note").asString()).isEqualTo("all 2 verified");
        assertThat(shown(variant)).as("what the device holds").isEqualTo(before);
        table.put(
                variant.does(),
                "read, given out, verified, put back"
                        + (variant.unknown().isEmpty()
                                ? ""
                                : "; not known and not written: "
                                        + variant.unknown().stream().sorted().collect(Collectors.joining(", "))));
    }

    @Test
    void aScheduleThatCannotBeSplitOffIsNotChangedForOthers() {
        assertThat(added("shared-schedule-kept", "shared-kept", PASSWORD).status())
                .isEqualTo(201);
        choir.finish(choir.post("/api/v1/readings", Map.of("recorders", List.of("shared-kept"))));
        var given = choir.giveOut("recorder:shared-kept");
        var steps = choir.get("/api/v1/rollouts/" + given.path("id").asLong())
                .body()
                .path("steps");
        var why = steps.valueStream()
                .map(s -> s.path("note").asString() + s.path("trouble").asString(""))
                .collect(Collectors.joining());
        assertThat(steps.toString()).contains("it would be changed for all of them");
        assertThat(given.path("note").asString()).as(why).doesNotContain("verified");
        table.put(
                "one schedule for several cameras, and makes no other",
                "refused for the week, with the cameras named; everything else is given out");
    }

    @Test
    void whoAsksForThePasswordReadablyIsNotGivenIt() {
        var refused = added("password-readable", "readable", PASSWORD);
        assertThat(refused.status()).isEqualTo(502);
        assertThat(refused.detail()).contains("in a form that anybody on the way can read, so it was not given");
        table.put("asks for the password in readable form", "refused: " + refused.detail());
    }

    @Test
    void aWrongPasswordIsCalledSoHoweverItIsRefused() {
        for (var variant :
                List.of("plain", "digest-md5", "forbidden-for-wrong", "faults-with-200", "fault-in-languages")) {
            var refused = added(variant, "wrong", "guessed");
            assertThat(refused.status()).as(variant).isEqualTo(502);
            assertThat(refused.detail()).as(variant).contains("does not take the user name and password");
        }
        table.put("refuses a wrong password by a fault, 401, 403 or a fault with 200", "wrong password");
    }

    private static Set<String> known(Variant variant) {
        return ALL.stream().filter(k -> !variant.unknown().contains(k)).collect(Collectors.toSet());
    }

    private static String at(JsonNode camera) {
        var token = camera.path("channel").asString();
        var segment = token.matches("[A-Za-z0-9_-][A-Za-z0-9_.-]*")
                ? token
                : "~" + Base64.getUrlEncoder().withoutPadding().encodeToString(token.getBytes(StandardCharsets.UTF_8));
        return "/api/v1/cameras/" + camera.path("recorder").asString() + "/" + segment;
    }

    /** The settings of which it is known what the camera holds. */
    private Set<String> held(JsonNode camera) {
        return choir.get(at(camera))
                .body()
                .path("settings")
                .valueStream()
                .filter(s -> s.hasNonNull("observed"))
                .map(s -> s.path("key").asString())
                .collect(Collectors.toSet());
    }

    /** What an audit found of the cameras; clocks and what cannot be understood are another matter. */
    private List<String> outOfTune(Variant variant) {
        return choir.openSentences().stream()
                .filter(s -> s.startsWith(variant.recorder() + "/"))
                .filter(s -> !s.contains("cannot be understood") && !s.contains("records by no schedule"))
                .toList();
    }

    /** What the device says that it holds, for each channel, whatever its schedules are called and how they are written. */
    private List<String> shown(Variant variant) {
        var at = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/" + variant.name() + "/"))
                .build();
        return Ensemble.JSON
                .readTree(choir.exchange(at).body())
                .path("channels")
                .valueStream()
                .map(c -> "sensitivity " + c.path("sensitivity") + " threshold " + c.path("count") + " frames "
                        + c.path("fps") + " after "
                        + c.path("jobs")
                                .valueStream()
                                .filter(j -> j.path("motion").asBoolean())
                                .map(j -> j.path("after").toString())
                                .distinct()
                                .collect(Collectors.joining(",")))
                .toList();
    }

    private static List<String> asked(Variant variant, List<String> before) {
        boolean motion = !variant.unknown().contains("motion.sensitivity");
        return before.stream()
                .map(b ->
                        (motion ? "sensitivity 7 threshold 19" : b.replaceAll(" frames.*", "")) + " frames 10 after 20")
                .toList();
    }

    private String document() {
        var text = new StringBuilder("""
                # What recorders do otherwise

                Made by `ForeignDevicesTest` (`-Dchoir.keep-document=true`): `story/interop/foreign-device.mjs` is a recorder written
                for itself, in another language, that shares nothing with Choir and nothing with its simulator. In each variant it
                does one thing otherwise than most. Choir adds it, reads it, gives policy out, reads back, audits and undoes; then the
                device is asked what it holds.

                | the recorder | what becomes of it |
                | --- | --- |
                """);
        table.forEach((does, becomes) ->
                text.append("| ").append(does).append(" | ").append(becomes).append(" |\n"));
        return text.toString();
    }
}
