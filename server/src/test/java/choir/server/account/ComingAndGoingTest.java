package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.server.db.DataFolder;
import choir.server.db.Database;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.context.annotation.Bean;

/** Who came, who tried, when tokens were used, and that one service alone holds a data folder. */
class ComingAndGoingTest {
    private TestService service;

    /** However long a request takes, no guess gets old meanwhile. */
    static class WhereNoTimePasses {
        @Bean
        Guesses guesses() {
            return new Guesses(Clock.fixed(Instant.parse("2026-03-04T05:06:07Z"), ZoneOffset.UTC));
        }
    }

    @BeforeEach
    void start() {
        service = TestService.start("--spring.main.sources=" + WhereNoTimePasses.class.getName());
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private String journal() {
        return service.get("/api/v1/journal?about=ada").body().toString();
    }

    @Test
    void theJournalSaysWhoSignedInAndWhoFailedToAndNeverTheWord() {
        assertThat(service.post("/api/v1/session", Map.of("user", "ada", "password", "not her word at all"))
                        .status())
                .isEqualTo(401);
        assertThat(service.post("/api/v1/session", Map.of("user", "ada", "password", "a long enough password"))
                        .status())
                .isEqualTo(200);
        assertThat(journal())
                .contains("failed to sign in", "signed in")
                .doesNotContain("not her word", "a long enough");
        var before = journal();
        service.post("/api/v1/session", Map.of("user", "nobody", "password", "not her word at all"));
        assertThat(journal()).as("nobody of that name").isEqualTo(before);
    }

    @Test
    void aTokenTellsWhenItWasUsedLast() {
        service.get("/api/v1/tokens");
        service.bean(Tokens.class).keepWhenTheyWereUsed();
        assertThat(service.get("/api/v1/tokens")
                        .body()
                        .get(0)
                        .path("lastUsedAt")
                        .asString(""))
                .startsWith("20");
    }

    private Answer signIn(String password, String... headers) {
        return service.send("POST", "/api/v1/session", Map.of("user", "ada", "password", password), headers);
    }

    /** Guesses from elsewhere, at any rate, are slow; who was here before is not shut out by them. */
    @Test
    void nobodyIsShutOutByTheGuessesOfOthers() {
        service.as("bee", "viewer", () -> {
            var first = signIn("a long enough password");
            assertThat(first.status()).isEqualTo(200);
            var cookie = first.whole().headers().allValues("Set-Cookie").stream()
                    .filter(c -> c.startsWith("choir-known="))
                    .findFirst()
                    .orElseThrow();
            assertThat(cookie).contains("HttpOnly", "SameSite=Strict", "Path=/api/v1/session");
            for (int i = 0; i < 8; i++) {
                signIn("a guess of somebody");
            }
            assertThat(signIn("a long enough password").status()).isEqualTo(429);
            assertThat(signIn("a long enough password", "Cookie", cookie.split(";")[0])
                            .status())
                    .isEqualTo(200);
            assertThat(signIn("a long enough password", "Cookie", "choir-known=nonsense")
                            .status())
                    .as("a cookie that was not made here")
                    .isEqualTo(429);
        });
        assertThat(signIn("a long enough password").status())
                .as("her own token says that she was here before")
                .isEqualTo(200);
    }

    @Test
    void whatLetsSomebodyInIsStoredAsAHashAlone() throws Exception {
        var made = service.post(
                "/api/v1/session/token",
                Map.of("user", "ada", "password", "a long enough password", "label", "hashed"));
        var token = made.body().path("token").asString();
        assertThat(service.bean(Accounts.class).find("ada").orElseThrow().passwordHash())
                .startsWith("$2a$11$");
        service.restart();
        for (var name : new String[] {"choir.db", "choir.db-wal"}) {
            var file = service.folder().resolve(name);
            var text = Files.exists(file) ? Files.readString(file, StandardCharsets.ISO_8859_1) : "";
            assertThat(text).as(name).doesNotContain(token, "a long enough password");
        }
    }

    @Test
    void theJournalTakesNothingInThePlaceOfAnother() {
        var database = service.bean(Database.class);
        assertThatThrownBy(() -> database.write(
                        () -> database.change("INSERT OR REPLACE INTO journal SELECT * FROM journal WHERE id = 1")
                                .update()))
                .hasStackTraceContaining("append-only");
    }

    @Test
    void aSecondServiceOnTheSameFolderDoesNotStartAndSaysWhoHoldsIt() throws Exception {
        assertThatThrownBy(() -> TestService.on(service.folder()))
                .hasStackTraceContaining("is held by another service (process "
                        + ProcessHandle.current().pid() + " since ")
                .hasRootCauseInstanceOf(DataFolder.UnusableException.class);
        assertThat(service.get("/api/v1/tokens").status())
                .as("the first goes on")
                .isEqualTo(200);
        service.restart();
        assertThat(service.get("/api/v1/tokens").status()).isEqualTo(200);
        assertThat(Files.readString(service.folder().resolve("held-by"))).startsWith("process ");
    }
}
