package choir.cli;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;

/** Tells a fresh service of the demo fleet, gives its policy out, and then lets people change things at the recorders. */
final class DemoStory {
    private static final int PAST_DAYS = 35;

    private final Client service;
    private final URI simulator;
    private final URI secured;
    private final DemoFleet fleet;
    private final Consumer<String> tell;

    /** @param secured where the recorders are by TLS */
    DemoStory(Client service, URI simulator, URI secured, DemoFleet fleet, Consumer<String> tell) {
        this.secured = secured;
        this.service = service;
        this.simulator = simulator;
        this.fleet = fleet;
        this.tell = tell;
    }

    void play(Path policies) {
        tell.accept("adding " + fleet.recorders().size() + " recorders");
        fleet.recorders().forEach(this::add);
        finish(service.post("/api/v1/readings", Map.of()));
        fleet.groups().forEach(g -> service.post("/api/v1/groups", Map.of("path", g)));
        fleet.recorders().forEach(this::place);
        tell.accept("loading templates, calendars and overrides");
        service.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        PolicyFolder.read(List.of(policies)),
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        LocalDate.now(ZoneId.of(fleet.zone()))
                                .minusDays(PAST_DAYS)
                                .toString()));
        tell.accept("giving the policy out");
        var preview = service.post("/api/v1/previews", Map.of("select", fleet.giveOut()));
        finish(service.post(
                "/api/v1/rollouts",
                Map.of("preview", preview.path("id").asLong(), "waves", List.of("5"), "maxFailedPercent", 100)));
        service.post(
                "/api/v1/notices", Map.of("way", "mail", "target", "watch@skerry-line.example", "severity", "medium"));
        // What was given out has been so for a month, as far as the recorders know.
        fleet.recorders().stream()
                .filter(r -> !r.user().isEmpty())
                .forEach(r -> turn(r.name() + "?since=P" + PAST_DAYS + "D"));
        tell.accept("letting people change things at the recorders, and auditing");
        fleet.then().forEach(this::turn);
        finish(service.post("/api/v1/audits", Map.of()));
        fleet.stores()
                .forEach(s -> service.write(
                        "PUT", RecorderStore.path(s.recorder(), s.name()), Map.of("size", s.size()), Optional.empty()));
        tell.accept("the recorders are being asked what they recorded in the last month, which takes a little longer");
        service.post("/api/v1/activity/readings", Map.of());
    }

    private void add(DemoFleet.Recorder recorder) {
        if (recorder.user().isEmpty()) {
            service.post(
                    "/api/v1/recorders",
                    Map.of(
                            "name", recorder.name(),
                            "family", recorder.make(),
                            "zone", fleet.zone(),
                            "cameras", recorder.labels()));
            return;
        }
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "name", recorder.name(),
                "address",
                        (recorder.tls() ? secured : simulator)
                                .resolve("/" + recorder.name() + "/device_service")
                                .toString(),
                "user", recorder.user(),
                "password", recorder.password(),
                "zone", fleet.zone()));
        if (recorder.tls()) {
            // It is asked what it is, so that it shows its certificate; in the demo nobody has to look whether it is
            // the right one.
            RecorderAdd.added(service, body, shown -> true);
        } else {
            body.put("family", recorder.make());
            service.post("/api/v1/recorders", body);
        }
    }

    private void place(DemoFleet.Recorder recorder) {
        for (var camera : recorder.cameras()) {
            service.write(
                    "PUT",
                    "/api/v1/cameras/" + recorder.name() + "/" + camera.channel() + "/placing",
                    Map.of("group", camera.group(), "tags", camera.tags()),
                    Optional.of("*"));
        }
    }

    private void finish(JsonNode work) {
        service.follow(work.path("id").asLong(), w -> {});
    }

    private void turn(String knob) {
        try (var http = HttpClient.newHttpClient()) {
            var request = HttpRequest.newBuilder(simulator.resolve("/panel/" + knob))
                    .POST(HttpRequest.BodyPublishers.noBody())
                    .build();
            var answer = http.send(request, BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new Failure(Failure.FAILED, "the front panel refused " + knob + ": " + answer.body());
            }
        } catch (IOException e) {
            throw new Failure(Failure.NOT_REACHABLE, "the simulated recorders do not answer: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failure(Failure.FAILED, "interrupted");
        }
    }
}
