package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.Vectors;
import choir.motion.MotionEvents.Event;
import choir.motion.MotionEvents.Level;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

class MotionTest {
    static Stream<Arguments> levels() {
        return Vectors.cases("motion-levels.json");
    }

    @ParameterizedTest
    @MethodSource("levels")
    void countsWhatTheSlowMethodCounts(int number, JsonNode given) {
        int width = given.path("width").asInt();
        int height = given.path("height").asInt();
        var watched = new BitSet();
        for (int row = 0; row < height; row++) {
            var line = given.path("watched").get(row).asString();
            for (int column = 0; column < width; column++) {
                watched.set(row * width + column, line.charAt(column) == '#');
            }
        }
        var reference = new Reference(width, height);
        int picture = 0;
        for (var hex : given.path("pictures")) {
            var differences = reference
                    .next(new Picture(width, height, HexFormat.of().parseHex(hex.asString())), List.of(watched))
                    .getFirst();
            assertThat(differences.watched()).isEqualTo(given.path("of").asInt());
            for (var sensitivity : given.path("counts").propertyNames()) {
                assertThat(differences.counting(new Sensitivity(Integer.parseInt(sensitivity))))
                        .as("case %d, picture %d, sensitivity %s", number, picture, sensitivity)
                        .isEqualTo(given.path("counts")
                                .path(sensitivity)
                                .get(picture)
                                .asInt());
            }
            picture++;
        }
    }

    @ParameterizedTest
    @CsvSource({"100, 2", "75, 5", "50, 11", "25, 27", "0, 64"})
    void stepsAreAsTheModelStatesThem(int sensitivity, int step) {
        assertThat(new Sensitivity(sensitivity).step()).isEqualTo(step);
    }

    @Test
    void moreSensitiveNeverCountsLess() {
        for (int s = 1; s <= Sensitivity.MOST; s++) {
            assertThat(new Sensitivity(s).step()).isLessThanOrEqualTo(new Sensitivity(s - 1).step());
        }
        assertThatThrownBy(() -> new Sensitivity(101)).hasMessageContaining("0 to 100");
    }

    private static Picture square(int at) {
        byte[] luminance = new byte[40 * 30];
        for (int row = 10; row < 14; row++) {
            for (int column = at; column < at + 4; column++) {
                luminance[row * 40 + column] = (byte) 200;
            }
        }
        return new Picture(40, 30, luminance);
    }

    @Test
    void aSquareThatMovesByItsOwnWidthHasExactlyThatLevel() {
        var all = new BitSet();
        all.set(0, 1200);
        var half = new BitSet();
        half.set(0, 600);
        var reference = new Reference(40, 30);
        assertThat(reference.next(square(5), List.of(all)).getFirst().level(new Sensitivity(50)))
                .as("the first picture differs from nothing")
                .isZero();
        var moved = reference.next(square(9), List.of(all, half, new BitSet()));
        assertThat(moved.getFirst().counting(new Sensitivity(50))).isEqualTo(32);
        assertThat(moved.getFirst().level(new Sensitivity(50))).isEqualTo(32 / 1200.0);
        assertThat(moved.get(1).level(new Sensitivity(50))).isEqualTo(32 / 600.0);
        assertThat(moved.get(2).level(new Sensitivity(50)))
                .as("nothing is watched")
                .isZero();
    }

    @Test
    void aPictureOfAnotherSizeIsAnotherFootage() {
        var reference = new Reference(40, 30);
        assertThatThrownBy(() -> reference.next(new Picture(30, 40, new byte[1200]), List.of()))
                .hasMessageContaining("30 by 40 pixels after ones of 40 by 30");
        assertThatThrownBy(() -> new Picture(4, 4, new byte[15])).hasMessageContaining("15 values for 4 by 4");
    }

    static Stream<Arguments> events() {
        return Vectors.cases("motion-events.json");
    }

    @ParameterizedTest
    @MethodSource("events")
    void beginsAndEndsWhenTheSlowMethodSays(int number, JsonNode given) {
        List<Level> levels = new ArrayList<>();
        for (int i = 0; i < given.path("atMs").size(); i++) {
            levels.add(new Level(
                    Instant.ofEpochMilli(given.path("atMs").get(i).asLong()),
                    given.path("levelPercent").get(i).asDouble() / 100));
        }
        List<Event> expected = new ArrayList<>();
        for (var event : given.path("events")) {
            expected.add(new Event(
                    Instant.ofEpochMilli(event.get(0).asLong()),
                    event.get(1).isNull()
                            ? Optional.empty()
                            : Optional.of(Instant.ofEpochMilli(event.get(1).asLong()))));
        }
        assertThat(MotionEvents.of(
                        levels,
                        given.path("thresholdPercent").asDouble() / 100,
                        Duration.ofMillis(given.path("onDelayMs").asLong()),
                        Duration.ofMillis(given.path("offDelayMs").asLong())))
                .as("case %d", number)
                .isEqualTo(expected);
    }

    @Test
    void instantsThatGoBackAreRefused() {
        var back = List.of(new Level(Instant.ofEpochMilli(5), 0), new Level(Instant.ofEpochMilli(4), 0));
        assertThatThrownBy(() -> MotionEvents.of(back, 0.1, Duration.ZERO, Duration.ZERO))
                .hasMessageContaining("go back");
        assertThatThrownBy(() -> MotionEvents.of(List.of(), 0.1, Duration.ofMillis(-1), Duration.ZERO))
                .hasMessageContaining("not negative");
    }
}
