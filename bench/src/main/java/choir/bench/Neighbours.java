package choir.bench;

import choir.sim.Simulator;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * What a slow recorder, a dripping one, and some that are away cost the others: {@code SERVER-JAR}. Deadlines are those that
 * the service ships with.
 */
public final class Neighbours {
    private static final int SIMULATOR = 7592;
    private static final int SERVICE = 7593;
    private static final int SWEPT = 100;
    private static final int GIVEN_OUT = 1_000;

    private Neighbours() {}

    public static void main(String[] arguments) throws Exception {
        var jar = Path.of(arguments[0]);
        try (var simulator = Simulator.start(SIMULATOR)) {
            sweeps(simulator, jar);
            rollout(simulator, jar);
        }
    }

    private static void sweeps(Simulator simulator, Path jar) throws Exception {
        try (var service = service(simulator, jar, "swept", SWEPT, 16)) {
            audit(service, "audit of 100 recorders of 16 cameras, first");
            audit(service, "the same again");
            panel(simulator, "swept-0?fault=SLOW&delay=PT30S");
            audit(service, "with one that takes 30 s for each answer");
            panel(simulator, "swept-0?fault=DRIPS");
            audit(service, "with one that sends a byte every 3 s");
            panel(simulator, "swept-0?fault=NONE");
        }
    }

    private static void rollout(Simulator simulator, Path jar) throws Exception {
        try (var service = service(simulator, jar, "given", GIVEN_OUT, 2)) {
            audit(service, "audit of 1,000 recorders of 2 cameras, first");
            for (boolean away : new boolean[] {false, true}) {
                policy(service, away ? 41 : 40);
                var preview =
                        RunningService.number(service.call("POST", "/api/v1/previews", "{\"select\":\"\"}"), "id");
                for (int i = 0; away && i < GIVEN_OUT / 100; i++) {
                    panel(simulator, "given-" + i * 100 + "?fault=AWAY");
                }
                long began = System.nanoTime();
                var ended = service.ended(service.call(
                        "POST",
                        "/api/v1/rollouts",
                        "{\"preview\":" + preview
                                + ",\"waves\":[\"10%\"],\"maxFailedPercent\":5,\"patience\":\"PT20S\"}"));
                say(
                        "rollout over 1,000 recorders, " + (away ? "ten of them away, tried for 20 s" : "all there"),
                        began,
                        RunningService.word(ended, "note"));
            }
        }
    }

    private static RunningService service(Simulator simulator, Path jar, String name, int recorders, int channels)
            throws Exception {
        var service = new RunningService(jar, Files.createTempDirectory("choir-bench"), SERVICE, "1g");
        service.signIn();
        policy(service, 30);
        for (int i = 0; i < recorders; i++) {
            simulator.add(name + "-" + i, "tern", "u", "p", channels);
            service.call(
                    "POST",
                    "/api/v1/recorders",
                    "{\"name\":\"%s-%d\",\"address\":\"%s\",\"family\":\"tern\",\"user\":\"u\",\"password\":\"p\"}"
                            .formatted(name, i, simulator.address(name + "-" + i)));
        }
        return service;
    }

    private static void policy(RunningService service, int sensitivity) throws Exception {
        service.call(
                "POST",
                "/api/v1/policy",
                "{\"files\":[{\"name\":\"a.yaml\",\"text\":\"template: house\\nmotion: {sensitivity: " + sensitivity
                        + "}\\n---\\ngroup: fleet\\nuse: [house]\\n\"}],\"prune\":false,\"onlyTry\":false}");
    }

    private static void audit(RunningService service, String what) throws Exception {
        long began = System.nanoTime();
        var ended = service.ended(service.call("POST", "/api/v1/audits", "{}"));
        say(what, began, RunningService.word(ended, "note"));
    }

    private static void panel(Simulator simulator, String knob) throws Exception {
        try (var http = HttpClient.newHttpClient()) {
            http.send(
                    HttpRequest.newBuilder(simulator.panel("").resolve(knob))
                            .POST(HttpRequest.BodyPublishers.noBody())
                            .build(),
                    BodyHandlers.discarding());
        }
    }

    private static void say(String what, long began, String found) {
        System.out.printf("%s: %.1f s; %s%n", what, (System.nanoTime() - began) / 1e9, found);
    }
}
