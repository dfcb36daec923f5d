package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SizesTest {
    @ParameterizedTest
    @CsvSource({
        "0, 0 MB",
        "1060864, 1.06 MB",
        "999400000, 999 MB",
        "999600000, 1 GB",
        "123400000000, 123 GB",
        "8e12, 8 TB",
        "7.34e12, 7.34 TB",
        "1e16, '10,000 TB'"
    })
    void hasThreeDigitsAtMost(double bytes, String words) {
        assertThat(Sizes.words(bytes)).isEqualTo(words);
    }
}
