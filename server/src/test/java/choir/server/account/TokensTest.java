package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.server.db.Database;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What tokens let in to, until when, and who ends them. */
class TokensTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private Answer made(Object... wish) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of("label", "a program"));
        for (int i = 0; i < wish.length; i += 2) {
            body.put(wish[i].toString(), wish[i + 1]);
        }
        return service.post("/api/v1/tokens", body);
    }

    private static String text(Answer made) {
        assertThat(made.status()).isEqualTo(201);
        return made.body().path("token").asString();
    }

    private Answer by(String token, String method, String path, Object body) {
        return service.by(token, () -> service.send(method, path, body));
    }

    @Test
    void aTokenOfAViewerLetsInToNoMoreWhoeverMadeIt() {
        var token = text(made("role", "viewer"));
        assertThat(by(token, "GET", "/api/v1/cameras", Map.of()).status()).isEqualTo(200);
        assertThat(by(token, "POST", "/api/v1/groups", Map.of("path", "x")).status())
                .isEqualTo(403);
        assertThat(by(token, "GET", "/api/v1/session", Map.of())
                        .body()
                        .path("role")
                        .asString())
                .isEqualTo("VIEWER");
        // Nor does another that is made by it.
        var second = by(token, "POST", "/api/v1/tokens", Map.of("label", "more", "role", "administrator"));
        assertThat(by(text(second), "GET", "/api/v1/backups", Map.of()).status())
                .isEqualTo(403);
    }

    @Test
    void whoeverMayLessThanTheirTokenMayIsNotRaisedByIt() {
        service.post("/api/v1/people", Map.of("name", "eve", "roles", List.of("administrator")));
        var token = service.bean(Tokens.class)
                .make("eve", new Tokens.Wish("t", Optional.of(Role.ADMINISTRATOR), Optional.empty(), Optional.empty()));
        assertThat(by(token, "GET", "/api/v1/backups", Map.of()).status()).isEqualTo(200);
        service.send("PUT", "/api/v1/people/eve", Map.of("roles", List.of("viewer")));
        assertThat(by(token, "GET", "/api/v1/backups", Map.of()).status()).isEqualTo(403);
    }

    @Test
    void aTokenThatEndsMakesNoneThatOutlivesIt() {
        var token = text(made("days", 2));
        assertThat(by(token, "POST", "/api/v1/tokens", Map.of("label", "for ever"))
                        .detail())
                .contains("ends no later");
        assertThat(by(token, "POST", "/api/v1/tokens", Map.of("label", "longer", "days", 3))
                        .status())
                .isEqualTo(400);
        assertThat(by(token, "POST", "/api/v1/tokens", Map.of("label", "shorter", "days", 1))
                        .status())
                .isEqualTo(201);
    }

    @Test
    void aTokenEndsByItself() {
        var token = text(made("days", 1));
        assertThat(by(token, "GET", "/api/v1/cameras", Map.of()).status()).isEqualTo(200);
        var database = service.bean(Database.class);
        database.write(
                () -> database.change("UPDATE token SET ends_at = '2020-01-01T00:00:00Z' WHERE ends_at IS NOT NULL")
                        .update());
        assertThat(by(token, "GET", "/api/v1/cameras", Map.of()).status()).isEqualTo(401);
        for (var days : new int[] {0, -1, 1_000_000}) {
            assertThat(made("days", days).detail()).contains("a token lasts 1 to");
        }
        assertThat(service.post("/api/v1/tokens", Map.of("label", " ")).status())
                .isEqualTo(400);
        assertThat(made("role", "king").detail()).contains("is no role");
    }

    @Test
    void anAdministratorSeesAndEndsTheTokensOfOthers() {
        service.as("bee", "viewer", () -> {
            assertThat(made().status()).isEqualTo(201);
            assertThat(service.get("/api/v1/people/ada/tokens").status()).isEqualTo(403);
        });
        var theirs = service.get("/api/v1/people/bee/tokens").body();
        assertThat(theirs.size()).isGreaterThan(0);
        long id = theirs.get(theirs.size() - 1).path("id").asLong();
        assertThat(service.send("DELETE", "/api/v1/people/ada/tokens/" + id, Map.of())
                        .detail())
                .as("it is not hers")
                .contains("you have no token");
        assertThat(service.send("DELETE", "/api/v1/people/bee/tokens/" + id, Map.of())
                        .status())
                .isEqualTo(204);
        assertThat(service.send("DELETE", "/api/v1/people/bee/sessions", Map.of())
                        .status())
                .isEqualTo(204);
        assertThat(service.get("/api/v1/people/bee/tokens").body().size()).isZero();
        assertThat(service.get("/api/v1/people/nobody/tokens").status()).isEqualTo(404);
        assertThat(service.get("/api/v1/journal?about=bee").body().toString())
                .contains("ended all sessions and tokens");
    }

    @Test
    void anInvitationIsOverAfterAWhile() {
        var invited = service.post("/api/v1/people", Map.of("name", "eve", "roles", List.of("viewer")))
                .body();
        var once = invited.path("oneTimePassword").asString();
        assertThat(service.get("/api/v1/people").body().toString()).contains("oneTimeUntil");
        var database = service.bean(Database.class);
        database.write(
                () -> database.change("UPDATE account SET one_time_until = '2020-01-01T00:00:00Z' WHERE name = 'eve'")
                        .update());
        assertThat(service.post("/api/v1/session", Map.of("user", "eve", "password", once))
                        .detail())
                .contains("is over since 2020-01-01");
        assertThat(service.post(
                                "/api/v1/session/password",
                                Map.of("user", "eve", "old", once, "fresh", "three quiet harbour words"))
                        .status())
                .isEqualTo(401);
        var again =
                service.post("/api/v1/people/eve/one-time-password", Map.of()).body();
        assertThat(service.post(
                                "/api/v1/session/password",
                                Map.of(
                                        "user",
                                        "eve",
                                        "old",
                                        again.path("oneTimePassword").asString(),
                                        "fresh",
                                        "three quiet harbour words"))
                        .status())
                .isEqualTo(204);
        assertThat(service.get("/api/v1/people").body().toString()).doesNotContain("oneTimeUntil");
    }
}
