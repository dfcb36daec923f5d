package choir.server.reach;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.FootageLink.History;
import choir.policy.Catalogue;
import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.server.db.Database;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Whoever has a role in a group sees and does what is there and no more, by every address that there is: a fleet of which half is
 * theirs, and words that stand in the other half alone.
 */
class PlacesTest {
    /** Labels, reasons and names of the other half; none may be in an answer, unless it was in the question. */
    private static final List<String> FOREIGN =
            List.of("Zinnober", "zinnober", "birch-1", "fleet/south", "Verdeckt", "gull-only");

    /** The recorder that both halves share is theirs to see, its other camera is not. */
    private static final List<String> CAMERAS = List.of("alder-1/01", "birch-1/01", "cedar-1/01", "cedar-1/02");

    private static final LocalDate TODAY = LocalDate.now(ZoneOffset.UTC);
    /** What needs footage, or a search or a walk under way, which are theirs alone who began them. */
    private static final Set<String> NOTHING_TO_SEE = Set.of(
            "/api/v1/area-searches/{id}",
            "/api/v1/area-searches/{id}/stills/{number}",
            "/api/v1/clips/{id}",
            "/api/v1/clips/{id}/cells",
            "/api/v1/clips/{id}/picture",
            "/api/v1/live-levels",
            "/api/v1/moments",
            "/api/v1/motion-maps/{id}",
            "/api/v1/recorded-still",
            "/api/v1/recorders/{name}/description",
            "/api/v1/session/organisation",
            "/api/v1/session/organisation/callback",
            "/api/v1/walks/{id}");

    private static final Set<String> ENDLESS = Set.of("/api/v1/changes", "/api/v1/works/{id}/progress");

    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        for (var name : List.of("alder-1", "birch-1", "cedar-1")) {
            var fake = service.added(name);
            fake.history =
                    Optional.of(new History(Optional.of(List.of()), Optional.of(List.of()), true, Instant.now()));
            for (var channel : List.of("01", "02")) {
                boolean foreign = name.equals("birch-1") || name.equals("cedar-1") && channel.equals("02");
                fake.labels.put(channel, (foreign ? "Zinnober " : "Kai ") + name + " " + channel);
                fake.channel(channel, held(40));
            }
        }
        service.post(
                "/api/v1/recorders",
                Map.of("name", "alder-pen", "family", "auk", "zone", "UTC", "cameras", List.of("Kai by hand")));
        service.read();
        for (var group : List.of("north/pier", "south/gull-only")) {
            assertThat(service.post("/api/v1/groups", Map.of("path", group)).status())
                    .isEqualTo(201);
        }
        service.post(
                "/api/v1/placings",
                Map.of(
                        "lines",
                        List.of(
                                placing(1, "alder-1/01", "north/pier"),
                                placing(2, "alder-1/02", "north"),
                                placing(3, "birch-1/01", "south/gull-only"),
                                placing(4, "birch-1/02", "south"),
                                placing(5, "cedar-1/01", "north/pier"),
                                placing(6, "cedar-1/02", "south"),
                                placing(7, "alder-pen/01", "north"))));
        service.load("""
                template: house
                motion: {sensitivity: 70}
                ---
                template: verdeckt
                title: used elsewhere
                motion: {threshold: 30%}
                ---
                group: fleet
                use: [house]
                ---
                group: south
                use: [verdeckt]
                ---
                camera: birch-1/01
                set: {motion.sensitivity: 55}
                because: Verdeckt by a crane
                ---
                camera: alder-1/01
                set: {motion.sensitivity: 80}
                because: a dark yard
                """);
        service.load("calendar: holidays\ndates: [2027-01-01]\n");
        service.giveOut("group:north");
        service.giveOut("");
        for (var name : List.of("alder-1", "birch-1", "cedar-1")) {
            service.recorders().at(name).turn("01", Catalogue.SENSITIVITY, NativeValue.number(11));
            service.recorders().at(name).turn("02", Catalogue.SENSITIVITY, NativeValue.number(12));
        }
        service.audit();
        service.send(
                "PUT",
                "/api/v1/recorders/birch-1/pause",
                Map.of("until", "2099-01-01", "because", "Verdeckt until the crane is gone"));
    }

    private static Map<String, Object> placing(int line, String camera, String group) {
        return Map.of("line", line, "camera", camera, "group", group);
    }

    private static NativeConfig held(int sensitivity) {
        return new NativeConfig(Map.of(
                Catalogue.SENSITIVITY, NativeValue.number(sensitivity), Catalogue.THRESHOLD, NativeValue.number(20)));
    }

    @AfterEach
    void stop() {
        service.close();
    }

    /** @param asked what it takes behind its path, such as {@code select} */
    private record Door(String method, String path, List<String> asked) {}

    /** What is said for each of those: what is theirs, what is not, what is shared, and all. */
    private static final Map<String, List<String>> SAID = Map.ofEntries(
            Map.entry("select", List.of("", "recorder:cedar-1", "group:north", "not:label:kai*", "recorder:birch-1")),
            Map.entry("node", List.of("fleet/north", "fleet", "alder-1/01", "fleet/south", "birch-1/01")),
            Map.entry("camera", List.of("alder-1/01", "birch-1/01", "cedar-1/02", "cedar-1/01", "alder-1/02")),
            Map.entry("by", List.of("cause", "recorder", "group", "motion", "setting")),
            Map.entry("format", List.of("csv", "html")),
            Map.entry("state", List.of("open", "accepted")),
            Map.entry("from", List.of(TODAY.minusDays(5).toString(), TODAY.minusDays(5) + "T00:00:00Z")),
            Map.entry("until", List.of(TODAY.toString(), TODAY + "T00:00:00Z")),
            Map.entry("to", List.of(TODAY.toString(), TODAY + "T00:00:00Z")),
            Map.entry("at", List.of(TODAY + "T00:00:00Z", TODAY.toString())),
            Map.entry(
                    "before",
                    List.of(
                            TODAY.minusDays(4) + ".." + TODAY.minusDays(3),
                            TODAY.plusDays(1).toString())),
            Map.entry("after", List.of(TODAY.minusDays(2) + ".." + TODAY.minusDays(1))),
            Map.entry("hour", List.of("3")),
            Map.entry("days", List.of("7")),
            Map.entry("area", List.of("0,0,1,1")));

    private static final int VARIANTS = 5;

    private List<Door> doors() {
        List<Door> doors = new ArrayList<>();
        service.get("/api/v1/openapi")
                .body()
                .path("paths")
                .forEachEntry((path, methods) -> methods.forEachEntry((method, operation) ->
                        doors.add(new Door(method.toUpperCase(Locale.ROOT), path, asked(operation)))));
        assertThat(doors).hasSizeGreaterThan(150);
        return doors;
    }

    private static List<String> asked(JsonNode operation) {
        return operation.path("parameters").values().stream()
                .filter(p -> p.path("in").asString().equals("query"))
                .map(p -> p.path("name").asString())
                .toList();
    }

    /** The addresses of a door, with what is theirs, what is not, and what is shared. */
    private List<String> addresses(Door door) {
        List<String> filled = new ArrayList<>();
        if (door.path().contains("{channel}")) {
            for (var camera : CAMERAS) {
                filled.add(door.path().replace("{recorder}/{channel}", camera));
            }
        } else if (door.path().startsWith("/api/v1/recorders/{name}")) {
            for (var name : List.of("alder-1", "birch-1", "cedar-1", "alder-pen")) {
                filled.add(door.path().replace("{name}", name).replace("{store}", "disk"));
            }
        } else if (door.path().contains("{name}")) {
            for (var name : List.of("house", "verdeckt", "holidays", "tern")) {
                filled.add(door.path().replace("{name}", name));
            }
        } else if (door.path().contains("{id}")) {
            for (int id = 1; id <= 8; id++) {
                filled.add(door.path().replace("{id}", Integer.toString(id)).replaceAll("\\{[^}]*}", "1"));
            }
        } else {
            filled.add(door.path());
        }
        List<String> all = new ArrayList<>();
        for (var address : filled) {
            all.add(address);
            for (int i = 0;
                    i < VARIANTS && door.method().equals("GET") && !door.asked().isEmpty();
                    i++) {
                all.add(address + "?" + question(door, i));
            }
        }
        return all;
    }

    private static String question(Door door, int variant) {
        return door.asked().stream()
                .filter(SAID::containsKey)
                .map(name -> {
                    var said = SAID.get(name);
                    return name + "=" + URLEncoder.encode(said.get(variant % said.size()), StandardCharsets.UTF_8);
                })
                .collect(Collectors.joining("&"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"viewer:north", "administrator:north"})
    void noAnswerTellsOfWhatIsElsewhere(String role) {
        var leaks = new TreeSet<String>();
        var seen = new TreeSet<String>();
        var answered = new TreeSet<String>();
        var open = new TreeSet<String>();
        service.as("nora", role, () -> {
            // Of works they see their own; a viewer has none.
            service.post("/api/v1/readings", Map.of());
            for (var door : doors()) {
                if (ENDLESS.contains(door.path()) || !door.method().equals("GET")) {
                    continue;
                }
                for (var address : addresses(door)) {
                    var answer = service.get(address);
                    var body = answer.whole().body();
                    assertThat(answer.status()).as(address + " " + body).isNotEqualTo(500);
                    if (answer.status() != 403) {
                        open.add(door.path());
                    }
                    if (answer.status() == 200) {
                        answered.add(door.path());
                        if (body.contains("alder-1")) {
                            seen.add(door.path());
                        }
                    }
                    var asked = URLDecoder.decode(address, StandardCharsets.UTF_8);
                    FOREIGN.stream()
                            .filter(word -> body.contains(word) && !asked.contains(word))
                            .forEach(word -> leaks.add(door.path() + " by " + address + " tells of " + word));
                }
            }
        });
        assertThat(leaks).isEmpty();
        open.removeAll(answered);
        open.removeIf(door -> role.startsWith("viewer") && door.equals("/api/v1/works/{id}"));
        assertThat(open).as("doors of which nothing was seen").isSubsetOf(NOTHING_TO_SEE);
        // What is theirs they do see, so that an answer is not good for being empty.
        assertThat(seen)
                .contains(
                        "/api/v1/cameras",
                        "/api/v1/cameras/{recorder}/{channel}",
                        "/api/v1/findings",
                        "/api/v1/findings/{id}",
                        "/api/v1/overview",
                        "/api/v1/recorders",
                        "/api/v1/recorders/{name}",
                        "/api/v1/overrides",
                        "/api/v1/report/file",
                        "/api/v1/survey");
    }

    /** The same of everything that one can send: bodies that speak of what is theirs, of what is not, and of all. */
    @ParameterizedTest
    @ValueSource(strings = {"technician:north", "administrator:north"})
    void nothingThatIsSentTouchesOrTellsOfWhatIsElsewhere(String role) {
        var before = elsewhere();
        var leaks = new TreeSet<String>();
        service.as("nora", role, () -> {
            for (var door : doors()) {
                if (door.method().equals("GET")
                        || door.path().contains("/session")
                        || door.path().contains("/tokens")) {
                    continue;
                }
                for (var address : addresses(door)) {
                    for (var body : bodies()) {
                        var answer = service.send(door.method(), with(door, address, body), body);
                        var text = answer.whole().body();
                        assertThat(answer.status())
                                .as(door + " " + address + " " + text)
                                .isNotEqualTo(500);
                        FOREIGN.stream()
                                .filter(w -> text.contains(w)
                                        && !address.contains(w)
                                        && !body.toString().contains(w))
                                .forEach(w -> leaks.add(door + " tells of " + w + ": " + text));
                        awaitWork(answer);
                    }
                }
            }
        });
        assertThat(leaks).isEmpty();
        assertThat(elsewhere()).isEqualTo(before);
    }

    /** What an address takes behind it goes with the body. */
    private static String with(Door door, String address, Map<String, Object> body) {
        return switch (door.path()) {
            case "/api/v1/overrides", "/api/v1/uses" ->
                door.method().equals("DELETE")
                        ? address + "?node=" + body.get("node") + "&key=motion.sensitivity&template=house"
                        : address;
            case "/api/v1/groups" -> door.method().equals("DELETE") ? address + "?path=" + body.get("path") : address;
            default -> address;
        };
    }

    private void awaitWork(Answer answer) {
        if (answer.status() == 202) {
            service.awaitIdle();
        }
    }

    private List<Map<String, Object>> bodies() {
        List<Map<String, Object>> bodies = new ArrayList<>();
        for (var camera : CAMERAS) {
            bodies.add(body(camera, "recorder:" + camera.substring(0, camera.indexOf('/')), camera));
        }
        bodies.add(body("birch-1/01", "", "fleet/south/gull-only"));
        bodies.add(body("alder-1/01", "group:south", "fleet/south"));
        bodies.add(body("alder-1/01", "", "fleet"));
        return bodies;
    }

    /** Everything that any address reads of a body, speaking of one thing. */
    private Map<String, Object> body(String camera, String select, String node) {
        var path = node.startsWith("fleet") ? node : "fleet/south/more";
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("camera", camera);
        body.put("select", select);
        body.put("node", node);
        body.put("from", node.startsWith("fleet") ? path : camera);
        body.put("to", "fleet/south/taken");
        body.put("path", path);
        body.put("group", "south");
        body.put("template", "house");
        body.put("templates", List.of("verdeckt"));
        body.put("set", Map.of("motion.sensitivity", "33"));
        body.put("because", "tried");
        body.put("fixed", false);
        body.put("prune", false);
        body.put("onlyTry", false);
        body.put("decision", "adopt");
        body.put("until", "2099-01-01");
        body.put("findings", findings());
        body.put("lines", List.of(placing(1, camera, "north"), placing(2, "alder-1/02", "south")));
        body.put("preview", 1);
        body.put("recorders", List.of(camera.substring(0, camera.indexOf('/'))));
        body.put("files", List.of(Map.of("name", "a.yaml", "text", "template: house\nmotion: {sensitivity: 1}\n")));
        body.put("text", "template: house\nmotion: {sensitivity: 1}\n");
        body.put("clips", List.of(1));
        body.put("setting", "response.mail");
        body.put("areas", "[]");
        body.put("alone", false);
        body.put("at", "2026-01-01T00:00:00Z");
        return body;
    }

    private List<Long> findings() {
        return service.bean(Database.class)
                .query("SELECT id FROM finding ORDER BY id")
                .query(Long.class)
                .list();
    }

    /** All that is stored of the other half, and what its recorders hold. */
    private String elsewhere() {
        var database = service.bean(Database.class);
        var all = new StringBuilder();
        for (var sql : List.of(
                "SELECT recorder || channel || label || camera_group || tags FROM camera WHERE label LIKE 'Zinnober%'",
                "SELECT node || key || author FROM policy_override WHERE node NOT LIKE 'alder-%'"
                        + " AND node <> 'cedar-1/01' AND node NOT LIKE 'fleet/north%'",
                "SELECT node || template FROM template_use WHERE node NOT LIKE 'alder-%'"
                        + " AND node <> 'cedar-1/01' AND node NOT LIKE 'fleet/north%'",
                "SELECT path FROM camera_group WHERE path NOT LIKE 'fleet/north%'",
                "SELECT name || revision FROM template",
                "SELECT recorder || until || because FROM recorder_pause WHERE recorder NOT LIKE 'alder-%'",
                "SELECT id || coalesce(ended_at, '') || coalesce(accepted_until, '') FROM finding WHERE camera IN (SELECT id FROM camera WHERE label LIKE 'Zinnober%')")) {
            all.append(database.query(sql).query(String.class).list()).append('\n');
        }
        all.append(service.recorders().at("birch-1").written)
                .append(service.recorders().at("birch-1").held)
                .append(service.recorders().at("cedar-1").held.get("02"));
        return all.toString();
    }

    @Test
    void whatIsTheirsTheyGiveOutAndCountAndNothingElse() {
        service.as("nora", "editor:north", () -> {
            var cameras = service.get("/api/v1/cameras").body();
            assertThat(cameras.path("total").asInt()).isEqualTo(4);
            assertThat(service.get("/api/v1/overview").body().path("cameras").asInt())
                    .isEqualTo(4);
            var said = override("fleet/north/pier");
            assertThat(said.status()).as(said.detail()).isEqualTo(204);
            var work = service.giveOut("");
            assertThat(work.path("total").asInt()).isEqualTo(3);
            var others = override("fleet");
            assertThat(others.status()).isEqualTo(403);
            assertThat(others.detail()).contains("is more than fleet/north");
            assertThat(service.get("/api/v1/journal").detail()).contains("concerns the whole fleet", "fleet/north");
            assertThat(service.get("/api/v1/cameras/birch-1/01").detail())
                    .isEqualTo("you see no camera \"birch-1/01\"");
            assertThat(service.get("/api/v1/cameras/nowhere/01").detail())
                    .isEqualTo("you see no camera \"nowhere/01\"");
        });
        assertThat(service.recorders().at("birch-1").held.get("01").get(Catalogue.SENSITIVITY))
                .contains(NativeValue.number(11));
    }

    @Test
    void anAddressThatIsSpeltOtherwiseIsTheSame() {
        service.as("nora", "viewer:north", () -> {
            for (var path : List.of(
                    "/api/v1/%63ameras/birch-1/01/history",
                    "/api/v1/cameras/%62irch-1/01/history",
                    "/api/v1/%72ecorders/birch-1",
                    "/api/v1/recorders/birch%2D1")) {
                assertThat(service.get(path).status()).as(path).isEqualTo(404);
            }
            assertThat(service.get("/api/v1/%63ameras/alder-1/01").status()).isEqualTo(200);
        });
    }

    private Answer override(String node) {
        var version = service.get("/api/v1/overrides?node=" + node).version();
        return service.send(
                "POST",
                "/api/v1/overrides",
                Map.of("node", node, "fixed", false, "set", Map.of("motion.sensitivity", "61"), "because", "wind"),
                "If-Match",
                version);
    }

    @Test
    void whoeverHasTwoRolesLooksAtAllAndActsInOne() {
        service.as("nora", List.of("viewer", "technician:north"), () -> {
            assertThat(service.get("/api/v1/cameras").body().path("total").asInt())
                    .isEqualTo(7);
            assertThat(service.get("/api/v1/journal").status()).isEqualTo(200);
            var audit = service.finish(service.post("/api/v1/audits", Map.of("select", "")));
            assertThat(audit.path("selection").asString()).contains("north");
            assertThat(service.post("/api/v1/previews", Map.of("select", "group:south"))
                            .detail())
                    .contains("you see no camera");
        });
    }

    @Test
    void whenAllWasAuditedLastIsSaidToWhoeverSeesAPart() {
        var before = service.get("/api/v1/audits/last").body().path("at").asString();
        assertThat(Instant.parse(before)).isBefore(Instant.now());
        service.as("nora", "technician:north", () -> {
            assertThat(service.get("/api/v1/audits").body()).isEmpty();
            service.finish(service.post("/api/v1/audits", Map.of("select", "")));
            assertThat(service.get("/api/v1/audits").body()).hasSize(1);
            assertThat(service.get("/api/v1/audits/last").body().path("at").asString())
                    .as("they had all that they see audited")
                    .isGreaterThan(before);
        });
        assertThat(service.get("/api/v1/audits/last").body().path("at").asString())
                .as("an audit of a part is none of all")
                .isEqualTo(before);
    }

    @Test
    void aPlaceGoesWithItsGroupAndKeepsItFromGoing() {
        service.as("nora", "viewer:north/pier", () -> {
            var mine = service.get("/api/v1/cameras").body().path("total").asInt();
            assertThat(mine).isEqualTo(2);
        });
        var nora = service.get("/api/v1/people").body();
        assertThat(nora.toString()).contains("viewer:north/pier");
        service.post("/api/v1/groups", Map.of("path", "north/empty"));
        service.send("PUT", "/api/v1/people/nora", Map.of("roles", List.of("viewer:north/empty")));
        assertThat(service.send("DELETE", "/api/v1/groups?path=north/empty", null)
                        .detail())
                .contains("nora has a role in fleet/north/empty");
        assertThat(service.post("/api/v1/groups/move", Map.of("from", "north/empty", "to", "north/void"))
                        .status())
                .isEqualTo(204);
        assertThat(service.get("/api/v1/people").body().toString()).contains("viewer:north/void");
    }

    @Test
    void footageAndFindingsAreToldApartFromRoles() {
        var still = "/api/v1/cameras/alder-1/01/still";
        var mine =
                service.get("/api/v1/findings?select=recorder:alder-1").body().path("items");
        var finding = Map.of(
                "findings",
                List.of(mine.get(0).path("id").asLong()),
                "decision",
                "accept",
                "until",
                "2099-01-01",
                "because",
                "known");
        service.as("nora", "viewer:north", () -> {
            assertThat(service.get(still).status()).isEqualTo(403);
            assertThat(service.post("/api/v1/findings/decisions", finding).status())
                    .isEqualTo(403);
        });
        service.send(
                "PUT",
                "/api/v1/people/nora",
                Map.of("roles", List.of("viewer:north"), "footage", true, "decides", true));
        service.again("nora", () -> {
            assertThat(service.get(still).status()).isEqualTo(200);
            assertThat(service.get(still.replace("alder", "birch")).status()).isEqualTo(404);
            assertThat(service.post("/api/v1/findings/decisions", finding).status())
                    .isEqualTo(200);
            assertThat(service.post(
                                    "/api/v1/findings/decisions",
                                    Map.of(
                                            "findings",
                                            List.of(mine.get(1).path("id").asLong()),
                                            "decision",
                                            "adopt",
                                            "until",
                                            "2099-01-01",
                                            "because",
                                            "known"))
                            .status())
                    .isEqualTo(403);
            assertThat(service.send("DELETE", "/api/v1/clips/1", null).status()).isEqualTo(403);
        });
        service.send("PUT", "/api/v1/people/nora", Map.of("roles", List.of("editor"), "footage", false));
        service.again("nora", () -> {
            assertThat(service.get(still).status()).isEqualTo(403);
            assertThat(service.get("/api/v1/clips").status()).isEqualTo(403);
        });
    }

    @Test
    void aTokenMayLetInToOnePlaceAlone() {
        var token = service.post("/api/v1/tokens", Map.of("label", "pier", "place", "north/pier"))
                .body()
                .path("token")
                .asString();
        service.by(token, () -> {
            assertThat(service.get("/api/v1/cameras").body().path("total").asInt())
                    .isEqualTo(2);
            assertThat(service.post("/api/v1/tokens", Map.of("label", "all", "place", "north"))
                            .detail())
                    .contains("lets in to fleet/north/pier alone");
            var second = service.post("/api/v1/tokens", Map.of("label", "same"));
            return service.by(
                    second.body().path("token").asString(),
                    () -> assertThat(service.get("/api/v1/cameras")
                                    .body()
                                    .path("total")
                                    .asInt())
                            .isEqualTo(2));
        });
    }
}
