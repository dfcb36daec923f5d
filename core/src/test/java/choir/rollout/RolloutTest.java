package choir.rollout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RolloutTest {
    private static final Map<choir.policy.SettingKey, Change> CHANGES = Map.of(
            Catalogue.SENSITIVITY,
            new Change(
                    Optional.of(new NativeValue.Single(NativeScalar.read("50"))),
                    new NativeValue.Single(NativeScalar.read("60"))),
            Catalogue.DETECTION,
            new Change(Optional.of(new NativeValue.Flag(false)), new NativeValue.Flag(true)));

    @ParameterizedTest
    @CsvSource({"60,true,VERIFIED", "50,false,PLANNED", "60,false,MISMATCHED", "55,true,MISMATCHED"})
    void aStepFoundInWritingIsSettledByReading(String sensitivity, boolean detection, StepState state) {
        var observed = new NativeConfig(Map.of(
                Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read(sensitivity)),
                Catalogue.DETECTION, new NativeValue.Flag(detection)));
        assertThat(Settlement.afterCrash(CHANGES, observed)).isEqualTo(state);
    }

    @Test
    void settledStepsNeverMoveAgain() {
        Map<StepState, Set<StepState>> may = Map.of(
                StepState.PLANNED, Set.of(StepState.WRITING, StepState.SKIPPED, StepState.FAILED),
                StepState.WRITING,
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

    @Test
    void wavesHoldEveryUnitOnce() {
        assertThat(new Waves(3, 0).of(List.of(1, 2, 3, 4, 5))).containsExactly(List.of(1, 2, 3), List.of(4, 5));
        assertThat(new Waves(3, 0).of(List.of(1, 2))).containsExactly(List.of(1, 2));
        assertThat(new Waves(3, 0).of(List.of())).isEmpty();
    }

    @Test
    void aLimitThatMakesNoSenseCannotBeStored() {
        assertThatThrownBy(() -> new Waves(0, 0)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Waves(1, 101)).isInstanceOf(Refusal.class);
        assertThat(new Waves(3, 0).mayGoOn(3, 1)).isFalse();
        assertThat(new Waves(3, 34).mayGoOn(3, 1)).isTrue();
    }
}
