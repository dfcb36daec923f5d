package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class LineDifferenceTest {
    @Test
    void tellsOnlyTheLinesThatDiffer() {
        assertThat(LineDifference.between("a\nb\nc\n", "a\nx\nc\nd\n")).containsExactly("- b", "+ x", "+ d");
        assertThat(LineDifference.between("a\n", "a\n")).isEmpty();
        assertThat(LineDifference.between("", "a\n")).containsExactly("+ a");
    }

    /** What is gone and what came account for the whole difference: lines taken and given add up. */
    @RepeatedTest(30)
    void accountsForEveryLine(RepetitionInfo repetition) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(repetition.getCurrentRepetition());
        var first = lines(random, repetition.getCurrentRepetition());
        var second = lines(random, repetition.getCurrentRepetition());
        List<String> left = new ArrayList<>(first);
        for (var line : LineDifference.between(String.join("\n", first), String.join("\n", second))) {
            var text = line.substring(2);
            if (line.startsWith("-")) {
                assertThat(left.remove(text)).isTrue();
            } else {
                left.add(text);
            }
        }
        assertThat(left).containsExactlyInAnyOrderElementsOf(second);
    }

    private static List<String> lines(RandomGenerator random, int most) {
        return java.util.stream.IntStream.range(0, random.nextInt(most + 1))
                .mapToObj(i -> String.valueOf((char) ('a' + random.nextInt(4))))
                .toList();
    }
}
