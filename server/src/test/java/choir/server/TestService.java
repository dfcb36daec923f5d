package choir.server;

import static org.assertj.core.api.Assertions.assertThat;

import choir.link.RecorderLink;
import choir.server.db.Database;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.apache.tomcat.util.threads.ThreadPoolExecutor;
import org.springframework.beans.factory.support.BeanDefinitionBuilder;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.boot.tomcat.TomcatWebServer;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The whole service on a folder of its own, with recorders that are played without a wire. */
public final class TestService implements AutoCloseable {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** What a request was answered. */
    public record Answer(int status, JsonNode body, HttpResponse<String> whole) {
        public String detail() {
            return body.path("detail").asString("");
        }

        public String version() {
            return whole.headers().firstValue("ETag").orElse("");
        }
    }

    private final FakeRecorders recorders;
    private final Path folder;
    private final List<String> options;
    private final HttpClient http = HttpClient.newHttpClient();
    private ConfigurableApplicationContext context;
    private String token = "";

    private TestService(FakeRecorders recorders, Path folder, String... options) {
        this.recorders = recorders;
        this.folder = folder;
        this.options = List.of(options);
        this.context = run();
    }

    private TestService signedIn() {
        token = post("/api/v1/session/token", Map.of("user", "ada", "password", "a long enough password", "label", "t"))
                .body()
                .path("token")
                .asString("");
        return this;
    }

    private TestService with(String known) {
        token = known;
        return this;
    }

    /** A folder on which a service was started and stopped once, and a token for it; copied, that takes no time. */
    private record Prepared(Path folder, String token) {
        static final Prepared ONE = make();

        private static Prepared make() {
            var service = new TestService(new FakeRecorders(), temporary()).signedIn();
            service.close();
            return new Prepared(service.folder, service.token);
        }

        Path copied() {
            var copy = temporary();
            try (var files = Files.list(folder)) {
                for (var file : files.filter(Files::isRegularFile).toList()) {
                    Files.copy(file, copy.resolve(file.getFileName()), StandardCopyOption.COPY_ATTRIBUTES);
                }
                return copy;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private static Path temporary() {
        return Scratch.folder("choir-server");
    }

    public static TestService start(String... options) {
        return new TestService(new FakeRecorders(), Prepared.ONE.copied(), options).with(Prepared.ONE.token());
    }

    /** On a folder that is there already. */
    public static TestService on(Path folder) {
        return new TestService(new FakeRecorders(), folder).signedIn();
    }

    private ConfigurableApplicationContext run() {
        var application = ChoirService.application();
        // The recorders take the place of the wire, whether the beans were worked out at build time or are now.
        application.addInitializers(context -> ((GenericApplicationContext) context)
                .addBeanFactoryPostProcessor(beans -> ((DefaultListableBeanFactory) beans)
                        .registerBeanDefinition(
                                "recorderLink",
                                BeanDefinitionBuilder.genericBeanDefinition(RecorderLink.class, () -> recorders)
                                        .setPrimary(true)
                                        .getBeanDefinition())));
        var arguments = new ArrayList<>(List.of(
                "--choir.data=" + folder,
                "--server.port=0",
                "--choir.setup.user=ada",
                "--choir.setup.password=a long enough password",
                "--choir.call-deadline=2m",
                "--choir.reading-deadline=6m",
                "--choir.writing-deadline=12m",
                "--spring.main.allow-bean-definition-overriding=true",
                "--logging.level.root=error",
                "--logging.level.org.springframework.scheduling=off",
                "--logging.level.choir=off"));
        arguments.addAll(options);
        return application.run(arguments.toArray(String[]::new));
    }

    /** Stops the service and starts it again on the same folder, with the same recorders. */
    public void restart() {
        context.close();
        recorders.dead = false;
        context = run();
    }

    /**
     * The service dies where it stands: nothing that it does from now on reaches the disk or a recorder, until it is started
     * again.
     */
    public void die() {
        recorders.dead = true;
        bean(HikariDataSource.class, "writerSource").close();
    }

    private <T> T bean(Class<T> type, String name) {
        return context.getBean(name, type);
    }

    /** Waits until that work has ended or the service has died of it. */
    public boolean isThroughOrDead(Answer started) {
        long id = started.body().path("id").asLong();
        while (!recorders.dead) {
            var work = get("/api/v1/works/" + id);
            if (work.status() == 200 && hasEnded(work.body())) {
                return true;
            }
            rest();
        }
        return false;
    }

    private static boolean hasEnded(JsonNode work) {
        return !Set.of("waiting", "running").contains(work.path("state").asString(""));
    }

    private static void rest() {
        try {
            Thread.sleep(20);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Waits until nothing is under way any more. */
    public void awaitIdle() {
        while (bean(Database.class)
                        .query("SELECT count(*) FROM work WHERE state IN ('WAITING', 'RUNNING')")
                        .query(Integer.class)
                        .single()
                > 0) {
            rest();
        }
    }

    public FakeRecorders recorders() {
        return recorders;
    }

    public Path folder() {
        return folder;
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public <T> T bean(String name, Class<T> type) {
        return context.getBean(name, type);
    }

    /** Threads of the web server that are at a request. */
    public int busyThreads() {
        var server = (TomcatWebServer) ((WebServerApplicationContext) context).getWebServer();
        var executor = server.getTomcat().getConnector().getProtocolHandler().getExecutor();
        return ((ThreadPoolExecutor) executor).getActiveCount();
    }

    public String address() {
        return "http://127.0.0.1:"
                + ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    public Answer get(String path) {
        return send("GET", path, null);
    }

    public Answer post(String path, Object body) {
        return send("POST", path, body);
    }

    /** Sends bytes as they are. */
    public Answer upload(String path, byte[] content) {
        return sent(request(path, "POST", HttpRequest.BodyPublishers.ofByteArray(content))
                .header("Content-Type", "application/octet-stream"));
    }

    public Answer send(String method, String path, @org.jspecify.annotations.Nullable Object body, String... headers) {
        return sent(
                request(
                                path,
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                        .header("Content-Type", "application/json"),
                headers);
    }

    private HttpRequest.Builder request(String path, String method, HttpRequest.BodyPublisher body) {
        return HttpRequest.newBuilder(URI.create(address() + path)).method(method, body);
    }

    private Answer sent(HttpRequest.Builder request, String... headers) {
        if (!token.isEmpty()) {
            request.header("Authorization", "Bearer " + token);
        }
        if (headers.length > 0) {
            request.headers(headers);
        }
        try {
            var response = http.send(request.build(), BodyHandlers.ofString());
            boolean json =
                    response.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Answer(response.statusCode(), json ? JSON.readTree(response.body()) : JSON.nullNode(), response);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Says something of the database on the connection that writes. */
    public void pragma(String statement) {
        try (var connection = bean("writerSource", javax.sql.DataSource.class).getConnection();
                var pragma = connection.createStatement()) {
            pragma.execute("PRAGMA " + statement);
        } catch (java.sql.SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The status of a request of somebody who sends these headers and no token. */
    public int anonymous(String method, String path, String... headers) {
        return by("", () -> send(method, path, null, headers).status());
    }

    /** By another token; empty for none. */
    public <T> T by(String other, Supplier<T> what) {
        var before = token;
        token = other;
        try {
            return what.get();
        } finally {
            token = before;
        }
    }

    /** Does something as another person, who is let in first. */
    public void as(String name, String role, Runnable what) {
        as(name, List.of(role), what);
    }

    /** The same with several roles. */
    public void as(String name, List<String> roles, Runnable what) {
        var invited = post("/api/v1/people", Map.of("name", name, "roles", roles));
        assertThat(invited.status()).as(invited.detail()).isEqualTo(201);
        var once = invited.body().path("oneTimePassword").asString("");
        var own = "the own password of " + name;
        assertThat(post("/api/v1/session/password", Map.of("user", name, "old", once, "fresh", own))
                        .status())
                .isEqualTo(204);
        again(name, what);
    }

    /** Does something as a person who was let in before. */
    public void again(String name, Runnable what) {
        var before = token;
        token = post(
                        "/api/v1/session/token",
                        Map.of("user", name, "password", "the own password of " + name, "label", "t"))
                .body()
                .path("token")
                .asString("");
        try {
            what.run();
        } finally {
            token = before;
        }
    }

    /** A recorder of the family tern that is played, added, and not read yet. */
    public FakeRecorders.Fake added(String name) {
        return added(name, "tern");
    }

    /** The same of another family. */
    public FakeRecorders.Fake added(String name, String family) {
        var fake = recorders.add(name);
        var answer = post(
                "/api/v1/recorders",
                Map.of(
                        "name",
                        name,
                        "address",
                        FakeRecorders.address(name),
                        "user",
                        "u",
                        "password",
                        "p",
                        "family",
                        family,
                        "zone",
                        "UTC"));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(201);
        return fake;
    }

    public JsonNode read(String... recorders) {
        return finish(
                post("/api/v1/readings", recorders.length == 0 ? Map.of() : Map.of("recorders", List.of(recorders))));
    }

    public JsonNode audit() {
        return finish(post("/api/v1/audits", Map.of()));
    }

    /** Waits until long work has ended. */
    public JsonNode finish(Answer started) {
        assertThat(started.status()).as(started.detail()).isEqualTo(202);
        long id = started.body().path("id").asLong();
        get("/api/v1/works/" + id + "/progress");
        var work = get("/api/v1/works/" + id).body();
        assertThat(work.path("state").asString()).isNotIn("waiting", "running");
        return work;
    }

    public JsonNode giveOut(String select) {
        var preview = post("/api/v1/previews", Map.of("select", select));
        assertThat(preview.status()).as(preview.detail()).isEqualTo(200);
        return finish(post(
                "/api/v1/rollouts",
                Map.of(
                        "preview",
                        preview.body().path("id").asLong(),
                        "waves",
                        List.of("1000"),
                        "maxFailedPercent",
                        100,
                        "patience",
                        "PT0S")));
    }

    public void load(String policy) {
        var answer = post(
                "/api/v1/policy",
                Map.of("files", List.of(Map.of("name", "", "text", policy)), "prune", false, "onlyTry", false));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    }

    /** What is open, as "where: sentence". */
    public List<String> findings() {
        List<String> sentences = new ArrayList<>();
        get("/api/v1/findings?limit=1000")
                .body()
                .path("items")
                .forEach(f -> sentences.add(
                        f.path("camera").asString(f.path("recorder").asString("")) + ": "
                                + f.path("sentence").asString("")));
        return sentences;
    }

    @Override
    public void close() {
        context.close();
    }
}
