package choir.server.rollout;

import static org.assertj.core.api.Assertions.assertThat;

import choir.drift.Cause;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.link.LinkException;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.StepState;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.standing.Standings;
import choir.server.work.Task;
import choir.server.work.Works;
import choir.week.WeekText;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** One recorder's turn as a table: what it holds and does, and what becomes of each step. */
class RecorderTurnTest {
    private static TestService service;
    private static int recorders;
    private String name;
    private RecorderTurn.End end;
    private FakeRecorders.Fake fake;

    @BeforeAll
    static void start() {
        service = TestService.start();
        service.load("""
                template: house
                motion: {sensitivity: 70}
                recording: {week: [daily: motion]}
                ---
                group: fleet
                use: [house]
                """);
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static NativeConfig factory() {
        return new NativeConfig(Map.of(
                Catalogue.SENSITIVITY,
                NativeValue.number(50),
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of("daily continuous")))));
    }

    @BeforeEach
    void recorder() {
        name = "r" + ++recorders;
        fake = service.added(name)
                .channel("01", factory())
                .channel("02", factory())
                .channel("Kanal 3/a", factory());
        service.read(name);
    }

    private long planned() {
        var steps = service.bean(StepStore.class);
        var fleet = service.bean(FleetStore.class);
        return service.bean(Database.class).write(() -> {
            long work = service.bean(Works.class)
                    .add(
                            new Task.Rollout(
                                    "", choir.rollout.Waves.first(100, 100), Duration.ZERO, Optional.empty(), false),
                            "ada");
            var now = service.bean(Standings.class).ofRecorder(name);
            for (var camera : fleet.camerasOf(name)) {
                steps.add(work, 1, camera, Previews.changes(now.get(camera.camera()), java.util.Set.of()));
            }
            return work;
        });
    }

    private void take(long rollout, boolean undo) {
        end = service.bean(RecorderTurn.class).take(name, rollout, 1, undo);
    }

    private Map<String, String> states(long rollout) {
        Map<String, String> states = new TreeMap<>();
        service.bean(StepStore.class)
                .of(rollout)
                .forEach(s -> states.put(s.channel(), s.state() + (s.detail().isEmpty() ? "" : ": " + s.detail())));
        return states;
    }

    private Optional<NativeValue> baseline(String channel, SettingKey key) {
        return service.bean(Standings.class)
                .of(new Node.Camera(new RecorderName(name), channel))
                .baseline()
                .get(key);
    }

    private void journalled(long rollout, String channel, StepState state) {
        service.bean(Database.class)
                .write(() -> service.bean(Database.class)
                        .change("UPDATE rollout_step SET state = :state WHERE rollout = :id AND channel = :channel")
                        .param("state", state.name())
                        .param("id", rollout)
                        .param("channel", channel)
                        .update());
    }

    @Test
    void whatTookIsVerifiedAndBecomesTheBaseline() {
        long rollout = planned();
        take(rollout, false);
        assertThat(states(rollout).values()).containsOnly("VERIFIED");
        assertThat(baseline("Kanal 3/a", Catalogue.SENSITIVITY)).contains(NativeValue.number(70));
        assertThat(fake.written).hasSize(6);
    }

    @Test
    void aRecorderThatIsAwayIsForAnotherTryAndNothingIsWritten() {
        long rollout = planned();
        fake.goAway();
        take(rollout, false);
        assertThat(end).isEqualTo(new RecorderTurn.End.Again(name + " cannot be reached"));
        assertThat(states(rollout).values()).containsOnly("PLANNED");
        assertThat(fake.written).isEmpty();
    }

    @Test
    void aRecorderThatWasRemovedKeepsItsStepsWithTheReason() {
        long rollout = planned();
        assertThat(service.send("DELETE", "/api/v1/recorders/" + name, null, "If-Match", "*")
                        .status())
                .isEqualTo(204);
        take(rollout, false);
        assertThat(states(rollout)).hasSize(3);
        assertThat(states(rollout).values()).containsOnly("FAILED: the recorder " + name + " was removed");
    }

    @Test
    void aChannelThatIsGoneFailsAloneAndTheOthersAreWritten() {
        long rollout = planned();
        fake.held.remove("02");
        take(rollout, false);
        assertThat(states(rollout))
                .containsEntry("01", "VERIFIED")
                .containsEntry("02", "FAILED: the recorder has no channel 02 any more")
                .containsEntry("Kanal 3/a", "VERIFIED");
    }

    @Test
    void whatMovedAtTheRecorderOrInThePolicySincePreviewIsSkipped() {
        long rollout = planned();
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(33));
        service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:" + name + "/02",
                        "set",
                        Map.of("motion.sensitivity", "20"),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        take(rollout, false);
        var states = states(rollout);
        assertThat(states.get("01")).startsWith("SKIPPED: moved: the recorder holds something else");
        assertThat(states.get("02")).startsWith("SKIPPED: moved: the policy asks for something else");
        assertThat(states).containsEntry("Kanal 3/a", "VERIFIED");
        assertThat(fake.held.get("01").get(Catalogue.SENSITIVITY)).contains(NativeValue.number(33));
    }

    @Test
    void aValueThatIsForgottenIsMismatchedAndRememberedAsTried() {
        long rollout = planned();
        fake.forgetting.add(Catalogue.SENSITIVITY);
        take(rollout, false);
        assertThat(states(rollout).get("01"))
                .startsWith("MISMATCHED: motion.sensitivity did not take: wrote 70, reads back 50");
        assertThat(baseline("01", Catalogue.SENSITIVITY)).isEmpty();
        assertThat(baseline("01", Catalogue.WEEK)).isPresent();
    }

    @Test
    void aRefusedWriteThatChangedNothingFailsWithTheRecordersWords() {
        long rollout = planned();
        fake.refusing.add("02");
        take(rollout, false);
        assertThat(states(rollout))
                .containsEntry("02", "FAILED: nothing was changed: " + name + " refused it")
                .containsEntry("01", "VERIFIED");
    }

    @Test
    void whatACrashLeftBeingWrittenIsSettledByReadingAndNeverWrittenTwice() {
        long rollout = planned();
        List.of("01", "02", "Kanal 3/a").forEach(c -> journalled(rollout, c, StepState.WRITING));
        // The first had taken effect, of the second nothing had left, of the third a part.
        var done = Map.of(Catalogue.SENSITIVITY, NativeValue.number(70), Catalogue.WEEK, (NativeValue)
                new NativeValue.Hours(WeekText.parse(List.of("daily motion"))));
        done.forEach((key, value) -> fake.turn("01", key, value));
        fake.turn("Kanal 3/a", Catalogue.SENSITIVITY, NativeValue.number(70));
        take(rollout, false);
        var states = states(rollout);
        assertThat(states).containsEntry("01", "VERIFIED: settled by a later reading");
        assertThat(states).containsEntry("02", "VERIFIED");
        assertThat(states.get("Kanal 3/a")).startsWith("MISMATCHED: recording.week may have been sent");
        assertThat(fake.written).allMatch(w -> w.startsWith("02 "));
        assertThat(baseline("01", Catalogue.SENSITIVITY)).contains(NativeValue.number(70));
    }

    @Test
    void undoPutsBackWhatWasThereWhateverThePolicySays() {
        var rollout = service.giveOut("recorder:" + name);
        assertThat(fake.held.get("01").get(Catalogue.SENSITIVITY)).contains(NativeValue.number(70));
        var undone = service.finish(
                service.post("/api/v1/rollouts/" + rollout.path("id").asLong() + "/undo", Map.of()));
        assertThat(states(undone.path("id").asLong()).values()).containsOnly("VERIFIED");
        assertThat(fake.held.get("01").get(Catalogue.SENSITIVITY)).contains(NativeValue.number(50));
    }

    @Test
    void nobodyElseSpeaksToTheRecorderInTheMiddleOfATurn() throws InterruptedException {
        long rollout = planned();
        var order = new java.util.concurrent.ConcurrentLinkedQueue<String>();
        var reader = Thread.ofPlatform().unstarted(() -> service.read(name));
        fake.beforeWrite = () -> {
            order.add("write");
            fake.beforeRead = () -> order.add("read");
            reader.start();
        };
        take(rollout, false);
        reader.join();
        // The reading that was asked for in the middle comes after the one that reads back.
        assertThat(order).containsExactly("write", "read", "read");
        assertThat(states(rollout).values()).containsOnly("VERIFIED");
    }

    @Test
    void aWrongPasswordIsNotTriedAgain() {
        long rollout = planned();
        fake.away =
                Optional.of(new LinkException(LinkException.Reason.NOT_AUTHORIZED, name + " takes no such password"));
        take(rollout, false);
        assertThat(end).isInstanceOf(RecorderTurn.End.Through.class);
        assertThat(states(rollout).values()).containsOnly("FAILED: not reached: " + name + " takes no such password");
    }

    @Test
    void whoeverChangesSomethingBetweenTwoWritesIsNotWrittenOver() {
        long rollout = planned();
        fake.beforeChannel = channel -> {
            if (channel.equals("02")) {
                fake.turn("02", Catalogue.SENSITIVITY, NativeValue.number(33));
            }
        };
        take(rollout, false);
        assertThat(states(rollout).get("02")).startsWith("SKIPPED: moved: the recorder holds something else");
        assertThat(states(rollout)).containsEntry("01", "VERIFIED").containsEntry("Kanal 3/a", "VERIFIED");
        assertThat(fake.held.get("02").get(Catalogue.SENSITIVITY)).contains(NativeValue.number(33));
    }

    /** The first channel's week is the call that is never answered; nothing of the others leaves. */
    private long brokenOffAtTheFirstWeek() {
        long rollout = planned();
        fake.breakingAt.add(Catalogue.WEEK);
        take(rollout, false);
        assertThat(end).isInstanceOf(RecorderTurn.End.Again.class);
        assertThat(states(rollout).get("01")).startsWith("UNSETTLED: not read back: " + name);
        assertThat(states(rollout).get("02")).startsWith("PLANNED");
        fake.breakingAt.clear();
        return rollout;
    }

    @Test
    void aStepThatMayHaveGoneOutIsSettledByTheNextReadingWhoeverAsksForIt() {
        long rollout = brokenOffAtTheFirstWeek();
        fake.goAway();
        service.read(name);
        assertThat(states(rollout).get("01")).startsWith("UNSETTLED");
        fake.comeBack();
        service.read(name);
        assertThat(states(rollout).get("01"))
                .startsWith("MISMATCHED: recording.week did not take: wrote daily motion, reads back daily continuous");
        assertThat(baseline("01", Catalogue.SENSITIVITY)).contains(NativeValue.number(70));
        assertThat(baseline("01", Catalogue.WEEK)).isEmpty();
        take(rollout, false);
        assertThat(states(rollout)).containsEntry("02", "VERIFIED").containsEntry("Kanal 3/a", "VERIFIED");
        assertThat(fake.written).filteredOn(w -> w.startsWith("01 ")).hasSize(2);
    }

    @Test
    void whatTookAndWasNotReadBackIsVerifiedLaterAndAPolicyThatCameAfterIsWaiting() {
        long rollout = planned();
        fake.afterWrite = fake::goAway;
        take(rollout, false);
        assertThat(states(rollout).values()).allMatch(s -> s.startsWith("UNSETTLED"));
        service.load("camera: " + name + "/01\nset: {motion.sensitivity: 20}\nbecause: later\n");
        fake.comeBack();
        service.read(name);
        assertThat(states(rollout).values()).allMatch(s -> s.startsWith("VERIFIED: "));
        var standing = service.bean(Standings.class).of(new Node.Camera(new RecorderName(name), "01"));
        assertThat(standing.deviation(Catalogue.SENSITIVITY).orElseThrow().cause())
                .isEqualTo(Cause.WAITING);
    }

    @Test
    void aSettingThatIsNotShownWhenItIsReadBackStaysUnsettled() {
        long rollout = planned();
        var whole = fake.held.get("01");
        fake.afterWrite =
                () -> fake.channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(70))));
        take(rollout, false);
        assertThat(states(rollout).get("01")).startsWith("UNSETTLED: recording.week was not shown");
        fake.channel(
                "01",
                whole.with(Map.of(
                        Catalogue.SENSITIVITY,
                        NativeValue.number(70),
                        Catalogue.WEEK,
                        new NativeValue.Hours(WeekText.parse(List.of("daily motion"))))));
        service.read(name);
        assertThat(states(rollout).get("01")).startsWith("VERIFIED");
    }

    @Test
    void whatAnotherDeviceHoldsDoesNotSettleWhatMayHaveBeenWrittenToTheOldOne() {
        long rollout = planned();
        fake.afterWrite = fake::goAway;
        take(rollout, false);
        fake.serial = "another";
        fake.comeBack();
        service.read(name);
        assertThat(states(rollout).values()).allMatch(s -> s.startsWith("UNSETTLED"));
        service.finish(service.send("POST", "/api/v1/recorders/" + name + "/replacement", Map.of(), "If-Match", "*"));
        assertThat(states(rollout).values()).allMatch(s -> s.startsWith("FAILED: another device took its place"));
    }

    @Test
    void aRecorderThatIsAddedAgainUnderTheOldNameDoesNotSettleTheOldSteps() {
        long rollout = planned();
        fake.afterWrite = fake::goAway;
        take(rollout, false);
        service.send("DELETE", "/api/v1/recorders/" + name, null, "If-Match", "*");
        fake = service.added(name).channel("01", factory());
        service.read(name);
        assertThat(states(rollout).values()).allMatch(s -> s.startsWith("FAILED: the recorder was removed before"));
    }
}
