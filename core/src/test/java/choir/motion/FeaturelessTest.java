package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.function.IntBinaryOperator;
import org.junit.jupiter.api.Test;

class FeaturelessTest {
    private static final int WIDTH = 160;
    private static final int HEIGHT = 90;

    private static Picture picture(IntBinaryOperator luminance) {
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(luminance.applyAsInt(i % WIDTH, i / WIDTH), 0, 255);
        }
        return new Picture(WIDTH, HEIGHT, values);
    }

    @Test
    void aFlatPictureIsOneWithGrainAndALineOfTextAsWell() {
        var grain = new Random(1);
        assertThat(Featureless.is(picture((x, y) -> 16))).isTrue();
        assertThat(Featureless.is(picture((x, y) -> 200))).isTrue();
        assertThat(Featureless.is(picture((x, y) -> y < 8 && x < 80 ? 240 : 20 + (int) (2 * grain.nextGaussian()))))
                .isTrue();
    }

    @Test
    void aDarkSceneWithALampAndASlopeOfLightAreNone() {
        assertThat(Featureless.is(picture((x, y) -> (x - 80) * (x - 80) + (y - 45) * (y - 45) < 900 ? 90 : 12)))
                .isFalse();
        assertThat(Featureless.is(picture((x, y) -> 20 + x / 4))).isFalse();
        assertThat(Featureless.is(picture((x, y) -> y < 45 ? 60 : 140))).isFalse();
    }
}
