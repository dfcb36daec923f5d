package choir.server.policy;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A policy that defeats itself is told of when it is written. */
class WarningsTest {
    private static TestService service;

    @BeforeAll
    static void start() {
        service = TestService.start();
        service.added("r1").channel("01", NativeConfig.EMPTY);
        service.read();
        service.post("/api/v1/groups", Map.of("path", "fleet/yard"));
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static List<String> loading(String policy, boolean onlyTry) {
        var answer = service.post(
                "/api/v1/policy",
                Map.of("files", List.of(Map.of("name", "", "text", policy)), "prune", true, "onlyTry", onlyTry));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        return texts(answer.body().path("warnings"));
    }

    private static List<String> texts(JsonNode array) {
        List<String> texts = new ArrayList<>();
        array.forEach(t -> texts.add(t.asString()));
        return texts;
    }

    private static final String UNSOUND = "template: house\nrecording: {keep-at-least: 60d, keep-at-most: 30d}\n---\n"
            + "group: fleet\nuse: [house]\n";

    @Test
    void theFilesAreDoubtedOnceWhereItComesToBeEvenWhenTheyAreOnlyTried() {
        assertThat(loading(UNSOUND, true))
                .singleElement()
                .satisfies(w -> assertThat(w).startsWith("fleet: The policy keeps footage for at least 60 days"));
        assertThat(loading(
                        "template: house\nrecording: {keep-at-least: 20d}\n---\ngroup: fleet\nuse: [house]\n---\n"
                                + "camera: r1/01\nset: {recording.keep-at-most: 10d}\nbecause: x\n",
                        true))
                .singleElement()
                .satisfies(w -> assertThat(w).startsWith("r1/01: "));
        assertThat(loading("template: house\n", false)).isEmpty();
    }

    @Test
    void aTemplateThatNobodyUsesIsDoubtedByItself() {
        var alone = "template: later\nrecording: {keep-at-least: 60d, keep-at-most: 30d}\n";
        assertThat(loading(alone, true))
                .containsExactly("template later: The policy keeps footage for at least 60 days and at most 30 days,"
                        + " which cannot both be");
        assertThat(loading("template: part\nrecording: {week: [mon motion]}\n", true))
                .as("a part of a week is no mistake in a template")
                .isEmpty();
        assertThat(texts(service.post("/api/v1/template-drafts", Map.of("text", alone))
                        .body()
                        .path("warnings")))
                .singleElement()
                .asString()
                .contains("cannot both be");
    }

    @Test
    void whatWasSaidBeforeElsewhereIsNotSaidAgain() {
        loading(UNSOUND, false);
        var other = "template: other\nmotion: {sensitivity: 40}\n";
        var answer = service.post(
                "/api/v1/policy",
                Map.of("files", List.of(Map.of("name", "", "text", other)), "prune", false, "onlyTry", true));
        assertThat(texts(answer.body().path("warnings"))).isEmpty();
        assertThat(loading(UNSOUND, true)).as("where it speaks itself").hasSize(1);
        loading("template: house\n", false);
    }

    @Test
    void whatIsSaidAtANodeIsDoubtedThere() {
        loading("template: house\n", false);
        service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "fleet/yard",
                        "set",
                        Map.of("recording.week", "daily none"),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        assertThat(texts(service.get("/api/v1/policy/warnings?node=fleet/yard")
                        .body()
                        .path("warnings")))
                .singleElement()
                .satisfies(w -> assertThat(w).contains("records nothing at any hour"));
        assertThat(texts(
                        service.get("/api/v1/policy/warnings?node=fleet").body().path("warnings")))
                .isEmpty();
    }

    @Test
    void aNodeThatIsNotThereIsSaidSo() {
        assertThat(service.get("/api/v1/policy/warnings?node=fleet/nowhere").status())
                .isEqualTo(404);
    }

    @Test
    void anEndDateThatIsPastIsRefused() {
        var refused = service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "fleet",
                        "set",
                        Map.of("motion.sensitivity", "10"),
                        "because",
                        "x",
                        "until",
                        "2020-01-01",
                        "fixed",
                        false),
                "If-Match",
                "*");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.detail()).contains("the last day 2020-01-01 is past");
    }
}
