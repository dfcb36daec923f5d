package choir.scale;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.Vectors;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

class ScaleTest {
    static Stream<Arguments> cases() {
        return Vectors.cases("scales.json");
    }

    @ParameterizedTest
    @MethodSource("cases")
    void mapsAsTheReferenceDoes(int number, JsonNode given) {
        var scale = scale(given);
        var neutral = new Sensitivity(given.get("neutral").decimalValue());
        assertThat(scale.toNative(neutral)).hasToString(given.get("native").asString());
    }

    @ParameterizedTest
    @MethodSource("cases")
    void nativeToNeutralMapsBack(int number, JsonNode given) {
        var scale = scale(given);
        var value = NativeScalar.read(given.get("native").asString());
        assertThat(scale.toNative(scale.toNeutral(value))).isEqualTo(value);
    }

    private static SensitivityScale scale(JsonNode given) {
        if (given.has("words")) {
            List<String> words = new ArrayList<>();
            given.get("words").forEach(w -> words.add(w.asString()));
            return new SensitivityScale.Words(words);
        }
        var direction = given.get("direction").asString().equals("up") ? Direction.UP : Direction.DOWN;
        return new SensitivityScale.Numbers(
                given.get("min").asInt(),
                given.get("max").asInt(),
                given.get("step").asInt(),
                direction);
    }

    @Test
    void halfWayGoesToTheMoreSensitiveSide() {
        assertThat(new SensitivityScale.Numbers(1, 6, 1, Direction.UP).toNative(Sensitivity.of(50)))
                .hasToString("4");
        assertThat(new SensitivityScale.Numbers(1, 6, 1, Direction.DOWN).toNative(Sensitivity.of(50)))
                .hasToString("3");
    }

    @Test
    void moreSensitiveIsNeverLessSensitiveNatively() {
        var down = new SensitivityScale.Numbers(0, 255, 5, Direction.DOWN);
        int before = 255;
        for (double neutral = 0; neutral <= 100; neutral += 0.25) {
            int now = Integer.parseInt(down.toNative(Sensitivity.of(neutral)).toString());
            assertThat(now).isLessThanOrEqualTo(before);
            before = now;
        }
    }

    @Test
    void neutralHasTheFewestDigits() {
        assertThat(new SensitivityScale.Numbers(0, 255, 1, Direction.DOWN).toNeutral(NativeScalar.of(51)))
                .hasToString("80");
        assertThat(new SensitivityScale.Words(List.of("low", "medium", "high"))
                        .toNeutral(new NativeScalar.Word("medium")))
                .hasToString("50");
    }

    @Test
    void aStepDownOnAReversedScaleIsMoreSensitive() {
        var down = new SensitivityScale.Numbers(0, 255, 1, Direction.DOWN);
        assertThat(down.stepsTowardsSensitive(NativeScalar.of(51), NativeScalar.of(49)))
                .isEqualTo(2);
    }

    @Test
    void aThresholdIsNeverWrittenAsZero() {
        var cells = new CountScale(1, 396);
        assertThat(cells.toNative(Threshold.ofPercent(0.01), 396)).isEqualTo(1);
        assertThat(cells.toNative(Threshold.ofPercent(100), 396)).isEqualTo(396);
    }

    @Test
    void aThresholdHalfWayReactsSooner() {
        assertThat(new CountScale(1, 396).toNative(Threshold.ofPercent(2.5), 100))
                .isEqualTo(2);
    }

    @Test
    void everyCountMapsBackFromItsThreshold() {
        var cells = new CountScale(1, 396);
        for (int watched : new int[] {7, 100, 396}) {
            for (int count = 1; count <= watched; count++) {
                assertThat(cells.toNative(cells.toNeutral(count, watched), watched))
                        .isEqualTo(count);
            }
        }
    }

    @Test
    void refusesSensitivityBeyondTheScale() {
        assertThatThrownBy(() -> Sensitivity.of(100.5)).hasMessageContaining("0 to 100");
        assertThatThrownBy(() -> Threshold.ofPercent(0)).hasMessageContaining("above 0%");
    }
}
