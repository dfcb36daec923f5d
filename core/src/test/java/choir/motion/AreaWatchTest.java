package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;

class AreaWatchTest {
    private static final int WIDTH = 80;
    private static final int HEIGHT = 48;
    private static final Instant BEGIN = Instant.parse("2027-01-14T06:00:00Z");

    private static BitSet area(int x, int y, int width, int height) {
        var pixels = new BitSet();
        for (int row = y; row < y + height; row++) {
            pixels.set(row * WIDTH + x, row * WIDTH + x + width);
        }
        return pixels;
    }

    /** Grain, and a bright square of 8 by 8 where one is wanted. */
    private static Picture picture(Random grain, Optional<int[]> square) {
        byte[] luminance = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < luminance.length; i++) {
            luminance[i] = (byte) (100 + grain.nextInt(5));
        }
        square.ifPresent(at -> {
            for (int y = at[1]; y < at[1] + 8; y++) {
                Arrays.fill(luminance, y * WIDTH + at[0], y * WIDTH + at[0] + 8, (byte) 200);
            }
        });
        return new Picture(WIDTH, HEIGHT, luminance);
    }

    private static List<AreaWatch.Seen> seen(AreaWatch watch, int seconds, IntFunction<int[]> where) {
        var grain = new Random(7);
        List<AreaWatch.Seen> all = new ArrayList<>();
        for (int s = 0; s < seconds; s++) {
            watch.take(BEGIN.plusSeconds(s), picture(grain, Optional.ofNullable(where.apply(s))))
                    .ifPresent(all::add);
        }
        watch.end().ifPresent(all::add);
        return all;
    }

    @Test
    void whatCrossesTheAreaIsToldOnceWithThePictureInWhichTheMostMoved() {
        var watch = new AreaWatch(WIDTH, HEIGHT, area(30, 10, 20, 20), 0.05);
        var found = seen(watch, 60, s -> s >= 20 && s < 30 ? new int[] {(s - 20) * 8, 16} : null);
        assertThat(found).hasSize(1);
        var one = found.getFirst();
        // It is at 24 to 32 first, and at 40 to 48 last of which enough is within it.
        assertThat(one.from()).isEqualTo(BEGIN.plusSeconds(24));
        assertThat(one.until()).isEqualTo(BEGIN.plusSeconds(26));
        assertThat(one.strongest()).isBetween(BEGIN.plusSeconds(24), BEGIN.plusSeconds(26));
        assertThat(one.share()).isCloseTo(2 * 64.0 / 400, within(0.08));
        assertThat(one.picture()
                        .luminance()[
                        20 * WIDTH + 8 * (int) (one.strongest().getEpochSecond() - BEGIN.getEpochSecond() - 20) + 4])
                .isEqualTo((byte) 200);
    }

    @Test
    void whatMovesBesideTheAreaIsNotTold() {
        var watch = new AreaWatch(WIDTH, HEIGHT, area(30, 10, 20, 20), 0.05);
        assertThat(seen(watch, 60, s -> s >= 20 && s < 30 ? new int[] {(s - 20) * 7, 36} : null))
                .isEmpty();
    }

    @Test
    void whatComesBackAfterAWhileIsAnother() {
        var watch = new AreaWatch(WIDTH, HEIGHT, area(30, 10, 20, 20), 0.05);
        var found = seen(watch, 120, s -> s % 40 == 20 ? new int[] {34, 14} : null);
        assertThat(found)
                .extracting(AreaWatch.Seen::from)
                .containsExactly(BEGIN.plusSeconds(20), BEGIN.plusSeconds(60), BEGIN.plusSeconds(100));
    }

    @Test
    void whatMovesAllTheTimeIsNotToldButWhatIsMoreThanThatIs() {
        var watch = new AreaWatch(WIDTH, HEIGHT, area(0, 0, WIDTH, HEIGHT), 0.005);
        var rain = new Random(3);
        // Of a drop, 64 of 3,840 pixels; somebody is as large as three of them, in one picture of a hundred.
        var found = new ArrayList<AreaWatch.Seen>();
        for (int s = 0; s < 300; s++) {
            var drop = picture(new Random(s), Optional.of(new int[] {rain.nextInt(70), rain.nextInt(14)}));
            if (s == 200) {
                for (int y = 24; y < 44; y++) {
                    Arrays.fill(drop.luminance(), y * WIDTH + 10, y * WIDTH + 40, (byte) 10);
                }
            }
            watch.take(BEGIN.plusSeconds(s), drop).ifPresent(found::add);
        }
        assertThat(found)
                .filteredOn(f -> f.from().isAfter(BEGIN.plusSeconds(30)))
                .extracting(AreaWatch.Seen::strongest)
                .containsExactly(BEGIN.plusSeconds(200));
    }

    @Test
    void afterAGapNothingIsComparedWithWhatWasBefore() {
        var watch = new AreaWatch(WIDTH, HEIGHT, area(0, 0, WIDTH, HEIGHT), 0.01);
        var grain = new Random(1);
        watch.take(BEGIN, picture(grain, Optional.empty()));
        assertThat(watch.end()).isEmpty();
        watch.take(BEGIN.plusSeconds(900), picture(grain, Optional.of(new int[] {10, 10})));
        assertThat(watch.end()).isEmpty();
    }

    @Test
    void anAreaWithoutPixelsAndAShareOfNothingAreRefused() {
        assertThatThrownBy(() -> new AreaWatch(WIDTH, HEIGHT, new BitSet(), 0.05))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AreaWatch(WIDTH, HEIGHT, area(0, 0, 4, 4), 0))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AreaWatch(WIDTH, HEIGHT, area(0, HEIGHT, 1, 1), 0.5))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
