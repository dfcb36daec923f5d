package choir.bench;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The service in a process of its own, and an administrator's calls to it. */
final class RunningService implements AutoCloseable {
    private static final String PASSWORD = "a-password-for-one-measurement";
    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final int port;
    final Process process;
    final Duration started;
    private @Nullable String token;

    RunningService(Path jar, Path data, int port, String heap, String... settings) throws Exception {
        this.port = port;
        var builder = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin/java").toString(),
                        "-Xmx" + heap,
                        "-XX:+UseSerialGC",
                        "-Djdk.virtualThreadScheduler.parallelism=8",
                        "--enable-native-access=ALL-UNNAMED",
                        "-XX:AOTCache=" + jar + ".aot",
                        "-Dspring.aot.enabled=true",
                        "-jar",
                        jar.toString(),
                        "--choir.data=" + data,
                        "--server.port=" + port)
                .redirectErrorStream(true)
                .redirectOutput(
                        ProcessBuilder.Redirect.appendTo(Path.of(data + ".log").toFile()));
        builder.command().addAll(List.of(settings));
        builder.environment().put("CHOIR_SETUP_USER", "bench");
        builder.environment().put("CHOIR_SETUP_PASSWORD", PASSWORD);
        long began = System.nanoTime();
        process = builder.start();
        awaitHealth();
        started = Duration.ofNanos(System.nanoTime() - began);
    }

    private void awaitHealth() throws Exception {
        var health = HttpRequest.newBuilder(at("/actuator/health"))
                .timeout(Duration.ofSeconds(5))
                .build();
        while (process.isAlive()) {
            try {
                if (http.send(health, BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                Thread.sleep(20);
            }
        }
        throw new IllegalStateException("the service ended with " + process.exitValue());
    }

    void signIn() throws Exception {
        token = null;
        var answer = call(
                "POST",
                "/api/v1/session/token",
                "{\"user\":\"bench\",\"password\":\"" + PASSWORD + "\",\"label\":\"bench\"}");
        token = word(answer, "token");
    }

    String get(String path) throws Exception {
        return call("GET", path, null);
    }

    String call(String method, String path, @Nullable String body, String... headers) throws Exception {
        var request = HttpRequest.newBuilder(at(path))
                .method(method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
                .header("Content-Type", "application/json");
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        if (headers.length > 0) {
            request.headers(headers);
        }
        var answer = http.send(request.build(), BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(method + " " + path + ": " + answer.statusCode() + " "
                    + answer.body().substring(0, Math.min(400, answer.body().length())));
        }
        return answer.body();
    }

    /** Lets somebody in; the token by which they come. */
    String letIn(String name, String role) throws Exception {
        var invited = call("POST", "/api/v1/people", "{\"name\":\"" + name + "\",\"roles\":[\"" + role + "\"]}");
        var own = PASSWORD + " of " + name;
        call(
                "POST",
                "/api/v1/session/password",
                "{\"user\":\"%s\",\"old\":\"%s\",\"fresh\":\"%s\"}"
                        .formatted(name, word(invited, "oneTimePassword"), own));
        return word(
                call(
                        "POST",
                        "/api/v1/session/token",
                        "{\"user\":\"%s\",\"password\":\"%s\",\"label\":\"bench\"}".formatted(name, own)),
                "token");
    }

    /** Calls as somebody else; what comes back is thrown away. */
    int status(String as, String method, String path, @Nullable String body) throws Exception {
        var request = HttpRequest.newBuilder(at(path))
                .method(method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + as);
        return http.send(request.build(), BodyHandlers.discarding()).statusCode();
    }

    /** Waits until a work that was just begun has ended. */
    String ended(String work) throws Exception {
        var id = number(work, "id");
        for (; ; Thread.sleep(100)) {
            var now = get("/api/v1/works/" + id);
            if (!List.of("waiting", "running").contains(word(now, "state"))) {
                return now;
            }
        }
    }

    static String selecting(String selection) {
        return "select=" + URLEncoder.encode(selection, StandardCharsets.UTF_8);
    }

    static long number(String json, String key) {
        var found = Pattern.compile('"' + key + "\":(\\d+)").matcher(json);
        if (!found.find()) {
            throw new IllegalStateException("no " + key + " in " + json.substring(0, Math.min(300, json.length())));
        }
        return Long.parseLong(found.group(1));
    }

    static String word(String json, String key) {
        var found = Pattern.compile('"' + key + "\":\"([^\"]*)\"").matcher(json);
        if (!found.find()) {
            throw new IllegalStateException("no " + key + " in " + json.substring(0, Math.min(300, json.length())));
        }
        return found.group(1);
    }

    /** Resident memory now and at its highest, and the heap that is in use after a collection, in MiB. */
    String memory() throws Exception {
        var collected = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin/jcmd").toString(),
                        Long.toString(process.pid()),
                        "GC.class_histogram")
                .start();
        var lines = new String(collected.getInputStream().readAllBytes(), StandardCharsets.UTF_8).lines();
        var total = lines.filter(l -> l.startsWith("Total"))
                .findFirst()
                .orElseThrow()
                .strip()
                .split("\\s+");
        var status = Files.readString(Path.of("/proc", Long.toString(process.pid()), "status"));
        return "heap in use %d MiB, resident %d MiB, at most %d MiB"
                .formatted(Long.parseLong(total[2]) >> 20, kib(status, "VmRSS") >> 10, kib(status, "VmHWM") >> 10);
    }

    private static long kib(String status, String key) {
        var found = Pattern.compile(key + ":\\s+(\\d+)").matcher(status);
        return found.find() ? Long.parseLong(found.group(1)) : 0;
    }

    private URI at(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().join();
        http.close();
    }
}
