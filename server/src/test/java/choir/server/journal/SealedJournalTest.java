package choir.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import choir.server.db.Database;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Whoever changes, adds or takes away an entry behind the service's back is seen to have done so. */
class SealedJournalTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        for (var group : new String[] {"a", "b", "c"}) {
            service.post("/api/v1/groups", java.util.Map.of("path", group));
        }
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private JsonNode check() {
        return service.get("/api/v1/check-up")
                .body()
                .path("checks")
                .valueStream()
                .filter(c -> c.path("about").asString("").equals("journal"))
                .findFirst()
                .orElseThrow();
    }

    /** Somebody with the file in hand and no scruples. */
    private void tamper(Consumer<Database> how) {
        var database = service.bean(Database.class);
        database.write(() -> {
            database.query("SELECT name FROM sqlite_master WHERE type = 'trigger' AND tbl_name = 'journal'")
                    .query(String.class)
                    .list()
                    .forEach(name -> database.change("DROP TRIGGER " + name).update());
            how.accept(database);
        });
    }

    private static void run(Database database, String sql) {
        assertThat(database.change(sql).update()).isPositive();
    }

    @Test
    void anUntouchedJournalIsWellAndSaysItsLastSeal() {
        assertThat(check().path("state").asString()).isEqualTo("well");
        var last = check().path("words")
                .asString()
                .replaceAll(".*the last is ", "")
                .split(":");
        var seal = service.get("/api/v1/journal/" + last[0] + "/seal").body();
        assertThat(seal.path("seal").asString()).startsWith(last[1]);
        assertThat(service.get("/api/v1/journal/999999/seal").status()).isEqualTo(404);
    }

    @Test
    void aChangedEntryBreaksItsSeal() {
        tamper(d -> run(d, "UPDATE journal SET who = 'somebody else' WHERE id = 3"));
        assertThat(check().path("state").asString()).isEqualTo("wrong");
        assertThat(check().path("words").asString()).contains("from entry 3 on");
    }

    @Test
    void aMissingEntryBreaksTheOneAfterIt() {
        tamper(d -> run(d, "DELETE FROM journal WHERE id = 2"));
        assertThat(check().path("words").asString()).contains("from entry 3 on");
    }

    @Test
    void wordsThatMoveFromOnePartIntoTheNextAreSeen() {
        tamper(d -> run(d, "UPDATE journal SET act = act || subject, subject = '' WHERE id = 3"));
        assertThat(check().path("state").asString()).isEqualTo("wrong");
    }

    /** Entries of earlier releases had no seals; the first that comes after them is over all of them. */
    @Test
    void entriesFromBeforeThereWereSealsAreCoveredByTheFirst() {
        tamper(d -> run(d, "UPDATE journal SET seal = ''"));
        assertThat(check().path("state").asString()).isEqualTo("well");
        service.post("/api/v1/groups", java.util.Map.of("path", "d"));
        assertThat(check().path("state").asString()).isEqualTo("well");
        tamper(d -> run(d, "UPDATE journal SET detail = 'x' WHERE id = 1"));
        assertThat(check().path("state").asString()).isEqualTo("wrong");
    }

    /** Worked out by hand, so that a journal of today can be read by whoever comes later. */
    @Test
    void theSealIsWhatItIsSaidToBe() throws Exception {
        var digest = MessageDigest.getInstance("SHA-256");
        for (var part : new String[] {"", "1", "2027-01-14T06:00:00Z", "ada", "did", "", "it"}) {
            digest.update(new byte[] {0, 0, 0, (byte) part.length()});
            digest.update(part.getBytes(StandardCharsets.US_ASCII));
        }
        var entry = new Journal.Entry(1, "2027-01-14T06:00:00Z", "ada", "did", "", "it");
        assertThat(Seal.NONE.over(entry).text()).isEqualTo(HexFormat.of().formatHex(digest.digest()));
    }
}
