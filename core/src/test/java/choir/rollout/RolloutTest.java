package choir.rollout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RolloutTest {
    private static final Map<choir.policy.SettingKey, Change> CHANGES = Map.of(
            Catalogue.SENSITIVITY,
            new Change(
                    Optional.of(new NativeValue.Single(NativeScalar.read("50"))),
                    new NativeValue.Single(NativeScalar.read("60"))),
            Catalogue.DETECTION,
            new Change(Optional.of(new NativeValue.Flag(false)), new NativeValue.Flag(true)));

    private static NativeConfig held(String sensitivity, String detection) {
        Map<choir.policy.SettingKey, NativeValue> values = new HashMap<>();
        if (!sensitivity.equals("-")) {
            values.put(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read(sensitivity)));
        }
        if (!detection.equals("-")) {
            values.put(Catalogue.DETECTION, new NativeValue.Flag(detection.equals("on")));
        }
        return new NativeConfig(values);
    }

    /** {@code ?}: nobody knows what was sent, as after a crash. */
    private static Optional<Set<choir.policy.SettingKey>> sent(String which) {
        return switch (which) {
            case "?" -> Optional.empty();
            case "none" -> Optional.of(Set.of());
            case "sensitivity" -> Optional.of(Set.of(Catalogue.SENSITIVITY));
            default -> Optional.of(CHANGES.keySet());
        };
    }

    /** From 50 and off to 60 and on. */
    @ParameterizedTest
    @CsvSource({
        "?, 60, on, VERIFIED, TOOK, TOOK",
        "?, 50, off, PLANNED, LEFT_OPEN, LEFT_OPEN",
        "?, 60, off, MISMATCHED, TOOK, LEFT_OPEN",
        "?, 55, on, MISMATCHED, LEFT_OPEN, TOOK",
        "?, -, on, UNSETTLED, NOT_SHOWN, TOOK",
        "all, 60, on, VERIFIED, TOOK, TOOK",
        "all, 50, off, MISMATCHED, DID_NOT_TAKE, DID_NOT_TAKE",
        "all, 55, on, MISMATCHED, DID_NOT_TAKE, TOOK",
        "all, 60, -, UNSETTLED, TOOK, NOT_SHOWN",
        "sensitivity, 60, off, MISMATCHED, TOOK, NOT_SENT",
        "sensitivity, 50, off, MISMATCHED, DID_NOT_TAKE, NOT_SENT",
        "sensitivity, 60, -, MISMATCHED, TOOK, NOT_SENT",
        "sensitivity, 60, on, VERIFIED, TOOK, TOOK",
        "none, 50, off, PLANNED, NOT_SENT, NOT_SENT",
        "none, 55, off, MISMATCHED, NOT_SENT, NOT_SENT",
        "none, -, off, MISMATCHED, NOT_SENT, NOT_SENT",
    })
    void aReadingTellsWhatBecameOfAStep(
            String sent, String sensitivity, String detection, StepState state, Fate first, Fate second) {
        var settlement = Settlement.of(CHANGES, sent(sent), held(sensitivity, detection));
        assertThat(settlement.state()).isEqualTo(state);
        assertThat(settlement.results().get(Catalogue.SENSITIVITY).fate()).isEqualTo(first);
        assertThat(settlement.results().get(Catalogue.DETECTION).fate()).isEqualTo(second);
    }

    /** Undo puts back what differs from before, from what is there and not from what was meant to be. */
    @ParameterizedTest
    @CsvSource({
        "VERIFIED, 60, on, 60>50, on>off",
        "MISMATCHED, 60, off, 60>50, ''",
        "MISMATCHED, 55, off, 55>50, ''",
        "MISMATCHED, 50, off, '', ''",
        "FAILED, 50, on, '', on>off",
        "UNSETTLED, -, -, 60>50, on>off",
        "SKIPPED, 60, on, '', ''",
        "PLANNED, 60, on, '', ''",
    })
    void undoPutsBackWhatDiffers(StepState state, String sensitivity, String detection, String first, String second) {
        var results = state == StepState.UNSETTLED
                ? Map.<choir.policy.SettingKey, Settlement.Result>of()
                : Settlement.of(CHANGES, sent("all"), held(sensitivity, detection))
                        .results();
        var back = Undo.of(CHANGES, state, results);
        assertThat(words(back.get(Catalogue.SENSITIVITY))).isEqualTo(first);
        assertThat(words(back.get(Catalogue.DETECTION))).isEqualTo(second);
    }

    private static String words(@org.jspecify.annotations.Nullable Change change) {
        return change == null ? "" : NativeText.of(change.before().orElseThrow()) + ">" + NativeText.of(change.after());
    }

    @Test
    void whatTheRecorderHadNotShownCannotBePutBack() {
        Map<choir.policy.SettingKey, Change> changes =
                Map.of(Catalogue.DETECTION, new Change(Optional.empty(), new NativeValue.Flag(true)));
        assertThat(Undo.of(changes, StepState.VERIFIED, Map.of())).isEmpty();
        // And when it still does not show it, nobody can say that it did not take for want of a reading.
        assertThat(Settlement.of(changes, Optional.of(changes.keySet()), NativeConfig.EMPTY)
                        .state())
                .isEqualTo(StepState.MISMATCHED);
    }

    @Test
    void settledStepsNeverMoveAgain() {
        Map<StepState, Set<StepState>> may = Map.of(
                StepState.PLANNED,
                Set.of(StepState.WRITING, StepState.SKIPPED, StepState.FAILED),
                StepState.WRITING,
                Set.of(
                        StepState.UNSETTLED,
                        StepState.VERIFIED,
                        StepState.MISMATCHED,
                        StepState.FAILED,
                        StepState.PLANNED,
                        StepState.SKIPPED),
                StepState.UNSETTLED,
                Set.of(StepState.VERIFIED, StepState.MISMATCHED, StepState.FAILED, StepState.PLANNED));
        for (var state : StepState.values()) {
            var next = may.getOrDefault(state, Set.of());
            assertThat(StepState.values())
                    .filteredOn(state::mayBecome)
                    .as(state.name())
                    .containsExactlyInAnyOrderElementsOf(next);
            assertThat(state.isSettled()).as(state.name()).isEqualTo(next.isEmpty());
        }
    }

    /** Verified, mismatched, failed, skipped, unsettled; and the share that may fail. */
    @ParameterizedTest
    @CsvSource({
        "3, 0, 0, 0, 0, 0, ''",
        "2, 0, 1, 0, 0, 0, 1 of 3 cameras failed",
        "2, 0, 1, 0, 0, 34, ''",
        "2, 1, 0, 0, 0, 33, 1 of 3 cameras failed",
        "2, 0, 0, 1, 0, 0, ''",
        "2, 0, 0, 0, 1, 0, 1 of 3 cameras could not be read back",
        "0, 0, 0, 3, 0, 100, not one of 3 cameras was verified",
        "0, 0, 0, 1, 0, 0, not one of 1 camera was verified",
        "0, 0, 0, 0, 3, 100, not one of 3 cameras was verified",
        "0, 0, 0, 2, 1, 100, not one of 3 cameras was verified",
        "0, 0, 3, 0, 0, 100, ''",
        "0, 0, 2, 0, 1, 0, 3 of 3 cameras failed or could not be read",
    })
    void theNextWaveStartsOnlyAfterOneThatWasSeenToBeWell(
            int verified, int mismatched, int failed, int skipped, int unsettled, int mayFail, String stop) {
        Map<StepState, Integer> counts = new EnumMap<>(StepState.class);
        counts.put(StepState.VERIFIED, verified);
        counts.put(StepState.MISMATCHED, mismatched);
        counts.put(StepState.FAILED, failed);
        counts.put(StepState.SKIPPED, skipped);
        counts.put(StepState.UNSETTLED, unsettled);
        var decision = Waves.first(3, mayFail).after(counts);
        assertThat(decision instanceof Waves.Decision.Stop(var why) ? why : "").isEqualTo(stop);
    }

    @Test
    void whoIsAwayIsTriedSoonAndThenAtGrowingIntervals() {
        var start = Instant.parse("2027-03-01T22:00:00Z");
        assertThat(List.of(1, 2, 3, 4, 9, 10, 60))
                .extracting(tries -> Retry.after(tries).toSeconds())
                .containsExactly(1L, 2L, 4L, 8L, 256L, 300L, 300L);
        var deadline = start.plusSeconds(5);
        assertThat(Retry.next(start, 1, deadline)).isEqualTo(start.plusSeconds(1));
        assertThat(Retry.next(start, 4, deadline)).isEqualTo(deadline);
    }

    @Test
    void wavesHoldEveryUnitOnce() {
        assertThat(Waves.first(3, 0).of(List.of(1, 2, 3, 4, 5))).containsExactly(List.of(1, 2, 3), List.of(4, 5));
        assertThat(Waves.first(3, 0).of(List.of(1, 2))).containsExactly(List.of(1, 2));
        assertThat(Waves.first(3, 0).of(List.of())).isEmpty();
    }

    @Test
    void aLimitThatMakesNoSenseCannotBeStored() {
        assertThatThrownBy(() -> Waves.first(0, 0)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Waves.first(1, 101)).isInstanceOf(Refusal.class);
    }

    @Test
    void wavesMayBeSharesOfAllAndNoUnitIsLost() {
        var ten = List.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10);
        assertThat(waves("1", "25%").of(ten)).extracting(List::size).containsExactly(1, 3, 6);
        assertThat(waves("1%").of(ten)).extracting(List::size).containsExactly(1, 9);
        assertThat(waves("100%", "5").of(ten)).containsExactly(ten);
        for (int all = 0; all < 60; all++) {
            var units = java.util.stream.IntStream.range(0, all).boxed().toList();
            var cut = waves("2", "7%", "50%", "9999999").of(units);
            assertThat(cut.stream().flatMap(List::stream)).containsExactlyElementsOf(units);
            assertThat(cut).noneMatch(List::isEmpty);
        }
    }

    private static Waves waves(String... parts) {
        return new Waves(java.util.Arrays.stream(parts).map(Waves.Part::parse).toList(), 0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "0", "0%", "101%", "-3", "three", "3.5", "12345678", "%"})
    void aWaveThatIsNoneIsRefused(String text) {
        assertThatThrownBy(() -> Waves.Part.parse(text)).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @CsvSource({
        // In the hours, before them, after them; over midnight; over both changes of the clock in the Faroes.
        "08:00-17:00, 2027-01-12T08:00:00Z, 2027-01-12T08:00:00Z",
        "08:00-17:00, 2027-01-12T16:59:59Z, 2027-01-12T16:59:59Z",
        "08:00-17:00, 2027-01-12T17:00:00Z, 2027-01-13T08:00:00Z",
        "22:00-05:00, 2027-01-12T04:59:00Z, 2027-01-12T04:59:00Z",
        "22:00-05:00, 2027-01-12T05:00:00Z, 2027-01-12T22:00:00Z",
        "22:00-24:00, 2027-01-12T00:00:00Z, 2027-01-12T22:00:00Z",
        "01:30-03:00, 2027-03-28T00:10:00Z, 2027-03-28T01:30:00Z",
        "01:30-03:00, 2027-10-30T23:50:00Z, 2027-10-31T00:30:00Z",
        "02:00-03:00, 2027-10-31T00:30:00Z, 2027-10-31T02:00:00Z",
    })
    void hoursBeginOnTheWallClockOfTheRecorder(String hours, Instant moment, Instant open) {
        assertThat(Hours.parse(hours).open(moment, java.time.ZoneId.of("Atlantic/Faroe")))
                .isEqualTo(open);
        assertThat(Hours.parse(hours).toString()).isEqualTo(hours);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "22-05", "22:00", "25:00-26:00", "24:00-05:00", "05:00-05:00", "00:00-24:00"})
    void hoursThatAreNoneAreRefused(String text) {
        assertThatThrownBy(() -> Hours.parse(text)).isInstanceOf(Refusal.class);
    }
}
