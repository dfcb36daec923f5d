package choir.server.standing;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.Strings;
import choir.server.TestService;
import choir.server.db.Database;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What was known before a restart is known after it, and only when it still holds. */
class KeptSummariesTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        for (var name : List.of("r1", "r2")) {
            var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
            service.added(name).channel("01", config).channel("02", config);
        }
        service.read();
        service.bean(Standings.class).keep();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private Optional<Map<String, Summary>> kept(LocalDate day) {
        return service.bean(KeptSummaries.class).of(day);
    }

    private Optional<Map<String, Summary>> kept() {
        return kept(LocalDate.now(Clock.systemUTC()));
    }

    @Test
    void theyHoldWhileNothingWasChanged() {
        assertThat(kept().orElseThrow()).containsOnlyKeys("r1", "r2");
        service.post("/api/v1/groups", Map.of("path", "fleet/yard"));
        assertThat(kept()).isEmpty();
        service.bean(Standings.class).keep();
        assertThat(kept()).isPresent();
    }

    @Test
    void theyDoNotHoldOnAnotherDayOrForAnotherProgram() {
        assertThat(kept(LocalDate.now(Clock.systemUTC()).plusDays(1))).isEmpty();
        var database = service.bean(Database.class);
        database.write(() ->
                database.change("UPDATE standing_age SET basis = basis || '1'").update());
        assertThat(kept()).isEmpty();
    }

    /** What stands in the table is shown, so it cannot have been worked out. */
    @Test
    void theyAreReadInsteadOfWorkedOut() {
        var database = service.bean(Database.class);
        database.write(() -> database.change(
                        "UPDATE standing SET summary = replace(summary, '\"templates\":[\"house\"]', '\"templates\":[\"told\"]')"
                                + " WHERE recorder = 'r1'")
                .update());
        service.restart();
        var block = service.bean(Standings.class).snapshot().block("r1").orElseThrow();
        assertThat(block.summary().templates()).containsExactly("told");
        assertThat(block.cameras().getFirst().templates()).containsExactly("house");
    }

    @Test
    void oneThatCannotBeUnderstoodIsNotTrusted() {
        var database = service.bean(Database.class);
        database.write(
                () -> database.change("UPDATE standing SET summary = '{}'").update());
        assertThat(kept()).isEmpty();
        service.restart();
        assertThat(service.bean(Standings.class).all()).hasSize(4);
    }

    @Test
    void aRecorderThatIsGoneIsNotKept() {
        service.send("DELETE", "/api/v1/recorders/r1", null, "If-Match", "*");
        service.bean(Standings.class).keep();
        assertThat(kept().orElseThrow()).containsOnlyKeys("r2");
    }

    @Test
    void everyNameIsReadBackEqual() {
        var tally = new Tally(3, 12, Map.of(CameraState.DRIFTED, 2));
        tally.settle(Catalogue.WEEK, 3, 1);
        for (var odd : Strings.odd()) {
            var summary = new Summary(
                    Optional.of(odd),
                    Map.of(Node.Group.ROOT, tally),
                    Set.of(CameraState.DRIFTED),
                    Set.of(odd),
                    Set.of("house"));
            var text = SummaryJson.write(summary);
            var back = SummaryJson.read(text);
            assertThat(back.tags()).isEqualTo(summary.tags());
            assertThat(back.trouble()).isEqualTo(summary.trouble());
            assertThat(back.states()).isEqualTo(summary.states());
            assertThat(SummaryJson.write(back)).isEqualTo(text);
        }
    }
}
