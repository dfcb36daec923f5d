package choir.server.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.server.TestService;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What is planned is done once each time, and what is not done is told. */
class PlansTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start("--choir.plan-tick=1h");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private JsonNode plan(long id) {
        return service.get("/api/v1/plans")
                .body()
                .valueStream()
                .filter(p -> p.path("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    private long add(String cron, String select) {
        var answer = service.post("/api/v1/plans", Map.of("kind", "audit", "cron", cron, "select", select));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(201);
        return answer.body().path("id").asLong();
    }

    /** As if its time had come that long ago. */
    private void due(long id, Duration ago) {
        var store = service.bean(PlanStore.class);
        store.moveOn(store.get(id), Optional.of(Instant.now().minus(ago)));
    }

    private int audits() {
        return service.get("/api/v1/audits").body().size();
    }

    private void tick() {
        service.bean(Plans.class).tick();
    }

    @Test
    void everythingIsAuditedEachNightUnlessSomebodyDecidesOtherwise() {
        var plan = service.get("/api/v1/plans").body().path(0);
        assertThat(plan.path("words").asString()).isEqualTo("at 02:20");
        assertThat(plan.path("next")).hasSize(3);
        assertThat(plan.path("next").path(0).asString()).endsWith("T02:20:00Z");
        var other = service.get("/api/v1/plans").body().path(1);
        assertThat(other.path("kind").asString()).isEqualTo("activity");
        var backup = service.get("/api/v1/plans").body().path(2);
        assertThat(backup.path("kind").asString()).isEqualTo("backup");
        for (var one : java.util.List.of(plan, other, backup)) {
            var gone = service.send("DELETE", "/api/v1/plans/" + one.path("id").asLong(), null);
            assertThat(gone.status()).isEqualTo(204);
        }
        assertThat(service.get("/api/v1/plans").body()).isEmpty();
    }

    @Test
    void aBackupIsMadeWhenItsTimeComesAndIsPlannedByThoseWhoMayMakeOne() {
        long id = service.get("/api/v1/plans").body().path(2).path("id").asLong();
        due(id, Duration.ofMinutes(1));
        tick();
        service.awaitIdle();
        assertThat(service.get("/api/v1/backups").body()).hasSize(1);
        assertThat(plan(id).has("trouble")).isFalse();
        service.as("edda", "editor", () -> {
            var refused = service.post("/api/v1/plans", Map.of("kind", "backup", "cron", "0 4 * * *"));
            assertThat(refused.status()).isEqualTo(403);
            assertThat(service.send("DELETE", "/api/v1/plans/" + id, null).status())
                    .isEqualTo(403);
            assertThat(service.post("/api/v1/plans", Map.of("kind", "audit", "cron", "0 4 * * *"))
                            .status())
                    .isEqualTo(201);
        });
    }

    @Test
    void itIsDoneWhenItIsDueAndOnlyOnce() {
        service.added("r1").channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read();
        long id = add("0 3 * * *", "recorder:r1");
        tick();
        assertThat(audits()).as("it is not due").isZero();
        due(id, Duration.ofSeconds(5));
        tick();
        tick();
        assertThat(audits()).isEqualTo(1);
        long work = plan(id).path("lastWork").asLong();
        service.get("/api/v1/works/" + work + "/progress");
        assertThat(service.get("/api/v1/works/" + work).body().path("who").asString())
                .isEqualTo("ada");
        assertThat(plan(id).has("trouble")).isFalse();
    }

    @Test
    void whatCannotBeDoneIsTold() {
        long id = add("0 3 * * *", "recorder:nobody");
        tick();
        due(id, Duration.ofSeconds(5));
        tick();
        assertThat(plan(id).path("trouble").asString()).contains("no camera is selected by \"recorder:nobody\"");
        assertThat(audits()).isZero();
    }

    @Test
    void theNextOneWaitsForTheOneThatStillGoesOn() throws Exception {
        var fake = service.added("r1")
                .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read();
        long id = add("0 3 * * *", "");
        tick();
        var hold = new CountDownLatch(1);
        fake.beforeRead = () -> {
            try {
                hold.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        };
        due(id, Duration.ofSeconds(5));
        tick();
        due(id, Duration.ofSeconds(5));
        tick();
        assertThat(plan(id).path("trouble").asString()).contains("still goes on");
        assertThat(audits()).isEqualTo(1);
        hold.countDown();
        service.get("/api/v1/works/" + plan(id).path("lastWork").asLong() + "/progress");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "never", "60 2 * * *", "* * *", "0 0 * * mon-fru", "@reboot"})
    void whatIsNoTimeIsRefusedInWords(String cron) {
        var answer = service.post("/api/v1/plans", Map.of("kind", "audit", "cron", cron));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains("expected minute, hour, day of month");
    }

    @Test
    void aTimeThatNeverComesIsRefused() {
        assertThat(service.post("/api/v1/plans", Map.of("kind", "audit", "cron", "0 0 30 2 *"))
                        .detail())
                .contains("never comes");
        assertThat(service.post("/api/v1/plans", Map.of("kind", "dance", "cron", "0 0 * * *"))
                        .status())
                .isEqualTo(400);
        assertThat(service.post("/api/v1/plans", Map.of("kind", "audit", "cron", "0 0 * * *", "select", "state:odd"))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void daylightSavingIsMadeUpForAndCountsOnce() {
        var zone = ZoneId.of("Atlantic/Faroe");
        var nightly = new Timing("30 1 * * *");
        // On 28 March 2027 the clock goes from 01:00 to 02:00, so there is no 01:30.
        assertThat(nightly.after(Instant.parse("2027-03-27T12:00:00Z"), zone).orElseThrow())
                .isEqualTo(Instant.parse("2027-03-28T01:30:00Z"));
        // On 31 October 2027 it goes from 02:00 back to 01:00, so there are two.
        var first = nightly.after(Instant.parse("2027-10-30T12:00:00Z"), zone).orElseThrow();
        var second = nightly.after(first, zone).orElseThrow();
        assertThat(first).isEqualTo(Instant.parse("2027-10-31T00:30:00Z"));
        assertThat(second).isEqualTo(Instant.parse("2027-11-01T01:30:00Z"));
        // Looked at within the hour that comes again, what is still to come on the wall comes.
        assertThat(new Timing("50 1 * * *").after(Instant.parse("2027-10-31T01:20:00Z"), zone))
                .contains(Instant.parse("2027-10-31T01:50:00Z"));
    }

    @Test
    void aTimingSaysWhatIsWrong() {
        assertThatThrownBy(() -> new Timing("0 25 * * *"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("0 25 * * *");
    }

    private Map<String, Object> report(String mail) {
        return Map.of("kind", "report", "cron", "0 6 1 * *", "select", "", "days", 7, "mail", mail);
    }

    @Test
    void aReportIsMadeKeptAndMailed() throws Exception {
        var caught = new com.icegreen.greenmail.util.GreenMail(
                new com.icegreen.greenmail.util.ServerSetup(0, "127.0.0.1", "smtp"));
        caught.start();
        try {
            service.close();
            service = TestService.start(
                    "--choir.plan-tick=1h",
                    "--choir.mail.host=127.0.0.1",
                    "--choir.mail.port=" + caught.getSmtp().getPort());
            service.added("r1").channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
            service.read();
            long id = service.post("/api/v1/plans", report("auditor@skerry-line.example"))
                    .body()
                    .path("id")
                    .asLong();
            due(id, Duration.ofSeconds(5));
            tick();
            long work = plan(id).path("lastWork").asLong();
            service.get("/api/v1/works/" + work + "/progress");
            assertThat(service.get("/api/v1/works/" + work).body().path("note").asString())
                    .contains(", and by mail to auditor@skerry-line.example");
            var kept = service.get("/api/v1/reports").body();
            assertThat(kept).hasSize(1);
            var name = kept.path(0).path("name").asString();
            var yesterday = java.time.LocalDate.now(java.time.ZoneOffset.UTC).minusDays(1);
            assertThat(name)
                    .isEqualTo("choir-report-" + yesterday.minusDays(6) + "-" + yesterday + "-" + work + ".pdf");
            var file = service.get("/api/v1/reports/" + name);
            assertThat(file.whole().headers().firstValue("Content-Type")).contains("application/pdf");
            assertThat(file.whole().body()).startsWith("%PDF");
            assertThat(caught.waitForIncomingEmail(30_000, 1)).isTrue();
            var mail = caught.getReceivedMessages()[0];
            assertThat(mail.getSubject()).contains(yesterday.toString());
            assertThat(com.icegreen.greenmail.util.GreenMailUtil.getBody(mail)).contains(name);
            // What was asked for once more is another file; nothing else of the folder can be had.
            assertThat(service.get("/api/v1/reports/..%2Fchoir.db").status()).isIn(400, 404);
            assertThat(service.get("/api/v1/reports/choir-report-x.pdf").status())
                    .isEqualTo(404);
        } finally {
            caught.stop();
        }
    }

    @Test
    void aReportThatMakesNoSenseIsRefused() {
        assertThat(service.post("/api/v1/plans", report("nobody at all")).detail())
                .contains("is no mail address");
        assertThat(service.post("/api/v1/plans", Map.of("kind", "report", "cron", "0 6 1 * *", "days", 0))
                        .detail())
                .contains("1 to 731 days");
        assertThat(service.post("/api/v1/plans", Map.of("kind", "party", "cron", "0 6 1 * *"))
                        .detail())
                .contains("audit, report, activity, backup or export");
    }
}
