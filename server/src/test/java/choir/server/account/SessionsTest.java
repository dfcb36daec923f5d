package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Sessions of the console one by one. */
class SessionsTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    private void cat() {
        service.as("cat", "viewer", () -> {});
    }

    @AfterEach
    void stop() {
        service.close();
    }

    /** The cookie of a new session. */
    private String signIn(String program) {
        var answer = service.send(
                "POST",
                "/api/v1/session",
                Map.of("user", "cat", "password", "the own password of cat"),
                "User-Agent",
                program);
        return answer.whole().headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("choir="))
                .map(c -> c.substring(0, c.indexOf(';')))
                .findFirst()
                .orElseThrow();
    }

    private int comesBy(String cookie) throws Exception {
        return service.anonymous("GET", "/api/v1/session", "Cookie", cookie);
    }

    private List<String> programs() {
        return service.get("/api/v1/people/cat/sessions")
                .body()
                .valueStream()
                .map(s -> s.path("program").asString())
                .toList();
    }

    private String id(String program) {
        return service.get("/api/v1/people/cat/sessions")
                .body()
                .valueStream()
                .filter(s -> s.path("program").asString().equals(program))
                .map(s -> s.path("id").asString())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void oneEndsAndTheOthersGoOn() throws Exception {
        cat();
        var office = signIn("office");
        var lost = signIn("lost telephone " + "x".repeat(500));
        assertThat(programs()).hasSize(2).contains("office");
        var long160 = programs().stream()
                .filter(p -> p.startsWith("lost"))
                .findFirst()
                .orElseThrow();
        assertThat(long160).hasSize(160);
        var cookies = lost + office;
        assertThat(service.get("/api/v1/people/cat/sessions").whole().body())
                .as("what lets in")
                .doesNotContain(cookies.substring(6, 30), office.substring(6));

        assertThat(service.send("DELETE", "/api/v1/people/cat/sessions/" + id(long160), null)
                        .status())
                .isEqualTo(204);
        assertThat(comesBy(lost)).isEqualTo(401);
        assertThat(comesBy(office)).isEqualTo(200);
        assertThat(programs()).containsExactly("office");
        assertThat(service.get("/api/v1/journal?about=cat").body().toString()).contains("ended a session");
    }

    @Test
    void somebodyEndsTheirOwnAndNobodyElses() {
        var adas = service.post(
                        "/api/v1/session/token",
                        Map.of("user", "ada", "password", "a long enough password", "label", "other"))
                .body()
                .path("token")
                .asString();
        service.as("cat", "viewer", () -> {
            signIn("office");
            var own = service.get("/api/v1/sessions").body();
            assertThat(own.size()).isEqualTo(1);
            assertThat(own.path(0).path("thisOne").asBoolean())
                    .as("she comes by a token")
                    .isFalse();
            var id = own.path(0).path("id").asString();
            assertThat(service.get("/api/v1/people/ada/sessions").status()).isEqualTo(403);
            assertThat(service.by(adas, () -> service.send("DELETE", "/api/v1/sessions/" + id, null))
                            .status())
                    .as("it is not ada's")
                    .isEqualTo(404);
            assertThat(service.send("DELETE", "/api/v1/sessions/" + id, null).status())
                    .isEqualTo(204);
            assertThat(service.get("/api/v1/sessions").body().size()).isZero();
            assertThat(service.send("DELETE", "/api/v1/sessions/" + id, null).detail())
                    .contains("it may have ended");
        });
    }

    @Test
    void whatLetsInNoMoreIsNotCounted() throws Exception {
        cat();
        var office = signIn("office");
        service.send("PUT", "/api/v1/people/cat", Map.of("roles", List.of("technician")));
        assertThat(programs()).isEmpty();
        assertThat(comesBy(office)).isEqualTo(401);
        assertThat(service.get("/api/v1/people/nobody/sessions").status()).isEqualTo(404);
    }

    @Test
    void whoeverSignsOutHasNoneAnyMore() throws Exception {
        cat();
        var office = signIn("office");
        assertThat(programs()).hasSize(1);
        assertThat(service.anonymous("DELETE", "/api/v1/session", "Cookie", office))
                .as("another page may not do it for them")
                .isEqualTo(403);
        assertThat(programs()).hasSize(1);
        var page = service.by("", () -> service.send("GET", "/api/v1/session", null, "Cookie", office));
        var forgery = page.whole().headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("XSRF-TOKEN="))
                .map(c -> c.substring(0, c.indexOf(';')))
                .findFirst()
                .orElseThrow();
        assertThat(service.anonymous(
                        "DELETE",
                        "/api/v1/session",
                        "Cookie",
                        office + "; " + forgery,
                        "X-XSRF-TOKEN",
                        forgery.substring("XSRF-TOKEN=".length())))
                .isEqualTo(200);
        assertThat(programs()).isEmpty();
        assertThat(comesBy(office)).isEqualTo(401);
    }

    @Test
    void aSessionDoesNotOutliveTheService() throws Exception {
        cat();
        var office = signIn("office");
        service.restart();
        assertThat(programs()).isEmpty();
        assertThat(comesBy(office)).isEqualTo(401);
    }
}
