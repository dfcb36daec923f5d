package choir.server.look;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.TestService;
import choir.server.db.Database;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class LookTest {
    private static final String SINCE = "/api/v1/overview/since";
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    @Test
    void whatIsNewBeginsWhereSomebodyLookedBeforeTheyWereAway() {
        var monday = new Moment(Instant.parse("2026-11-23T08:00:00Z"), 10, 100);
        var soon = new Moment(monday.at().plusSeconds(29 * 60), 11, 101);
        var late = new Moment(soon.at().plusSeconds(31 * 60), 12, 102);
        var look = Look.first(monday).again(soon);
        assertThat(Look.first(monday).isFirst()).isTrue();
        assertThat(look).as("they stayed").isEqualTo(new Look(monday, soon));
        assertThat(look.isFirst()).isFalse();
        assertThat(look.again(late)).as("they were away").isEqualTo(new Look(soon, late));
        assertThat(look.again(late).again(late)).isEqualTo(new Look(soon, late));
        assertThat(look.again(monday))
                .as("a clock that went back is no absence")
                .isEqualTo(new Look(monday, monday));
    }

    /** As if nobody had looked for an hour. */
    private void away() {
        service.bean(Database.class)
                .write(() -> service.bean(Database.class)
                        .change("UPDATE look SET seen_at = :at")
                        .param("at", Instant.now().minusSeconds(3600).toString())
                        .update());
    }

    private JsonNode look() {
        return service.post(SINCE, Map.of()).body();
    }

    private JsonNode glance() {
        return service.get(SINCE).body();
    }

    @Test
    void findingsThatCameAndWentAndWhatOthersDidIsTold() {
        var fake = service.added("pier-1")
                .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read();
        service.load("""
                template: house
                motion: {sensitivity: 60}
                ---
                group: fleet
                use: [house]
                """);
        service.giveOut("");
        service.audit();
        assertThat(glance().has("since")).as("never looked").isFalse();
        assertThat(look().has("since"))
                .as("the first time all is new, and nothing")
                .isFalse();

        away();
        service.post("/api/v1/groups", Map.of("path", "mine"));
        service.as("ben", "editor", () -> {
            assertThat(service.post("/api/v1/groups", Map.of("path", "yard")).status())
                    .isEqualTo(201);
            assertThat(look().has("since"))
                    .as("how far somebody saw is their own")
                    .isFalse();
        });
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        service.audit();
        var seen = glance();
        assertThat(seen.path("opened").asInt()).isEqualTo(1);
        assertThat(seen.path("worst").get(0).asString()).startsWith("pier-1/01: ");
        assertThat(seen.path("lastChanges").findValuesAsString("who")).containsOnly("ben");
        assertThat(seen.path("lastChanges").findValuesAsString("subject")).contains("fleet/yard");
        assertThat(glance()).as("a glance moves nothing").isEqualTo(seen);
        assertThat(look()).isEqualTo(seen);
        assertThat(look()).as("as long as they stay").isEqualTo(seen);

        away();
        service.giveOut("");
        service.audit();
        var later = look();
        assertThat(later.path("opened").asInt()).isZero();
        assertThat(later.path("ended").asInt()).isEqualTo(1);
        assertThat(later.path("changes").asInt()).isZero();
    }
}
