package choir.server.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.Strings;
import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Whatever a recorder calls its channels and groups of dates, the fleet can be seen, asked and changed. */
class OddNamesTest {
    private static final List<String> TOKENS = new ArrayList<>();
    private static TestService service;
    private static FakeRecorders.Fake odd;

    @BeforeAll
    static void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(7);
        TOKENS.addAll(
                Strings.any(random, 64).subList(0, 120).stream().distinct().toList());
        odd = service.added("odd-1");
        for (var token : TOKENS) {
            odd.channel(
                    token,
                    new NativeConfig(Map.of(
                            Catalogue.SENSITIVITY,
                            NativeValue.number(50),
                            Catalogue.SPECIAL_DAYS,
                            new NativeValue.SpecialDays(List.of(new SpecialDay(
                                    token, DateSet.parse("12-25 yearly"), DayPlan.parse(List.of("daily none"))))))));
            odd.labels.put(token, "label of " + token);
        }
        service.added("plain-1").channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read("odd-1", "plain-1");
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static String address(String token) {
        var camera = Node.Camera.parse("odd-1/" + token);
        return "/api/v1/cameras/odd-1/" + camera.channelSegment();
    }

    private static Answer ok(Answer answer) {
        assertThat(answer.status()).as(answer.detail()).isBetween(200, 299);
        return answer;
    }

    @Test
    void theWholeFleetIsSeenAndAskedAsEver() {
        var page = ok(service.get("/api/v1/cameras?limit=1000")).body();
        assertThat(page.path("total").asInt()).isEqualTo(TOKENS.size() + 1);
        assertThat(page.path("items").values().stream()
                        .map(i -> i.path("channel").asString()))
                .containsAll(TOKENS);
        assertThat(ok(service.get("/api/v1/overview")).body().path("cameras").asInt())
                .isEqualTo(TOKENS.size() + 1);
        assertThat(service.audit().path("state").asString()).isEqualTo("done");
        assertThat(service.findings()).hasSize(TOKENS.size() + 1);
        ok(service.post("/api/v1/previews", Map.of("select", "")));
        ok(service.get("/api/v1/survey"));
        ok(service.get("/api/v1/policy"));
    }

    @Test
    void eachCameraHasAnAddressAndATermOfASelection() {
        for (var token : TOKENS) {
            var view = ok(service.get(address(token))).body();
            assertThat(view.path("row").path("channel").asString()).isEqualTo(token);
            assertThat(view.path("row").path("label").asString()).isEqualTo("label of " + token);
            ok(service.get(address(token) + "/findings"));
            var select = Selection.of(List.of(Node.Camera.parse("odd-1/" + token)));
            var found =
                    ok(service.get("/api/v1/cameras?select=" + encoded(select))).body();
            assertThat(found.path("items").values().stream()
                            .map(i -> i.path("channel").asString()))
                    .as(select)
                    .containsExactly(token);
        }
    }

    @Test
    void aChannelOfOrdinaryWordsMayAlsoStandInAnAddressAsItIs() {
        for (var token : List.of("\"quoted\" 'too'", "Feast | Easter", "camera:haldr-1/07")) {
            var segment = encoded(token).replace("+", "%20");
            var answer = service.get("/api/v1/cameras/odd-1/" + segment);
            assertThat(answer.status()).as(token + ": " + answer.detail()).isEqualTo(200);
        }
    }

    @Test
    void eachCameraIsPlacedSpokenToSavedLoadedAndGivenOut() {
        for (var token : Strings.odd().subList(0, 12)) {
            var name = "odd-1/" + token;
            ok(service.send("PUT", address(token) + "/placing", Map.of("tags", List.of("odd")), "If-Match", "*"));
            ok(service.send(
                    "POST",
                    "/api/v1/overrides",
                    Map.of(
                            "node",
                            "camera:" + name,
                            "set",
                            Map.of("motion.sensitivity", "33"),
                            "because",
                            "why: " + token,
                            "fixed",
                            false),
                    "If-Match",
                    "*"));
            var said = ok(service.get("/api/v1/overrides?node=" + encoded("camera:" + name)))
                    .body()
                    .path(0);
            assertThat(said.path("node").asString()).isEqualTo(name);
            assertThat(said.path("because").asString()).isEqualTo("why: " + token);
            assertThat(service.giveOut(Selection.of(List.of(Node.Camera.parse(name))))
                            .path("note")
                            .asString())
                    .isEqualTo("1 verified");
            assertThat(odd.held.get(token).get(Catalogue.SENSITIVITY)).contains(NativeValue.number(33));
        }
        var saved = ok(service.get("/api/v1/policy")).body().path("files");
        var again = ok(service.post("/api/v1/policy", Map.of("files", saved, "prune", true, "onlyTry", true)));
        assertThat(again.body().path("changes")).isEmpty();
    }

    @Test
    void aTokenThatIsNoneIsTroubleOfItsRecorderAlone() {
        service.added("broken-1").channel("x".repeat(65), NativeConfig.EMPTY);
        var work = service.read("broken-1", "plain-1");
        assertThat(work.path("failed").asInt()).isOne();
        assertThat(service.get("/api/v1/recorders/broken-1")
                        .body()
                        .path("trouble")
                        .asString())
                .contains("broken-1");
        ok(service.get("/api/v1/overview"));
        service.send("DELETE", "/api/v1/recorders/broken-1", null, "If-Match", "*");
    }

    @Test
    void halfACharacterIsRefusedWithWords() {
        var answer = service.get("/api/v1/cameras/odd-1/~gA");
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains("no channel of an address");
        assertThat(service.get("/api/v1/cameras/odd-1/~!").status()).isEqualTo(400);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
