package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
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

    private final Map<String, List<String>> table = new LinkedHashMap<>();
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
        table.values().forEach(l -> System.err.println(String.join(" | ", l)));
        choir.close();
        device.destroy();
    }

    static List<String> variants() {
        return List.of("plain","default-namespaces","unknown-elements","byte-order-mark","utf-16","http-1.0","compressed","chunks","closes-silently","odd-tokens","no-get-services","first-media","no-schedules","no-analytics","no-rule-options","no-analytics-list","empty-engines","analytics-on-second-profile","options-without-owner","receiver-sources","main-and-sub","shared-schedule","shared-schedule-kept","no-empty-calendar","schedule-daily-byday","schedule-duration","schedule-several-rules","schedule-second-before-midnight","schedule-zone","schedule-utc","schedule-until","schedule-count","schedule-interval","schedule-exception","retention-month","retention-none","buffers-as-attributes","buffers-in-full","local-time-alone","clock-with-password","clock-hours-off","fault-in-languages","faults-with-200","digest-md5","digest-sha256","password-readable","forbidden-for-wrong");
    }

    @ParameterizedTest
    @MethodSource("variants")
    void isAddedReadWrittenVerifiedAndPutBack(String variant) {
        List<String> line = new ArrayList<>(List.of(variant));
        table.put(variant, line);
        var name = variant.replace('.', '-');
        var added = choir.post(
                "/api/v1/recorders",
                Map.of(
                        "name", name,
                        "address", "http://127.0.0.1:" + port + "/" + variant + "/device_service",
                        "user", "choir",
                        "password", PASSWORD));
        line.add(added.status() == 201 ? "yes" : added.detail());
        if (added.status() != 201) {
            return;
        }
        choir.finish(choir.post("/api/v1/readings", Map.of("recorders", List.of(name))));
        var cameras = choir.get("/api/v1/cameras?select=recorder:" + name).body().path("items");
        assertThat(cameras).hasSize(2);
        var before = device(variant);
        line.add(held(cameras.path(0)));
        var preview = choir.post("/api/v1/previews", Map.of("select", "recorder:" + name)).body();
        var started = choir.startRollout("recorder:" + name, 1000, 100);
        var work = started.status() < 300 ? choir.finish(started) : null;
        line.add((work == null ? started.detail() : work.path("note").asString()) + words(work) + left(preview));
        choir.finish(choir.post("/api/v1/audits", Map.of("select", "recorder:" + name)));
        line.add(String.join("; ", choir.openSentences().stream().filter(t -> t.startsWith(name)).toList()));
        line.add(shown(device(variant)));
        if (work != null) {
            var undone = choir.post(
                    "/api/v1/rollouts/" + work.path("id").asLong() + "/undo",
                    Map.of("waves", List.of("9"), "maxFailedPercent", 100, "patience", "PT0S"));
            line.add(undone.status() < 300 ? choir.finish(undone).path("note").asString() : undone.detail());
            line.add(device(variant).equals(before) ? "as before" : shown(before) + " now " + shown(device(variant)));
        }
    }

    private String words(JsonNode work) {
        if (work == null) return "";
        var steps = choir.get("/api/v1/rollouts/" + work.path("id").asLong()).body().path("steps");
        return steps.valueStream().filter(s -> !s.path("state").asString().equals("verified")).map(s -> " {" + s.path("key").asString() + " " + s.path("note").asString() + "}").distinct().collect(Collectors.joining());
    }

    private static String left(JsonNode preview) {
        return " " + preview.path("blocked") + preview.path("unread");
    }

    private static String at(JsonNode camera) {
        var token = camera.path("channel").asString();
        var segment = token.matches("[A-Za-z0-9_-][A-Za-z0-9_.-]*")
                ? token
                : "~" + Base64.getUrlEncoder().withoutPadding().encodeToString(token.getBytes(StandardCharsets.UTF_8));
        return "/api/v1/cameras/" + camera.path("recorder").asString() + "/" + segment;
    }

    private String held(JsonNode camera) {
        return choir.get(at(camera)).body().path("settings").valueStream()
                .filter(s -> s.hasNonNull("observed"))
                .map(s -> s.path("key").asString() + "=" + s.path("observed").asString())
                .collect(Collectors.joining(", "));
    }

    private JsonNode device(String variant) {
        var at = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/" + variant + "/")).build();
        return Ensemble.JSON.readTree(choir.exchange(at).body());
    }

    private static String shown(JsonNode device) {
        return device.path("channels").valueStream()
                .map(c -> c.path("sensitivity") + "/" + c.path("count") + "/" + c.path("fps") + "/" + c.path("keep")
                        + c.path("jobs").valueStream()
                                .map(j -> " " + j.path("schedule") + j.path("after"))
                                .collect(Collectors.joining()))
                .collect(Collectors.joining("; "));
    }
}
