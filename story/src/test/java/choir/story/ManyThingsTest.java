package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.fleet.NaturalOrder;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** Lists, counts, pages, journal and the small acts of the day, on one service. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ManyThingsTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 16);
        choir.recorder("hall-1", "gannet", 4);
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr/quay"));
        choir.load("""
                template: house
                motion: {sensitivity: 60, threshold: 1%}
                recording: {week: [daily: motion]}
                ---
                group: fleet
                use: [house]
                """);
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    @Order(1)
    void pagesFollowEachOtherWithoutAGapOrADouble() {
        List<String> seen = new ArrayList<>();
        var cursor = "";
        do {
            var page = choir.get("/api/v1/cameras?limit=7" + (cursor.isEmpty() ? "" : "&after=" + cursor))
                    .body();
            assertThat(page.path("total").asInt()).isEqualTo(20);
            page.path("items").forEach(c -> seen.add(c.path("camera").asString()));
            cursor = page.path("next").asString("");
        } while (!cursor.isEmpty());
        assertThat(seen).hasSize(20).isSorted();
        assertThat(new HashSet<>(seen)).hasSize(20);
    }

    @Test
    @Order(1)
    void aPageThatCannotBeIsRefused() {
        assertThat(choir.get("/api/v1/cameras?limit=0").detail()).contains("limit is 1 to 1000");
        assertThat(choir.get("/api/v1/cameras?after=nobody").detail()).contains("is not a camera");
        assertThat(choir.get("/api/v1/cameras?limit=many").status()).isEqualTo(400);
        assertThat(choir.get("/api/v1/cameras?sort=lable").detail()).contains("did you mean \"label\"?");
        assertThat(choir.get("/api/v1/cameras?sort=label&after=nobody").detail())
                .contains("not of a list in this order");
    }

    @Test
    @Order(1)
    void pagesInAnotherOrderFollowEachOtherToo() {
        var labels = labels("label");
        assertThat(labels).hasSize(20).isSortedAccordingTo(NaturalOrder.BY_NAME);
        assertThat(labels("-label")).isEqualTo(labels.reversed());
    }

    private static List<String> labels(String sort) {
        List<String> seen = new ArrayList<>();
        var cursor = "";
        do {
            var after = cursor.isEmpty() ? "" : "&after=" + cursor;
            var page = choir.get("/api/v1/cameras?limit=7&sort=" + sort + after).body();
            page.path("items").forEach(c -> seen.add(c.path("label").asString()));
            cursor = page.path("next").asString("");
        } while (!cursor.isEmpty());
        return seen;
    }

    @Test
    @Order(2)
    void beforeAnythingIsGivenOutEverythingWaitsAndNothingHasDrifted() {
        var overview = choir.get("/api/v1/overview").body();
        assertThat(overview.path("waiting").asInt()).isEqualTo(20);
        assertThat(overview.path("drifted").asInt()).isZero();
        assertThat(overview.path("inTune").asInt()).isZero();
        assertThat(choir.choir("status").out()).contains("20 waiting to be given out");
        assertThat(choir.choir("finding", "list").out()).contains("nothing is out of tune as of the last audit");
        assertThat(choir.choir("audit", "run", "recorder:hall-1").out()).contains("never tuned");
    }

    @Test
    @Order(3)
    void aRolloutInWavesIsUndoneFromTheCommandLine() {
        var started = choir.choir("rollout", "start", "recorder:haldr-1", "--waves", "2", "--yes");
        assertThat(started.out()).contains("16 verified");
        var steps = choir.choir("rollout", "list").out();
        var id = steps.lines().skip(1).findFirst().orElseThrow().split(" ")[0];
        var shown = choir.choir("rollout", "show", id, "--format", "csv").out();
        assertThat(shown.lines().filter(l -> l.contains(",1,verified,"))).hasSize(2);
        assertThat(shown.lines().filter(l -> l.contains(",2,verified,"))).hasSize(14);
        var folded = choir.choir("rollout", "show", id).out();
        assertThat(folded).contains("verified, 16 cameras", "haldr-1/01 haldr-1/02 haldr-1/03 and 13 more");
        assertThat(choir.choir("rollout", "show", id, "--all").out().lines()).hasSize(18);
        assertThat(choir.choir("rollout", "undo", id, "--yes").out())
                .contains("16 verified")
                .contains("put back are waiting now");
        assertThat(choir.panel("haldr-1")).doesNotContain("sensitivity 60");
        assertThat(choir.choir("rollout", "start", "recorder:haldr-1", "--yes").out())
                .contains("16 verified");
        assertThat(choir.choir("rollout", "start", "recorder:haldr-1", "--yes").out())
                .contains("nothing to change");
    }

    @Test
    @Order(4)
    void aRolloutIsNotStartedWithoutAYes() {
        var before = choir.everythingStored();
        var said = choir.choir("rollout", "start", "recorder:hall-1");
        assertThat(said.exitCode()).isEqualTo(1);
        assertThat(said.errors()).contains("nothing was given out; say --yes");
        assertThat(choir.panel("hall-1")).contains("writes 0");
        assertThat(choir.everythingStored().replaceAll("(?m)^preview.*\n", ""))
                .isEqualTo(before.replaceAll("(?m)^preview.*\n", ""));
    }

    @Test
    @Order(5)
    void anOverrideIsTakenBackAndATemplateNoLongerUsed() {
        choir.choir("set", "haldr-1/05", "motion.sensitivity=20", "--because", "spray", "--until", "2037-01-01");
        assertThat(choir.choir("explain", "haldr-1/05", "motion.sensitivity").out())
                .contains("Sensitivity  20");
        assertThat(choir.choir("camera", "list", "state:waiting", "recorder:haldr-1")
                        .out())
                .contains("haldr-1/05");
        assertThat(choir.choir("unset", "haldr-1/05", "motion.sensitivity").exitCode())
                .isZero();
        assertThat(choir.choir("unset", "haldr-1/05", "motion.sensitivity").errors())
                .contains("haldr-1/05 does not override motion.sensitivity");
        assertThat(choir.choir("explain", "haldr-1/05", "motion.sensitivity").out())
                .contains("Sensitivity  60");
        assertThat(choir.choir("unuse", "house", "--on", "fleet").exitCode()).isZero();
        assertThat(choir.choir("camera", "list", "state:not-governed", "--format", "csv")
                        .out()
                        .lines())
                .hasSize(21);
        assertThat(choir.choir("unuse", "house", "--on", "fleet").errors()).contains("fleet does not use \"house\"");
        choir.choir("use", "house", "--on", "fleet");
    }

    @Test
    @Order(6)
    void anOverridePastItsEndCountsNoMore() {
        choir.choir("set", "haldr-1/06", "motion.sensitivity=20", "--because", "a show", "--until", "2020-01-01");
        assertThat(choir.choir("explain", "haldr-1/06", "motion.sensitivity").out())
                .contains("Sensitivity  60");
    }

    @Test
    @Order(7)
    void whatIsFixedAboveBindsBelowAndTheAttemptIsAFinding() {
        choir.load("template: law\nrecording: {keep-at-most: 30d}\nfixed: [recording.keep-at-most]\n---\n"
                + "group: fleet\nuse: [law, house]\n");
        choir.choir("set", "haldr-1/07", "recording.keep-at-most=90d", "--because", "I want to");
        assertThat(choir.choir("explain", "haldr-1/07").out())
                .contains("Keep at most  30d  (fixed)")
                .contains("blocked  recording.keep-at-most of the override at haldr-1/07: fixed by the template law");
        choir.choir("audit", "run", "camera:haldr-1/07");
        assertThat(choir.openSentences())
                .anySatisfy(s -> assertThat(s)
                        .contains("What the override at haldr-1/07 says")
                        .contains("no effect"));
        var blocked = choir.choir("finding", "list", "camera:haldr-1/07", "--format", "csv")
                .out();
        var id = blocked.lines()
                .filter(l -> l.contains("no effect"))
                .findFirst()
                .orElseThrow()
                .split(",")[0];
        assertThat(choir.choir("finding", "reapply", id).errors())
                .contains("is not about a value that can be given out");
    }

    @Test
    @Order(8)
    void theJournalTellsWhoDidWhatAndCannotBeChanged() {
        var entries = choir.get("/api/v1/journal?limit=1000").body();
        assertThat(entries.toString())
                .contains("added a recorder")
                .contains("used a template")
                .contains("because spray")
                .contains("\"who\":\"ada\"");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> choir.execute("DELETE FROM journal"))
                .hasStackTraceContaining("append-only");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> choir.execute("UPDATE journal SET who = 'nobody'"))
                .hasStackTraceContaining("append-only");
    }

    @Test
    @Order(9)
    void tokensAreListedWithoutTheirTextAndRevoked() {
        var made = choir.post(
                        "/api/v1/session/token",
                        Map.of("user", Ensemble.ADMIN, "password", Ensemble.PASSWORD, "label", "old laptop"))
                .body()
                .path("token")
                .asString();
        var listed = choir.choir("token", "list").out();
        assertThat(listed).contains("old laptop").doesNotContain(made);
        var id = listed.lines()
                .filter(l -> l.contains("old laptop"))
                .findFirst()
                .orElseThrow()
                .split(" ")[0];
        assertThat(choir.choir("token", "revoke", id).exitCode()).isZero();
        assertThat(choir.choir("token", "revoke", id).errors()).contains("you have no token " + id);
        var request = java.net.http.HttpRequest.newBuilder(choir.address().resolve("/api/v1/recorders"))
                .header("Authorization", "Bearer " + made)
                .build();
        assertThat(choir.exchange(request).statusCode()).isEqualTo(401);
    }

    @Test
    @Order(10)
    void aWrongPasswordOfARecorderIsToldAndMendedFromTheCommandLine() {
        choir.choir("recorder", "password", "hall-1", "--user", "choir", "--password-file=" + choir.file("guessed"));
        var read = choir.choir("recorder", "read", "hall-1");
        assertThat(read.exitCode()).isEqualTo(5);
        assertThat(read.out()).contains("does not take the user name and password of \"choir\"");
        assertThat(choir.choir("recorder", "list").out()).contains("does not take the user name and password");
        choir.choir(
                "recorder",
                "password",
                "hall-1",
                "--user",
                "choir",
                "--password-file=" + choir.file("secret-of-hall-1"));
        assertThat(choir.choir("recorder", "read", "hall-1").out()).contains("read 1 recorder");
    }

    @Test
    @Order(11)
    void aRecorderIsForgottenWithItsCameras() {
        assertThat(choir.choir("recorder", "remove", "hall-1").errors()).contains("nothing was removed; say --yes");
        assertThat(choir.choir("recorder", "remove", "hall-1", "--yes").exitCode())
                .isZero();
        assertThat(choir.choir("camera", "list", "--format", "csv").out()).doesNotContain("hall-1");
        assertThat(choir.choir("recorder", "show", "hall-1").errors()).contains("there is no recorder \"hall-1\"");
    }

    @Test
    @Order(12)
    void helpIsThereForCommandsAndForWhatTheyShare() {
        assertThat(choir.choir("help").out()).contains("selections, weeks, special-days, exit-codes");
        assertThat(choir.choir("help", "weeks").out()).contains("fri-mon 22:00-04:00 motion");
        assertThat(choir.choir("help", "rollout").out()).contains("undo");
        assertThat(choir.choir("rollout", "start", "--help").out()).contains("--may-fail");
        assertThat(choir.choir("help", "nothing").exitCode()).isEqualTo(2);
        assertThat(choir.choir("statsu").errors()).contains("takes no ").contains("status");
    }
}
