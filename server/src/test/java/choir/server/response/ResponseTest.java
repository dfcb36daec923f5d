package choir.server.response;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.LinkException;
import choir.policy.SettingKey;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What else happens when something moves: tried, refused, come or not, and set otherwise since. */
class ResponseTest {
    private static final SettingKey MAIL = new SettingKey("response.mail");
    private static final SettingKey SOUND = new SettingKey("response.sound");
    private TestService service;
    private FakeRecorders.Fake fake;
    private final List<String> commands = new ArrayList<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1").channel("01", config("watch@skerry.example"));
        fake.onCommand = command -> {
            commands.add(command);
            return "done";
        };
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(String mail) {
        return new NativeConfig(Map.of(
                MAIL,
                NativeValue.word(mail),
                SOUND,
                NativeValue.word("off"),
                new SettingKey("response.still"),
                new NativeValue.Flag(true)));
    }

    private JsonNode response(String setting) {
        return service.get("/api/v1/responses?select=camera:r1/01")
                .body()
                .valueStream()
                .filter(r -> r.path("setting").asString().equals(setting))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode attempt(String setting, String by) {
        var answer = service.post("/api/v1/response-trials", Map.of("camera", "r1/01", "setting", setting, "by", by));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(201);
        return answer.body();
    }

    @Test
    void whatIsOffIsNoResponseAndWhatWasNeverTriedSaysSo() {
        assertThat(service.get("/api/v1/responses")
                        .body()
                        .valueStream()
                        .map(r -> r.path("setting").asString()))
                .containsExactly("response.mail", "response.still");
        assertThat(response("response.mail").hasNonNull("last")).isFalse();
        assertThat(response("response.mail").path("tests").asBoolean()).isTrue();
    }

    @Test
    void theRecordersTestIsToldTheChannelAndSomebodySaysWhetherItCame() {
        var tried = attempt("response.mail", "recorder");
        assertThat(commands).containsExactly("tern:TestMail/01");
        assertThat(tried.path("last").path("said").asString()).isEqualTo("done");
        assertThat(tried.path("last").hasNonNull("came")).isFalse();
        long id = tried.path("last").path("id").asLong();
        var came = service.send(
                "PUT", "/api/v1/response-trials/" + id, Map.of("came", true, "note", "on the telephone, 4 s later"));
        assertThat(came.status()).isEqualTo(200);
        var last = response("response.mail").path("last");
        assertThat(last.path("came").asBoolean()).isTrue();
        assertThat(last.path("cameBy").asString()).isEqualTo("ada");
        assertThat(last.path("since").asBoolean()).isFalse();
        assertThat(service.get("/api/v1/journal?limit=5").body().toString()).contains("saw a response come");
        // Set otherwise since, the old try proves nothing of the new address.
        fake.channel("01", config("quay@skerry.example"));
        service.read();
        assertThat(response("response.mail").path("last").path("since").asBoolean())
                .isTrue();
    }

    @Test
    void aRefusalIsAnOutcomeAndAnAbsenceIsNone() {
        fake.onCommand = command -> {
            throw new LinkException(LinkException.Reason.REFUSED, "r1 refuses: Mail is switched off there");
        };
        var refused = attempt("response.mail", "recorder").path("last");
        assertThat(refused.path("came").asBoolean(true)).isFalse();
        assertThat(refused.path("said").asString()).contains("switched off there");
        fake.onCommand = command -> {
            throw new LinkException(LinkException.Reason.TIMED_OUT, "r1 did not answer in time");
        };
        long before = refused.path("id").asLong();
        var away = service.post(
                "/api/v1/response-trials", Map.of("camera", "r1/01", "setting", "response.mail", "by", "recorder"));
        assertThat(away.status()).isEqualTo(502);
        assertThat(response("response.mail").path("last").path("id").asLong()).isEqualTo(before);
    }

    @Test
    void byHandNobodyAsksTheRecorder() {
        assertThat(attempt("response.still", "hand").path("last").path("by").asString())
                .isEqualTo("hand");
        assertThat(commands).isEmpty();
    }

    @Test
    void whatCannotBeTriedIsSaid() {
        var off = service.post(
                "/api/v1/response-trials", Map.of("camera", "r1/01", "setting", "response.sound", "by", "hand"));
        assertThat(off.status()).isEqualTo(409);
        assertThat(off.detail()).contains("holds no response.sound");
        var way = service.post(
                "/api/v1/response-trials", Map.of("camera", "r1/01", "setting", "response.mail", "by", "luck"));
        assertThat(way.detail()).contains("expected recorder or hand");
        assertThat(service.send("PUT", "/api/v1/response-trials/99", Map.of("came", true))
                        .status())
                .isEqualTo(404);
        var none = service.post(
                "/api/v1/response-trials", Map.of("camera", "r1/01", "setting", "motion.detection", "by", "hand"));
        assertThat(none.status()).isEqualTo(409);
    }

    @Test
    void oldTriesGo() {
        for (int i = 0; i < 25; i++) {
            attempt("response.still", "hand");
        }
        long last = response("response.still").path("last").path("id").asLong();
        assertThat(service.send("PUT", "/api/v1/response-trials/" + (last - 24), Map.of("came", true))
                        .status())
                .isEqualTo(404);
        assertThat(service.send("PUT", "/api/v1/response-trials/" + (last - 19), Map.of("came", true))
                        .status())
                .isEqualTo(200);
    }
}
