package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Stretch;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What recorders say they keep, and their clocks, as a person asks for it. */
class FootageTest {
    private static final Instant FROM = Instant.parse("2026-11-01T00:00:00Z");
    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
        fake = service.added("r1").channel("01", config).channel("02", config);
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    @Test
    void whatIsNotToldIsNotKnown() {
        var nothing = service.get("/api/v1/recorders/r1/footage").body();
        assertThat(nothing.path("told").asBoolean()).isFalse();
        fake.kept = Optional.of(Map.of("01", new Kept(Optional.of(FROM), Optional.empty(), Optional.of(true))));
        var told = service.get("/api/v1/recorders/r1/footage").body();
        assertThat(told.path("told").asBoolean()).isTrue();
        assertThat(told.path("cameras")).hasSize(2);
        assertThat(told.path("cameras").get(0).path("from").asString()).isEqualTo("2026-11-01T00:00:00Z");
        assertThat(told.path("cameras").get(0).path("records").asBoolean()).isTrue();
        assertThat(told.path("cameras").get(0).hasNonNull("until")).isFalse();
        assertThat(told.path("cameras").get(1).hasNonNull("records")).isFalse();
    }

    @Test
    void aHistoryTellsWhatIsKnownAndUpToWhere() {
        var path = "/api/v1/cameras/r1/01/history?from=2026-11-01T00:00:00Z&until=2026-11-02T00:00:00Z";
        assertThat(service.get(path).detail()).isEqualTo("r1 does not tell what it recorded of 01");
        fake.history = Optional.of(new History(
                Optional.of(List.of(new Stretch(FROM, FROM.plusSeconds(60)))),
                Optional.empty(),
                false,
                FROM.plusSeconds(600)));
        var told = service.get(path).body();
        assertThat(told.path("recorded").get(0).path("until").asString()).isEqualTo("2026-11-01T00:01:00Z");
        assertThat(told.has("motion")).isFalse();
        assertThat(told.path("until").asString()).isEqualTo("2026-11-01T00:10:00Z");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "from=yesterday; from is no time with a zone, such as 2027-01-14T06:00:00Z or 2027-01-14T06:00:00%2B01:00",
                "from=2026-11-01T00:00:00; from is no time with a zone, such as 2027-01-14T06:00:00Z or 2027-01-14T06:00:00%2B01:00",
                "from=2026-11-02T00:00:00Z&until=2026-11-01T00:00:00Z; from has to lie before until, and at most 31 days before it",
                "from=2026-01-01T00:00:00Z&until=2026-11-01T00:00:00Z; from has to lie before until, and at most 31 days before it"
            })
    void aSpanThatIsNoneIsRefused(String query, String words) {
        var answer = service.get("/api/v1/cameras/r1/01/history?" + query);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).isEqualTo(words.replace("%2B", "+"));
    }

    @Test
    void oneThatIsAwayIsSaidToBe() {
        fake.goAway();
        var answer = service.get("/api/v1/recorders/r1/footage");
        assertThat(answer.status()).isEqualTo(502);
        assertThat(answer.detail()).contains("r1 cannot be reached");
    }

    @Test
    void aClockIsSetWhenAskedForAndTheFindingEndsAtTheNextAudit() {
        fake.clockAhead = Optional.of(Duration.ofMinutes(-37));
        fake.clockFromServer = true;
        service.audit();
        assertThat(service.findings()).anyMatch(f -> f.startsWith("r1: ") && f.contains("37"));
        assertThat(fake.clockAhead).as("nobody asked for it").contains(Duration.ofMinutes(-37));
        var set = service.post("/api/v1/recorders/r1/clock", Map.of());
        assertThat(set.status()).as(set.detail()).isEqualTo(200);
        assertThat(set.body().path("before").asLong()).isEqualTo(-37 * 60);
        assertThat(set.body().path("after").asLong()).isZero();
        assertThat(set.body().path("fromServer").asBoolean()).isTrue();
        service.audit();
        assertThat(service.findings()).noneMatch(f -> f.startsWith("r1: ") && f.contains("37"));
        assertThat(service.get("/api/v1/journal?about=r1").body().toString())
                .contains(
                        "sets the clock of a recorder",
                        "ahead before -2220 s, now 0 s; it no longer asks a time server");
    }
}
