package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.cli.Main;
import choir.sim.Simulator;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The real service on a free port, simulated recorders on another, and ways to talk to both. */
final class Ensemble implements AutoCloseable {
    static final String ADMIN = "ada";
    static final String PASSWORD = "a long enough password";
    static final String PERSONS_PASSWORD = "a password for the test";
    static final JsonMapper JSON = JsonMapper.builder().build();
    private static final List<String> TABLES_OF_PEOPLES_WORK = List.of(
            "recorder",
            "camera",
            "camera_group",
            "template",
            "template_revision",
            "template_use",
            "policy_override",
            "journal",
            "baseline",
            "attempt",
            "preview",
            "rollout_step",
            "finding");

    /** What a command printed and how it ended. */
    record Said(int exitCode, String out, String errors) {}

    record Answer(int status, JsonNode body, HttpResponse<String> whole) {
        String detail() {
            return body.path("detail").asString("");
        }
    }

    private final Simulator simulator = Simulator.start(0);
    private final HttpClient http = HttpClient.newHttpClient();
    private final Path folder;
    /** Long enough for a machine that is busy with something else; only who waits for it to pass makes it short. */
    private String callDeadline = "2m";

    private final boolean apart;
    private int tlsPort;
    private Running service;
    private String token = "";

    Ensemble() {
        this(false);
    }

    /** With a service that is a program of its own, so that it can be killed. */
    static Ensemble apart() {
        return new Ensemble(true);
    }

    private Ensemble(boolean apart) {
        this.apart = apart;
        folder = Scratch.folder("choir-story");
        token = Prepared.ONE.into(folder.resolve("data"));
        service = startService();
    }

    /** A folder on which a service was started and stopped once, and a token for it; copied, that takes no time. */
    private record Prepared(Path folder, String token) {
        static final Prepared ONE = make();

        private static Prepared make() {
            try {
                var folder = Scratch.folder("choir-story-prepared");
                var service = Running.Within.start(options(folder, "2m", "off"));
                var body = JSON.writeValueAsString(Map.of("user", ADMIN, "password", PASSWORD, "label", "story"));
                try (var http = HttpClient.newHttpClient()) {
                    var answer = http.send(
                            HttpRequest.newBuilder(service.address().resolve("/api/v1/session/token"))
                                    .header("Content-Type", "application/json")
                                    .POST(HttpRequest.BodyPublishers.ofString(body))
                                    .build(),
                            BodyHandlers.ofString());
                    return new Prepared(
                            folder, JSON.readTree(answer.body()).path("token").asString(""));
                } finally {
                    service.stop();
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        String into(Path data) {
            try (var files = Files.list(folder)) {
                Files.createDirectories(data);
                for (var file : files.filter(Files::isRegularFile).toList()) {
                    Files.copy(file, data.resolve(file.getFileName()), StandardCopyOption.COPY_ATTRIBUTES);
                }
                return token;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private Running startService() {
        var options = options(folder.resolve("data"), callDeadline, apart ? "error" : "off");
        return apart ? Running.Apart.start(options, folder.resolve("service.log")) : Running.Within.start(options);
    }

    private static List<String> options(Path data, String callDeadline, String told) {
        return List.of(
                "--choir.data=" + data,
                "--choir.zone=Atlantic/Faroe",
                "--choir.call-deadline=" + callDeadline,
                "--choir.reading-deadline=6m",
                "--choir.writing-deadline=12m",
                "--choir.still-patience=2m",
                "--choir.search-patience=5s",
                "--choir.setup.user=" + ADMIN,
                "--choir.setup.password=" + PASSWORD,
                "--logging.level.root=error",
                "--logging.level.choir=" + told);
    }

    /** Kills the service where it stands, asks its database one thing, and starts it again. */
    String killAndStartAgain(String question) {
        if (!(service instanceof Running.Apart running)) {
            throw new IllegalStateException("only a service apart can be killed");
        }
        running.kill();
        try (var database = database();
                var answer = database.createStatement().executeQuery(question)) {
            return answer.next() ? String.valueOf(answer.getString(1)) : "";
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        } finally {
            service = startService();
        }
    }

    /** Starts the service again with another deadline for each call to a recorder. */
    void restartWithDeadline(String deadline) {
        callDeadline = deadline;
        restart();
    }

    /** Stops the service, does something to its database, and starts it again. */
    void restart(String... statements) {
        service.stop();
        try (var database = database();
                var statement = database.createStatement()) {
            for (var sql : statements) {
                statement.execute(sql);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        service = startService();
    }

    Path folder() {
        return folder;
    }

    private Connection database() throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("data/choir.db"));
    }

    void execute(String sql) {
        try (var database = database();
                var statement = database.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Somebody with a role, who signs in with {@link #PERSONS_PASSWORD}. */
    void addPerson(String name, String role) {
        var hash = new BCryptPasswordEncoder(4).encode(PERSONS_PASSWORD);
        execute("INSERT INTO account (name, password_hash, one_time, created_at) VALUES ('" + name + "', '" + hash
                + "', 0, '2026-01-01T00:00:00Z')");
        execute("INSERT INTO account_grant (account, role, place) VALUES ('" + name + "', '" + role + "', 'fleet')");
    }

    /** Every row of every table that people's work stands in, as text. */
    String everythingStored() {
        var all = new StringBuilder();
        try (var database = database();
                var statement = database.createStatement()) {
            for (var table : TABLES_OF_PEOPLES_WORK) {
                var rows = statement.executeQuery("SELECT * FROM " + table);
                int columns = rows.getMetaData().getColumnCount();
                while (rows.next()) {
                    all.append(table);
                    for (int i = 1; i <= columns; i++) {
                        all.append('|').append(rows.getString(i));
                    }
                    all.append('\n');
                }
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        return all.toString();
    }

    URI address() {
        return service.address();
    }

    /** A recorder that is played; the service knows nothing of it yet. */
    String played(String name, String make, int channels) {
        simulator.add(name, make, "choir", "secret-of-" + name, channels);
        return simulator.address(name).toString();
    }

    /** A recorder that is played, added and read. */
    void recorder(String name, String make, int channels) {
        added(name, played(name, make, channels));
    }

    /** The same, with channels called as the recorder likes. */
    void recorder(String name, String make, List<String> tokens) {
        simulator.add(name, make, "choir", "secret-of-" + name, tokens);
        added(name, simulator.address(name).toString());
    }

    private void added(String name, String address) {
        var added = post(
                "/api/v1/recorders",
                Map.of(
                        "name",
                        name,
                        "address",
                        address,
                        "user",
                        "choir",
                        "password",
                        "secret-of-" + name,
                        "zone",
                        "Atlantic/Faroe"));
        assertThat(added.status()).as(added.detail()).isEqualTo(201);
        finish(post("/api/v1/readings", Map.of("recorders", List.of(name))));
    }

    /** Where a recorder that is played is by TLS. */
    String secured(String name) {
        if (tlsPort == 0) {
            tlsPort = simulator.secure(0);
        }
        return "https://127.0.0.1:" + tlsPort + "/" + name + "/device_service";
    }

    void showCertificate(String which) {
        simulator.showCertificate(which);
    }

    /** Somebody turns a knob at the front panel. */
    String panel(String knob) {
        var at = simulator.panel("").resolve(knob);
        var answer = exchange(HttpRequest.newBuilder(at)
                .POST(HttpRequest.BodyPublishers.noBody())
                .build());
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return answer.body();
    }

    /** Who passed a camera when, by the simulator's own account. */
    JsonNode truth(String camera, Instant from, Duration length) {
        var answer = exchange(
                HttpRequest.newBuilder(simulator.panel("").resolve("/truth/" + camera + "?" + from + "/" + length))
                        .GET()
                        .build());
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    /** A command that is to end so. */
    Said choir(int exitCode, String... arguments) {
        var said = choir(arguments);
        assertThat(said.exitCode())
                .as("%s: %s%s", String.join(" ", arguments), said.out(), said.errors())
                .isEqualTo(exitCode);
        return said;
    }

    /** A file that holds that line. */
    String file(String line) {
        try {
            return Files.writeString(Files.createTempFile(folder, "line", ".txt"), line + "\n")
                    .toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where a simulated recorder is spoken to. */
    URI addressOf(String recorder) {
        return simulator.address(recorder);
    }

    int simulatorPort() {
        return simulator.port();
    }

    Answer get(String path) {
        return send(request(path).GET());
    }

    /** The lines of an answer as they come; it is broken off when the stream is closed. */
    Stream<String> lines(String path) {
        try {
            return http.send(request(path).GET().build(), BodyHandlers.ofLines())
                    .body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    Answer post(String path, Object body) {
        return write("POST", path, body);
    }

    Answer write(String method, String path, Object body, String... headers) {
        var request = request(path)
                .method(method, HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .header("Content-Type", "application/json");
        if (headers.length > 0) {
            request.headers(headers);
        }
        return send(request);
    }

    HttpRequest.Builder request(String path) {
        var request = HttpRequest.newBuilder(address().resolve(path));
        return token.isEmpty() ? request : request.header("Authorization", "Bearer " + token);
    }

    Answer send(HttpRequest.Builder request) {
        var response = exchange(request.build());
        boolean json = response.headers().firstValue("Content-Type").orElse("").contains("json");
        return new Answer(response.statusCode(), json ? JSON.readTree(response.body()) : JSON.nullNode(), response);
    }

    HttpResponse<String> exchange(HttpRequest request) {
        try {
            return http.send(request, BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Waits until long work has ended. */
    JsonNode finish(Answer started) {
        assertThat(started.status()).as(started.detail()).isEqualTo(202);
        long id = started.body().path("id").asLong();
        // The stream of events ends with the work.
        exchange(request("/api/v1/works/" + id + "/progress").GET().build());
        var work = get("/api/v1/works/" + id).body();
        assertThat(work.path("state").asString()).isNotIn("waiting", "running");
        return work;
    }

    JsonNode audit() {
        return finish(post("/api/v1/audits", Map.of()));
    }

    /** Gives out whatever the selection needs; the first wave takes all. */
    JsonNode giveOut(String select) {
        return finish(startRollout(select, 1000, 100));
    }

    Answer startRollout(String select, int first, int mayFail) {
        return startRollout(select, first, mayFail, "PT0S");
    }

    Answer startRollout(String select, int first, int mayFail, String patience) {
        var preview = post("/api/v1/previews", Map.of("select", select));
        assertThat(preview.status()).as(preview.detail()).isEqualTo(200);
        return post(
                "/api/v1/rollouts",
                Map.of(
                        "preview",
                        preview.body().path("id").asLong(),
                        "waves",
                        List.of(String.valueOf(first)),
                        "maxFailedPercent",
                        mayFail,
                        "patience",
                        patience));
    }

    void load(String policy) {
        var loaded = post(
                "/api/v1/policy",
                Map.of("files", List.of(Map.of("name", "", "text", policy)), "prune", false, "onlyTry", false));
        assertThat(loaded.status()).as(loaded.detail()).isEqualTo(200);
    }

    List<String> openSentences() {
        List<String> sentences = new ArrayList<>();
        get("/api/v1/findings?limit=1000")
                .body()
                .path("items")
                .forEach(f -> sentences.add(
                        f.path("camera").asString(f.path("recorder").asString("")) + ": "
                                + f.path("sentence").asString("")));
        return sentences;
    }

    /** One command of the client, as from a terminal of somebody who is signed in. */
    Said choir(String... arguments) {
        var out = new StringWriter();
        var errors = new StringWriter();
        int code = Main.run(
                Map.of(
                        "CHOIR_URL", address().toString(),
                        "CHOIR_TOKEN", token,
                        "CHOIR_HOME", folder.resolve("client").toString()),
                new PrintWriter(out),
                new PrintWriter(errors),
                arguments);
        return new Said(code, out.toString(), errors.toString());
    }

    @Override
    public void close() {
        service.stop();
        simulator.close();
    }
}
