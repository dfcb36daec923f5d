package choir.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.random.RandomGenerator;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class NaturalOrderTest {
    private static final Pattern PIECES = Pattern.compile("\\d+|\\D");

    @Test
    void numbersStandByHowMuchTheyAre() {
        assertThat(sorted("quay-10/1", "quay-2/11", "Quay-2/9", "quay-1", "pier"))
                .containsExactly("pier", "quay-1", "Quay-2/9", "quay-2/11", "quay-10/1");
    }

    @Test
    void numbersOfAnyLengthAreCompared() {
        var long9 = "9".repeat(400);
        var long10 = "1" + "0".repeat(400);
        assertThat(sorted(long10, long9, "2")).containsExactly("2", long9, long10);
    }

    @Test
    void onlyEqualTextsAreEqual() {
        assertThat(NaturalOrder.BY_NAME.compare("a01", "a1")).isNotZero();
        assertThat(NaturalOrder.BY_NAME.compare("A", "a")).isNotZero();
        assertThat(NaturalOrder.BY_NAME.compare("", "")).isZero();
        assertThat(NaturalOrder.BY_NAME.compare("", "a")).isNegative();
    }

    @Test
    void isAnOrderAndTheOneOfASlowReference() {
        var random = RandomGenerator.of("L64X128MixRandom");
        var texts = new ArrayList<String>();
        for (int i = 0; i < 120; i++) {
            var text = new StringBuilder();
            for (int length = random.nextInt(6); length > 0; length--) {
                text.append("aAbB-/ 0012é".charAt(random.nextInt(12)));
            }
            texts.add(text.toString());
        }
        for (var a : texts) {
            for (var b : texts) {
                int order = NaturalOrder.BY_NAME.compare(a, b);
                assertThat(Integer.signum(order)).isEqualTo(-Integer.signum(NaturalOrder.BY_NAME.compare(b, a)));
                int slow = slowly(a, b);
                assertThat(Integer.signum(order)).as(a + " and " + b).isEqualTo(Integer.signum(slow));
                for (var c : texts) {
                    if (order <= 0 && NaturalOrder.BY_NAME.compare(b, c) <= 0) {
                        assertThat(NaturalOrder.BY_NAME.compare(a, c))
                                .as(String.join(" and ", a, b, c))
                                .isNotPositive();
                    }
                }
            }
        }
    }

    private static int slowly(String a, String b) {
        var left = pieces(a);
        var right = pieces(b);
        for (int i = 0; i < Math.min(left.size(), right.size()); i++) {
            var one = left.get(i);
            var other = right.get(i);
            int order = number(one) && number(other)
                    ? new BigInteger(one).compareTo(new BigInteger(other))
                    : one.substring(0, 1)
                            .toLowerCase(Locale.ROOT)
                            .compareTo(other.substring(0, 1).toLowerCase(Locale.ROOT));
            if (order != 0) {
                return order;
            }
        }
        return left.size() != right.size() ? left.size() - right.size() : a.compareTo(b);
    }

    private static List<String> pieces(String text) {
        return PIECES.matcher(text).results().map(r -> r.group()).toList();
    }

    private static boolean number(String piece) {
        return Character.isDigit(piece.charAt(0));
    }

    private static List<String> sorted(String... texts) {
        return Arrays.stream(texts).sorted(NaturalOrder.BY_NAME).toList();
    }
}
