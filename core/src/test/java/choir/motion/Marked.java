package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;

import choir.motion.Mark.Kind;
import choir.motion.MotionEvents.Level;
import choir.motion.Trial.Setting;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/** Pictures, levels and marks that tests make, two pictures a second. */
final class Marked {
    private Marked() {}

    static final Instant BEGIN = Instant.parse("2027-01-14T21:00:00Z");
    static final int WIDTH = 160;
    static final int HEIGHT = 80;

    static Instant at(double seconds) {
        return BEGIN.plusMillis(Math.round(seconds * 1000));
    }

    static Setting setting(double threshold, double onDelay) {
        return new Setting(
                new Step.Fixed(11),
                threshold,
                Duration.ofMillis(Math.round(onDelay * 1000)),
                Duration.ofSeconds(1),
                Duration.ofSeconds(2),
                Duration.ofSeconds(3));
    }

    /** Two a second. */
    static List<Level> levels(double... values) {
        return IntStream.range(0, values.length)
                .mapToObj(i -> new Level(at(i / 2.0), values[i]))
                .toList();
    }

    static Mark wanted(double from, double until, String word) {
        return new Mark(Kind.WANTED, at(from), at(until), word);
    }

    static Mark unwanted(double from, double until, String word) {
        return new Mark(Kind.UNWANTED, at(from), at(until), word);
    }

    /** A scene of its own making: what is where at each half second. */
    static Pass pass(int pictures, Scene scene) {
        var taking = new Pass.Taking(WIDTH, HEIGHT, 1L << 28);
        for (int i = 0; i < pictures; i++) {
            byte[] luminance = new byte[WIDTH * HEIGHT];
            Arrays.fill(luminance, (byte) 100);
            scene.paint(i, luminance);
            assertThat(taking.take(at(i / 2.0), new Picture(WIDTH, HEIGHT, luminance)))
                    .isTrue();
        }
        return taking.taken();
    }

    interface Scene {
        void paint(int number, byte[] luminance);
    }

    static void square(byte[] luminance, int left, int top, int side, int value) {
        for (int y = top; y < top + side; y++) {
            for (int x = Math.max(0, left); x < Math.min(WIDTH, left + side); x++) {
                luminance[y * WIDTH + x] = (byte) value;
            }
        }
    }

    static BitSet whole() {
        var all = new BitSet();
        all.set(0, WIDTH * HEIGHT);
        return all;
    }

    /** Swell on the left, half of the time strong; somebody far away on the right, twice. */
    static Pass quay() {
        return pass(120, (i, picture) -> {
            if (i < 60) {
                for (int n = 0; n < 30; n++) {
                    int left = (n * 37 + i * 11) % 56;
                    square(picture, left, (n * 29 + i * 7) % 76, 4, 118);
                }
            }
            if (i >= 80 && i < 84) {
                square(picture, 90 + 8 * (i - 80), 30, 6, 150);
            }
            if (i >= 100 && i < 104) {
                square(picture, 90 + 8 * (i - 100), 30, 10, 150);
            }
        });
    }
}
