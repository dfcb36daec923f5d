package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Who may enter where, and that secrets stay inside. */
class DoorsTest {
    private static final Set<String> OPEN_TO_ALL = Set.of(
            "GET /api/v1/session/ways",
            "GET /api/v1/session/organisation",
            "GET /api/v1/session/organisation/callback",
            "POST /api/v1/session",
            "POST /api/v1/session/password",
            "POST /api/v1/session/organisation/sign-out",
            "POST /api/v1/session/token");
    /** What a technician may do and a viewer may not. */
    private static final Set<String> TECHNICIAN = Set.of(
            "POST /api/v1/readings",
            "POST /api/v1/activity/readings",
            "POST /api/v1/audits",
            "POST /api/v1/previews",
            "POST /api/v1/recorders/{name}/sheet/ticks",
            "POST /api/v1/forecasts",
            "POST /api/v1/response-trials",
            "PUT /api/v1/response-trials/{id}",
            "POST /api/v1/template-drafts",
            "POST /api/v1/area-drafts");

    /** What shows or takes footage; a viewer sees none. */
    private static final List<String> FOOTAGE = List.of(
            "/api/v1/clips",
            "/api/v1/clip-files",
            "/api/v1/live-levels",
            "/api/v1/tuning",
            "/api/v1/trials",
            "/api/v1/suggestions",
            "/api/v1/group-suggestions",
            "/api/v1/cameras/{recorder}/{channel}/still",
            "/api/v1/moments",
            "/api/v1/area-searches",
            "/api/v1/motion-maps",
            "/api/v1/recorded-still",
            "/api/v1/walks");

    private static boolean isOfFootage(String door) {
        var path = door.substring(door.indexOf(' ') + 1);
        return FOOTAGE.stream().anyMatch(f -> path.equals(f) || path.startsWith(f + "/"));
    }

    private static final Set<String> ADMINISTRATOR = Set.of(
            "GET /api/v1/notices",
            "GET /api/v1/notices/outbox",
            "POST /api/v1/notices",
            "POST /api/v1/notices/{id}/test",
            "GET /api/v1/backups",
            "GET /api/v1/backups/{name}",
            "POST /api/v1/backups",
            "POST /api/v1/exports",
            "DELETE /api/v1/notices/{id}",
            "POST /api/v1/people",
            "PUT /api/v1/people/{name}",
            "POST /api/v1/people/{name}/one-time-password",
            "DELETE /api/v1/people/{name}",
            "DELETE /api/v1/people/{name}/second-factor",
            "GET /api/v1/people/{name}/tokens",
            "DELETE /api/v1/people/{name}/tokens/{id}",
            "DELETE /api/v1/people/{name}/sessions",
            "GET /api/v1/people/{name}/sessions",
            "DELETE /api/v1/people/{name}/sessions/{id}",
            "GET /api/v1/check-up",
            "POST /api/v1/recorders",
            "POST /api/v1/recorder-searches",
            "POST /api/v1/password-changes",
            "POST /api/v1/password-changes/outlook",
            "PUT /api/v1/recorders/{name}/certificate",
            "PUT /api/v1/recorders/{name}/password",
            "PUT /api/v1/families/{name}",
            "DELETE /api/v1/families/{name}",
            "PUT /api/v1/recorders/{name}",
            "DELETE /api/v1/recorders/{name}");

    private static final Set<String> OWN = Set.of(
            "POST /api/v1/overview/since",
            "POST /api/v1/session/second-factor",
            "POST /api/v1/session/second-factor/confirmation",
            "POST /api/v1/session/second-factor/end",
            "DELETE /api/v1/session",
            "DELETE /api/v1/sessions",
            "DELETE /api/v1/sessions/{id}",
            "DELETE /api/v1/tokens/{id}",
            "POST /api/v1/tokens");

    private static Ensemble choir;
    private static List<String> doors;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 1);
        for (var role : List.of("VIEWER", "TECHNICIAN", "EDITOR")) {
            choir.addPerson(role.toLowerCase(Locale.ROOT), role);
        }
        doors = new ArrayList<>();
        choir.get("/api/v1/openapi")
                .body()
                .path("paths")
                .forEachEntry((path, methods) -> methods.forEachEntry(
                        (method, operation) -> doors.add(method.toUpperCase(Locale.ROOT) + " " + path)));
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static int knock(String door, String token) {
        var parts = door.split(" ");
        var path = parts[1].replaceAll("\\{[^}]*}", "1");
        var request = HttpRequest.newBuilder(choir.address().resolve(path))
                .method(parts[0], HttpRequest.BodyPublishers.ofString("{}"))
                .header("Content-Type", "application/json");
        if (!token.isEmpty()) {
            request.header("Authorization", "Bearer " + token);
        }
        return choir.exchange(request.build()).statusCode();
    }

    private static String tokenOf(String user) {
        return choir.post(
                        "/api/v1/session/token",
                        Map.of("user", user, "password", Ensemble.PERSONS_PASSWORD, "label", "doors"))
                .body()
                .path("token")
                .asString("");
    }

    @Test
    void nobodyEntersUnknown() {
        assertThat(doors).hasSizeGreaterThan(25);
        for (var door : doors) {
            if (!OPEN_TO_ALL.contains(door)) {
                // Without a token a write fails at the check against forged requests, which stands first.
                assertThat(knock(door, "")).as(door).isIn(401, 403);
                assertThat(knock(door, "choir_made-up")).as(door).isEqualTo(401);
            }
        }
    }

    @Test
    void eachRoleDoesWhatItMayAndNothingElse() {
        var viewer = tokenOf("viewer");
        var technician = tokenOf("technician");
        var editor = tokenOf("editor");
        for (var door : doors) {
            if (OPEN_TO_ALL.contains(door)
                    || OWN.contains(door)
                    || door.endsWith("/progress")
                    || door.endsWith("/changes")) {
                continue;
            }
            boolean reads = door.startsWith("GET ");
            boolean forAll = reads && !ADMINISTRATOR.contains(door) && !isOfFootage(door);
            assertThat(knock(door, viewer) == 403).as("viewer %s", door).isEqualTo(!forAll);
            assertThat(knock(door, technician) == 403)
                    .as("technician %s", door)
                    .isEqualTo(!forAll && !TECHNICIAN.contains(door) && !isOfFootage(door));
            assertThat(knock(door, editor) == 403).as("editor %s", door).isEqualTo(ADMINISTRATOR.contains(door));
        }
    }

    @Test
    void aSessionWithoutTheTokenAgainstForgeryMayNotWrite() {
        var signIn = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/session"))
                .GET()
                .build());
        assertThat(signIn.headers().allValues("Set-Cookie"))
                .anySatisfy(c -> assertThat(c).startsWith("XSRF-TOKEN="));
        var forged = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/session"))
                .POST(HttpRequest.BodyPublishers.ofString("{\"user\":\"viewer\",\"password\":\"x\"}"))
                .header("Content-Type", "application/json")
                .build());
        assertThat(forged.statusCode()).isEqualTo(403);
    }

    @Test
    void aHeaderThatLetsNobodyInDoesNotSwitchTheCheckOff() {
        var page = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/session"))
                .build());
        var cookie = page.headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("XSRF-TOKEN="))
                .map(c -> c.substring("XSRF-TOKEN=".length()).split(";")[0])
                .findFirst()
                .orElseThrow();
        var signedIn = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/session"))
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"user\":\"editor\",\"password\":\"" + Ensemble.PERSONS_PASSWORD + "\"}"))
                .header("Content-Type", "application/json")
                .header("Cookie", "XSRF-TOKEN=" + cookie)
                .header("X-XSRF-TOKEN", cookie)
                .build());
        assertThat(signedIn.statusCode()).as(signedIn.body()).isLessThan(300);
        var session = signedIn.headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("choir="))
                .map(c -> c.split(";")[0])
                .findFirst()
                .orElseThrow();
        for (var nonsense : List.of("nonsense", "Bearer nonsense", "Basic eDp5")) {
            var forged = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/groups"))
                    .POST(HttpRequest.BodyPublishers.ofString("{\"path\":\"forged\"}"))
                    .header("Content-Type", "application/json")
                    .header("Cookie", session)
                    .header("Authorization", nonsense)
                    .build());
            assertThat(forged.statusCode()).as(nonsense).isEqualTo(403);
            assertThat(forged.body()).contains("older than your sign-in");
        }
        var nobody = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/api/v1/groups"))
                .POST(HttpRequest.BodyPublishers.ofString("{\"path\":\"forged\"}"))
                .header("Content-Type", "application/json")
                .build());
        assertThat(nobody.statusCode()).isEqualTo(401);
        assertThat(nobody.body()).contains("you are not signed in");
    }

    @Test
    void theDataFolderIsNobodyElses() throws IOException {
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(java.nio.file.Files.getPosixFilePermissions(
                        choir.folder().resolve("data"))))
                .isEqualTo("rwx------");
    }

    /** Whether there is somebody of that name cannot be told by it. */
    @ParameterizedTest
    @ValueSource(strings = {"guessed", "nobody"})
    void guessesAreCountedOneByOneHoweverManyComeAtOnce(String name) throws InterruptedException {
        if (name.equals("guessed")) {
            assertThat(choir.post("/api/v1/people", Map.of("name", name, "roles", List.of("viewer")))
                            .status())
                    .isEqualTo(201);
        }
        var wrong = Map.of("user", name, "password", "wrong", "label", "x");
        List<Integer> codes = Collections.synchronizedList(new ArrayList<>());
        try (var threads = Executors.newFixedThreadPool(20)) {
            for (int i = 0; i < 40; i++) {
                threads.execute(() ->
                        codes.add(choir.post("/api/v1/session/token", wrong).status()));
            }
        }
        // Five are free; the sixth waits, and so do all that come before it may be tried.
        assertThat(codes).hasSize(40);
        assertThat(codes.stream().filter(c -> c == 401).count()).isBetween(5L, 8L);
        assertThat(codes.stream().filter(c -> c == 429).count())
                .isEqualTo(40 - codes.stream().filter(c -> c == 401).count());
    }

    @Test
    void recorderPasswordsAreNeitherShownNorLegibleInTheDataFolder() throws IOException {
        assertThat(choir.get("/api/v1/recorders").whole().body())
                .contains("haldr-1")
                .doesNotContain("secret-of");
        try (var files = Files.walk(choir.folder())) {
            for (var file : files.filter(Files::isRegularFile).toList()) {
                assertThat(new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1))
                        .as(file.toString())
                        .doesNotContain("secret-of-haldr-1");
            }
        }
        assertThat(Files.getPosixFilePermissions(choir.folder().resolve("data/key")))
                .hasToString("[OWNER_READ, OWNER_WRITE]");
    }

    @Test
    void whatIsTakenAwayRunsAsNoPageOfTheService() {
        for (var format : List.of("html", "csv", "pdf")) {
            var report = choir.get("/api/v1/report/file?format=" + format).whole();
            assertThat(report.statusCode()).as(format).isEqualTo(200);
            assertThat(report.headers().firstValue("Content-Disposition").orElseThrow())
                    .startsWith("attachment;");
        }
    }

    @Test
    void theConsoleIsServedWithAStrictContentPolicy() {
        var page = choir.exchange(
                HttpRequest.newBuilder(choir.address().resolve("/fleet")).build());
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.body()).contains("<div id=\"app\">");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("script-src 'self'", "style-src 'self';")
                .doesNotContain("unsafe");
        var missing = choir.exchange(HttpRequest.newBuilder(choir.address().resolve("/assets/none.js"))
                .build());
        assertThat(missing.statusCode()).isEqualTo(404);
    }
}
