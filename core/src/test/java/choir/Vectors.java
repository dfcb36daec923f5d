package choir;

import java.io.IOException;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.provider.Arguments;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The reference cases that were made by the slowest and most obvious method. */
public final class Vectors {
    private Vectors() {}

    public static Stream<Arguments> cases(String file) {
        try (var in = Vectors.class.getResourceAsStream("/vectors/" + file)) {
            JsonNode cases = new JsonMapper().readTree(in.readAllBytes());
            return IntStream.range(0, cases.size()).mapToObj(i -> Arguments.of(i, cases.get(i)));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
