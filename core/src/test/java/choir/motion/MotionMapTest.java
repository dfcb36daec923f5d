package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class MotionMapTest {
    private static final int WIDTH = 64;
    private static final int HEIGHT = 36;

    private static Picture square(int x, int y) {
        byte[] luminance = new byte[WIDTH * HEIGHT];
        Arrays.fill(luminance, (byte) 60);
        for (int row = y; row < Math.min(HEIGHT, y + 4); row++) {
            Arrays.fill(luminance, row * WIDTH + x, row * WIDTH + Math.min(WIDTH, x + 4), (byte) 220);
        }
        return new Picture(WIDTH, HEIGHT, luminance);
    }

    @Test
    void eachCellCountsThePicturesInWhichItMovedThere() {
        var map = new MotionMap(WIDTH, HEIGHT, 16, 9);
        map.take(square(0, 0));
        for (int column = 1; column < 16; column++) {
            map.take(square(column * 4, 16));
        }
        assertThat(map.pictures()).isEqualTo(15);
        int[] moved = map.moved();
        for (int column = 1; column < 16; column++) {
            assertThat(moved[4 * 16 + column]).as("column " + column).isPositive();
        }
        assertThat(Arrays.stream(moved, 5 * 16, 9 * 16).sum()).isZero();
        assertThat(moved[8]).isZero();
    }

    @Test
    void whatStandsStillMovesNowhereAndAfterAGapNothingIsCompared() {
        var map = new MotionMap(WIDTH, HEIGHT, 16, 9);
        for (int i = 0; i < 5; i++) {
            map.take(square(20, 20));
        }
        map.begin();
        map.take(square(40, 8));
        map.take(square(40, 8));
        assertThat(map.pictures()).isEqualTo(5);
        assertThat(map.moved()).containsOnly(0);
    }

    @Test
    void cellsWithoutPixelsAndPicturesOfAnotherSizeAreRefused() {
        assertThatThrownBy(() -> new MotionMap(8, 8, 16, 9)).isInstanceOf(IllegalArgumentException.class);
        var map = new MotionMap(8, 8, 4, 4);
        assertThatThrownBy(() -> map.take(square(0, 0))).isInstanceOf(IllegalArgumentException.class);
    }
}
