package choir.motion;

import static choir.motion.Marked.HEIGHT;
import static choir.motion.Marked.WIDTH;
import static choir.motion.Marked.at;
import static choir.motion.Marked.pass;
import static choir.motion.Marked.quay;
import static choir.motion.Marked.square;
import static org.assertj.core.api.Assertions.assertThat;

import choir.motion.Oddity.Kind;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class OddityTest {
    @Test
    void aSceneWithPeopleAndSwellHasNone() {
        assertThat(quay().oddities()).isEmpty();
    }

    @Test
    void blackPicturesAreSaidForAsLongAsTheyAre() {
        var pass = pass(80, (i, picture) -> {
            grain(i, picture);
            if (i >= 20 && i < 60) {
                Arrays.fill(picture, (byte) 3);
            }
        });
        assertThat(pass.oddities())
                .filteredOn(o -> o.kind() == Kind.BLACK)
                .containsExactly(new Oddity(Kind.BLACK, at(10), at(30)));
        var until = pass(60, (i, picture) -> Arrays.fill(picture, (byte) 0));
        assertThat(until.oddities()).contains(new Oddity(Kind.BLACK, at(0), at(29.5)));
        // A few of them are a change of the light, and not worth a word.
        assertThat(pass(60, (i, picture) -> {
                            grain(i, picture);
                            if (i > 20 && i < 30) {
                                Arrays.fill(picture, (byte) 0);
                            }
                        })
                        .oddities())
                .isEmpty();
    }

    @Test
    void aCameraThatWasTurnedIsToldFromAVehicleThatFillsThePicture() {
        var turned = pass(80, (i, picture) -> {
            grain(i, picture);
            for (int stripe = 0; stripe < 8; stripe++) {
                square(picture, i < 40 ? 20 * stripe : 20 * stripe + 10, 0, HEIGHT, 100);
                for (int y = 0; y < HEIGHT; y++) {
                    int left = i < 40 ? 20 * stripe : 20 * stripe + 10;
                    Arrays.fill(
                            picture, y * WIDTH + left, Math.min(y * WIDTH + WIDTH, y * WIDTH + left + 10), (byte) 180);
                }
            }
        });
        assertThat(turned.oddities()).containsExactly(new Oddity(Kind.MOVED, at(20), at(20)));
        var passing = pass(80, (i, picture) -> {
            grain(i, picture);
            if (i >= 40 && i < 44) {
                Arrays.fill(picture, (byte) 200);
            }
        });
        assertThat(passing.oddities()).isEmpty();
    }

    @Test
    void aTimeWithoutPicturesIsSaid() {
        var taking = new Pass.Taking(WIDTH, HEIGHT, 1L << 28);
        for (int i = 0; i < 20; i++) {
            byte[] picture = new byte[WIDTH * HEIGHT];
            grain(i, picture);
            taking.take(at(i < 10 ? i : i + 30), new Picture(WIDTH, HEIGHT, picture));
        }
        assertThat(taking.taken().oddities()).containsExactly(new Oddity(Kind.GAP, at(9), at(40)));
    }

    @Test
    void picturesOfWhichNoneIsAnotherAreSaidToBeStill() {
        assertThat(pass(60, (i, picture) -> {}).oddities()).containsExactly(new Oddity(Kind.STILL, at(0), at(29.5)));
        assertThat(pass(60, OddityTest::grain).oddities()).isEmpty();
    }

    /** No camera gives the same picture twice. */
    private static void grain(int number, byte[] picture) {
        var random = new Random(number);
        for (int i = 0; i < picture.length; i++) {
            picture[i] = (byte) (100 + random.nextInt(7));
        }
    }
}
