package choir.motion;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against the plain formulas, to the bit. */
class SideBySideTest {
    @ParameterizedTest
    @ValueSource(ints = {1, 7, 8, 9, 64, 160 * 90, 16_384 + 5, 40_000})
    void differencesAndMeansAreThoseOfThePlainFormula(int pixels) {
        var random = new Random(pixels);
        int[] mean = new int[pixels];
        long[] even = new long[SideBySide.longs(pixels)];
        long[] odd = new long[even.length];
        long[] out = new long[even.length];
        byte[] first = new byte[pixels];
        random.nextBytes(first);
        SideBySide.begin(first, even, odd);
        for (int i = 0; i < pixels; i++) {
            mean[i] = (first[i] & 0xFF) << 8;
        }
        for (int n = 0; n < 60; n++) {
            byte[] picture = new byte[pixels];
            switch (n % 12) {
                // For long enough that the mean comes to its very ends.
                case 0, 1, 2, 3 -> Arrays.fill(picture, (byte) (n % 24 < 12 ? 255 : 0));
                default -> random.nextBytes(picture);
            }
            byte[] expected = new byte[pixels];
            for (int i = 0; i < pixels; i++) {
                int p = picture[i] & 0xFF;
                expected[i] = (byte) Math.abs(p - ((mean[i] + 128) >> 8));
                mean[i] += ((p << 8) - mean[i]) >> 3;
            }
            byte[] found = SideBySide.deltas(picture, even, odd, out);
            assertThat(found).isEqualTo(expected);
            int step = 1 + random.nextInt(255);
            int counting = 0;
            int apart = 0;
            for (int i = 0; i < pixels; i++) {
                counting += (expected[i] & 0xFF) >= step ? 1 : 0;
                apart += Math.abs((picture[i] & 0xFF) - (first[i] & 0xFF)) >= step ? 1 : 0;
            }
            assertThat(SideBySide.atLeast(found, step)).isEqualTo(counting);
            assertThat(SideBySide.apart(picture, first, step)).isEqualTo(apart);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 127, 128, 255})
    void everyDifferenceOfTwoPixelsIsCountedFromItsStepOn(int step) {
        for (int p = 0; p < 256; p++) {
            byte[] one = new byte[256];
            byte[] other = new byte[256];
            Arrays.fill(one, (byte) p);
            for (int q = 0; q < 256; q++) {
                other[q] = (byte) q;
            }
            int wanted = 0;
            for (int q = 0; q < 256; q++) {
                wanted += Math.abs(p - q) >= step ? 1 : 0;
            }
            assertThat(SideBySide.apart(one, other, step)).isEqualTo(wanted);
        }
    }
}
