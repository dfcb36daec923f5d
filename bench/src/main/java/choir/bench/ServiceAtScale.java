package choir.bench;

import static choir.bench.RunningService.number;
import static choir.bench.RunningService.selecting;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The whole service over HTTP with simulated recorders of 32 cameras: {@code CAMERAS SERVER-JAR HEAP}. Everything is
 * done as a person or the client would; nothing is put into the database.
 */
public final class ServiceAtScale {
    private static final int CHANNELS = 32;
    private static final int SIMULATOR = 7590;
    private static final int SERVICE = 7591;
    private static final int USING = 1000;
    /** The most cameras to which all is given out, which takes longer than all the rest. */
    private static final int GIVEN_OUT = 200_000;
    /** The most cameras that are asked for a month of what they recorded; of more, a night is asked for. */
    private static final int MONTH = 11_000;

    private static final List<String> SELECTIONS = List.of(
            "",
            "state:drifted",
            "state:waiting",
            "group:used",
            "recorder:site-0001*",
            "camera:site-00003/*",
            "tag:gate",
            "site-00007",
            "nothing-is-called-so",
            "group:used not:state:waiting");

    private final RunningService service;
    private final ProcessHandle simulator;
    private final int recorders;

    private ServiceAtScale(RunningService service, ProcessHandle simulator, int recorders) {
        this.service = service;
        this.simulator = simulator;
        this.recorders = recorders;
    }

    public static void main(String[] arguments) throws Exception {
        int recorders = (Integer.parseInt(arguments[0]) + CHANNELS - 1) / CHANNELS;
        var jar = Path.of(arguments[1]);
        boolean again = arguments.length > 3;
        var data = again ? Path.of(arguments[3]) : Files.createTempDirectory("choir-bench");
        var simulator =
                played().isPresent() ? played().get() : simulate(recorders).toHandle();
        try {
            try (var service = new RunningService(jar, data, SERVICE, arguments[2], settings(recorders))) {
                say("cameras", "%,d on %,d recorders".formatted(recorders * CHANNELS, recorders));
                say(again ? "started on a folder that is known" : "started on a fresh folder", service.started);
                service.signIn();
                var bench = new ServiceAtScale(service, simulator, recorders);
                if (again) {
                    bench.goOn();
                } else {
                    say("in the folder", data.toString());
                    bench.all();
                }
            }
            try (var service = new RunningService(jar, data, SERVICE, arguments[2], settings(recorders))) {
                say("started on this folder, healthy after", service.started);
                service.signIn();
                new ServiceAtScale(service, simulator, recorders).awaitOverview();
            }
        } finally {
            simulator.destroy();
        }
    }

    private void awaitOverview() throws Exception {
        var began = System.nanoTime();
        while (!knows(service.get("/api/v1/overview"))) {
            Thread.sleep(20);
        }
        say("and the overview knows the fleet after further", since(began));
    }

    /** On a folder that an earlier run has filled, with the recorders that it still plays. */
    private void goOn() throws Exception {
        awaitOverview();
        changes();
        pages();
        say("memory", service.memory());
        whole("audit, nothing changed", "/api/v1/audits", "{}");
        say("memory", service.memory());
    }

    private static boolean isMonth(int recorders) {
        return recorders * CHANNELS <= MONTH;
    }

    private static String[] settings(int recorders) {
        return isMonth(recorders) ? new String[0] : new String[] {"--choir.activity-days=1"};
    }

    private static Optional<ProcessHandle> played() {
        return ProcessHandle.allProcesses()
                .filter(p -> p.info()
                        .commandLine()
                        .filter(c -> c.contains(PlayedFleet.class.getName()))
                        .isPresent())
                .findFirst();
    }

    private static boolean knows(String overview) {
        return number(overview, "inTune") + number(overview, "waiting") > 0;
    }

    private static Process simulate(int recorders) throws Exception {
        var simulator = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin/java").toString(),
                        "-Xmx6g",
                        "-cp",
                        System.getProperty("java.class.path"),
                        PlayedFleet.class.getName(),
                        Integer.toString(SIMULATOR),
                        Integer.toString(recorders),
                        Integer.toString(CHANNELS))
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        while (true) {
            try (var socket = new Socket(InetAddress.getLoopbackAddress(), SIMULATOR)) {
                if (socket.isConnected()) {
                    return simulator;
                }
            } catch (IOException notYet) {
                Thread.sleep(50);
            }
        }
    }

    private void all() throws Exception {
        service.call("POST", "/api/v1/groups", "{\"path\":\"used\"}");
        policy();
        addRecorders();
        whole("first reading", "/api/v1/readings", "{}");
        place();
        if (recorders * CHANNELS <= GIVEN_OUT) {
            rollout("rollout of one setting to all", "");
        } else {
            rollout("rollout of one setting to one recorder", "recorder:" + PlayedFleet.name(recorders - 1));
        }
        whole("audit, nothing changed", "/api/v1/audits", "{}");
        drift();
        whole("audit, one camera in a hundred turned at its recorder", "/api/v1/audits", "{}");
        changes();
        pages();
        whole(
                isMonth(recorders)
                        ? "what all recorded in 30 days"
                        : "what all recorded yesterday and today, as in a night",
                "/api/v1/activity/readings",
                "{\"select\":\"\"}");
        say("memory", service.memory());
    }

    private void policy() throws Exception {
        service.call("POST", "/api/v1/policy", """
                {"files":[{"name":"a.yaml","text":"template: house\\nmotion: {sensitivity: 60}\\n---\\ntemplate: used\\nmotion: {threshold: 2%}\\n---\\ngroup: fleet\\nuse: [house]\\n---\\ngroup: used\\nuse: [used]\\n"}],"prune":false,"onlyTry":false}""");
    }

    private void addRecorders() throws Exception {
        var began = System.nanoTime();
        for (int i = 0; i < recorders; i++) {
            service.call(
                    "POST", "/api/v1/recorders", """
                    {"name":"%s","address":"http://127.0.0.1:%d/%s/device_service","family":"tern","user":"u","password":"p"}""".formatted(PlayedFleet.name(i), SIMULATOR, PlayedFleet.name(i)));
        }
        say("recorders added one by one in", since(began));
    }

    private void place() throws Exception {
        int using = Math.min(USING, recorders * CHANNELS);
        var lines = new ArrayList<String>();
        var first = service.get("/api/v1/cameras?limit=1");
        var channel = RunningService.word(first, "camera").replaceFirst(".*/", "");
        for (int i = 0; i < using; i++) {
            lines.add("{\"line\":%d,\"camera\":\"%s/%s\",\"group\":\"used\"}"
                    .formatted(
                            i + 1,
                            PlayedFleet.name(i / CHANNELS),
                            String.format(Locale.ROOT, "%0" + channel.length() + "d", i % CHANNELS + 1)));
        }
        var began = System.nanoTime();
        service.call("POST", "/api/v1/placings", "{\"lines\":[" + String.join(",", lines) + "]}");
        say("a thousand cameras placed in", since(began));
    }

    private void whole(String what, String path, String body) throws Exception {
        var began = System.nanoTime();
        var serviceCpu = cpu(service.process.toHandle());
        var simulatorCpu = cpu(simulator);
        var work = service.ended(service.call("POST", path, body));
        say(
                what,
                "%.1f s; processor: service %.1f s, simulator %.1f s; %s, %d of %d"
                        .formatted(
                                since(began).toMillis() / 1e3,
                                cpu(service.process.toHandle())
                                                .minus(serviceCpu)
                                                .toMillis()
                                        / 1e3,
                                cpu(simulator).minus(simulatorCpu).toMillis() / 1e3,
                                RunningService.word(work, "state"),
                                number(work, "done"),
                                number(work, "total")));
    }

    private void rollout(String what, String select) throws Exception {
        var began = System.nanoTime();
        var preview = service.call("POST", "/api/v1/previews", "{\"select\":\"" + select + "\"}");
        var id = preview.replaceFirst("(?s).*\"id\":(\\d+).*", "$1");
        say(what + ": its preview", since(began));
        whole(what, "/api/v1/rollouts", "{\"preview\":" + id + "}");
    }

    private void drift() throws Exception {
        try (var http = HttpClient.newHttpClient()) {
            for (int i = 0; i < Math.max(1, recorders * CHANNELS / 100); i++) {
                var at = "http://127.0.0.1:%d/panel/%s/%s?sensitivity=11"
                        .formatted(SIMULATOR, PlayedFleet.name(i % recorders), channelOf(i / recorders));
                var answer = http.send(
                        HttpRequest.newBuilder(URI.create(at))
                                .POST(HttpRequest.BodyPublishers.noBody())
                                .build(),
                        BodyHandlers.ofString());
                if (answer.statusCode() != 200) {
                    throw new IllegalStateException(at + ": " + answer.body());
                }
            }
        }
    }

    private static String channelOf(int index) {
        return String.format(Locale.ROOT, "%02d", index + 1);
    }

    /** Each change from the moment it is sent until lists, counts and the overview show it. */
    private void changes() throws Exception {
        var at = PlayedFleet.name(recorders - 1) + "/" + channelOf(4);
        shown(
                "an override",
                waiting("camera:" + at),
                () -> service.call(
                        "POST",
                        "/api/v1/overrides",
                        "{\"node\":\"camera:" + at
                                + "\",\"set\":{\"motion.sensitivity\":\"33\"},\"fixed\":false,\"because\":\"measured\"}",
                        "If-Match",
                        "\"0\""));
        var name = PlayedFleet.name(recorders - 1);
        var panel = "http://127.0.0.1:%d/panel/%s/%s?sensitivity=12".formatted(SIMULATOR, name, channelOf(5));
        try (var http = HttpClient.newHttpClient()) {
            http.send(
                    HttpRequest.newBuilder(URI.create(panel))
                            .POST(HttpRequest.BodyPublishers.noBody())
                            .build(),
                    BodyHandlers.discarding());
        }
        shown(
                "a recorder read",
                "camera:" + name + "/" + channelOf(5) + " state:drifted",
                () -> service.call("POST", "/api/v1/readings", "{\"recorders\":[\"" + name + "\"]}"));
        shown(
                "a template revised that a thousand cameras use",
                waiting("group:used"),
                () -> service.call(
                        "PUT",
                        "/api/v1/templates/used",
                        "{\"text\":\"template: used\\nmotion: {threshold: 3%}\\nrecording: {before-event: 5s}\\n\"}",
                        "If-Match",
                        "\"1\""));
    }

    private static String waiting(String selection) {
        return selection + " state:waiting";
    }

    private interface Act {
        Object now() throws Exception;
    }

    private void shown(String what, String selection, Act act) throws Exception {
        var path = "/api/v1/cameras?limit=100&" + selecting(selection);
        var before = number(service.get(path), "total");
        var overview = service.get("/api/v1/overview");
        var began = System.nanoTime();
        act.now();
        var acknowledged = since(began);
        // Where all were waiting before, the overview alone shows it.
        while (number(service.get(path), "total") == before
                && service.get("/api/v1/overview").equals(overview)) {
            Thread.onSpinWait();
        }
        var listed = since(began);
        while (service.get("/api/v1/overview").equals(overview)) {
            Thread.onSpinWait();
        }
        say(
                what,
                "acknowledged after %d ms, listed after %d ms, in the overview after %d ms"
                        .formatted(
                                acknowledged.toMillis(),
                                listed.toMillis(),
                                since(began).toMillis()));
    }

    private void pages() throws Exception {
        for (var selection : SELECTIONS) {
            timed("page of 100, \"" + selection + "\"", "/api/v1/cameras?limit=100&" + selecting(selection));
        }
        timed("overview", "/api/v1/overview");
    }

    private void timed(String what, String path) throws Exception {
        var times = new long[200];
        for (int i = -20; i < times.length; i++) {
            var began = System.nanoTime();
            service.get(path);
            if (i >= 0) {
                times[i] = System.nanoTime() - began;
            }
        }
        Arrays.sort(times);
        say(what, "median %.1f ms, 99th percentile %.1f ms".formatted(times[100] / 1e6, times[197] / 1e6));
    }

    private static Duration cpu(ProcessHandle process) {
        return process.info().totalCpuDuration().orElse(Duration.ZERO);
    }

    private static Duration since(long began) {
        return Duration.ofNanos(System.nanoTime() - began);
    }

    private static void say(String what, Duration duration) {
        say(what, "%.2f s".formatted(duration.toMillis() / 1e3));
    }

    private static void say(String what, String found) {
        System.out.println(what + ": " + found);
    }
}
