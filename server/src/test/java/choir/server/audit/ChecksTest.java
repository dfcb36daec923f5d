package choir.server.audit;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.week.WeekText;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What audits say beyond drift. */
class ChecksTest {
    private TestService service;
    private FakeRecorders.Fake fake;
    private FakeRecorders.Fake other;

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(int sensitivity, int after) {
        return new NativeConfig(Map.of(
                Catalogue.SENSITIVITY,
                NativeValue.number(sensitivity),
                Catalogue.THRESHOLD,
                NativeValue.number(20),
                Catalogue.AFTER_EVENT,
                NativeValue.number(after)));
    }

    @Test
    void aValueFarFromItsPeersIsSaidUntilAPolicySpeaksOfIt() {
        for (int i = 1; i <= 6; i++) {
            fake.channel("0" + i, config(i == 6 ? 95 : 40 + i, 10));
        }
        service.read();
        service.audit();
        assertThat(service.findings())
                .containsExactly(
                        "r1/06: It is 95 here, and 43.5 in the middle of its 6 peers (same group and family); no policy says why.");
        // Read again by itself it stays, since its peers are looked at by audits.
        service.read("r1");
        assertThat(service.findings()).hasSize(1);

        service.load("camera: r1/06\nset: {motion.sensitivity: 95}\nbecause: a dark yard\n");
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @Test
    void anAuditOfOneCameraAloneComparesItWithAllItsPeers() {
        peersOverTwoRecorders();
        service.finish(service.post("/api/v1/audits", Map.of("select", "camera:r2/03")));
        assertThat(service.findings()).singleElement().asString().startsWith("r2/03: It is 95 here");
        service.finish(service.post("/api/v1/audits", Map.of("select", "camera:r2/03")));
        assertThat(service.findings()).hasSize(1);
    }

    @Test
    void wherePeersCouldNotBeReadNobodyCanTellAndItStays() {
        peersOverTwoRecorders();
        service.audit();
        assertThat(service.findings()).hasSize(1);
        fake.goAway();
        service.audit();
        assertThat(service.findings()).anySatisfy(f -> assertThat(f).startsWith("r2/03: It is 95 here"));
        fake.comeBack();
        other.turn("03", Catalogue.SENSITIVITY, NativeValue.number(41));
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    private void peersOverTwoRecorders() {
        other = service.added("r2");
        for (int i = 1; i <= 3; i++) {
            fake.channel("0" + i, config(40 + i, 10));
            other.channel("0" + i, config(i == 3 ? 95 : 40 + i, 10));
        }
        service.read();
    }

    @Test
    void ofFewerThanFiveNothingIsSaid() {
        for (int i = 1; i <= 4; i++) {
            fake.channel("0" + i, config(i == 4 ? 95 : 40, 10));
        }
        service.read();
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @Test
    void aResetIsOneFindingOfTheRecorderAndNotOneForEachSetting() {
        service.load("""
                template: house
                motion: {sensitivity: 70, threshold: 10%}
                ---
                group: fleet
                use: [house]
                """);
        fake.channel("01", config(50, 10)).channel("02", config(50, 10));
        service.read();
        service.giveOut("");
        service.audit();
        assertThat(service.findings()).isEmpty();
        for (var channel : List.of("01", "02")) {
            fake.turn(channel, Catalogue.SENSITIVITY, NativeValue.number(50));
        }
        service.audit();
        // Two values might be a person at the panel.
        assertThat(service.findings()).hasSize(2).allSatisfy(f -> assertThat(f).startsWith("r1/0"));

        for (var channel : List.of("01", "02")) {
            fake.turn(channel, Catalogue.THRESHOLD, NativeValue.number(20));
        }
        service.audit();
        assertThat(service.findings())
                .singleElement()
                .asString()
                .startsWith("r1: All 2 cameras of the recorder hold factory values again");

        service.giveOut("");
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @Test
    void hoursInWhichNothingIsRecordedAndBuffersThatAreTooShortAreSaid() {
        service.load("""
                template: house
                recording: {week: [daily: motion, sun 02:00-06:00: none], before-event: 60s}
                motion: {detection: on}
                ---
                group: fleet
                use: [house]
                """);
        fake.channel("01", config(50, 10));
        service.read();
        service.audit();
        assertThat(service.findings())
                .contains("r1/01: The policy records nothing during 4 h of the week.")
                .contains("r1/01: The policy asks for more than the recorder can keep; before event: asked 60s, the"
                        + " recorder takes at most 30.");
    }

    @Test
    void aCameraWithoutAStoreRecordsNothing() {
        fake.channel(
                "01",
                new NativeConfig(Map.of(
                        Catalogue.STORE,
                        NativeValue.word("none"),
                        Catalogue.WEEK,
                        new NativeValue.Hours(WeekText.parse(List.of("daily continuous"))))));
        service.read();
        service.audit();
        assertThat(service.findings())
                .containsExactly(
                        "r1/01: The recorder has no store for this camera, so it records nothing at any hour.");
    }
}
