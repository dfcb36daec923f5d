package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PeopleTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private int status(String path) {
        return service.get(path).status();
    }

    @Test
    void somebodyWhoIsLetInDoesWhatTheirRoleAllows() {
        service.as("ben", "technician", () -> {
            assertThat(status("/api/v1/cameras")).isEqualTo(200);
            assertThat(service.post("/api/v1/people", Map.of("name", "eve", "roles", List.of("administrator")))
                            .status())
                    .isEqualTo(403);
        });
        assertThat(service.get("/api/v1/journal?limit=10").body().toString()).contains("added a person");
    }

    @Test
    void whoeverGetsANewPasswordOrIsTakenOutIsOutAtOnce() {
        service.as("cat", "administrator", () -> {
            assertThat(status("/api/v1/session")).isEqualTo(200);
            service.post("/api/v1/people/cat/one-time-password", Map.of());
            assertThat(status("/api/v1/session")).isEqualTo(401);
        });
        service.as("dan", "administrator", () -> {
            service.send("DELETE", "/api/v1/people/dan", null);
            assertThat(status("/api/v1/session")).isEqualTo(401);
        });
    }

    @Test
    void aSessionOfTheConsoleEndsWithTheRoleItBeganWith() throws Exception {
        service.as("cat", "administrator", () -> {});
        var signedIn = service.post("/api/v1/session", Map.of("user", "cat", "password", "the own password of cat"));
        var cookie = signedIn.whole().headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("choir="))
                .map(c -> c.substring(0, c.indexOf(';')))
                .findFirst()
                .orElseThrow();
        assertThat(service.anonymous("GET", "/api/v1/session", "Cookie", cookie))
                .isEqualTo(200);
        service.send("PUT", "/api/v1/people/cat", Map.of("roles", List.of("viewer")));
        assertThat(service.anonymous("GET", "/api/v1/session", "Cookie", cookie))
                .isEqualTo(401);
    }

    @Test
    void anAdministratorIsAlwaysLeft() {
        assertThat(service.send("DELETE", "/api/v1/people/ada", null).detail()).contains("nobody would be left");
        assertThat(service.send("PUT", "/api/v1/people/ada", Map.of("roles", List.of("viewer")))
                        .status())
                .isEqualTo(409);
        assertThat(status("/api/v1/session")).isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "a b", "-x", "x\u001b[31m", "../ada"})
    void aNameThatIsNoneIsRefused(String name) {
        assertThat(service.post("/api/v1/people", Map.of("name", name, "roles", List.of("viewer")))
                        .status())
                .isEqualTo(400);
    }
}
