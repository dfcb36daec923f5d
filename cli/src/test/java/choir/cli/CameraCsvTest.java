package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CameraCsvTest {
    private static final String GOOD = """
            camera,label,group,tags
            haldr-1/01,"Pier head, north",terminals/haldr/quay,outside far-view
            haldr-1/02,'=1+1,terminals/haldr/quay,
            """;

    @Test
    void aLineSaysWhereTheCameraBelongsAndLabelsArePassedOver() {
        assertThat(CameraCsv.read(GOOD))
                .containsExactly(
                        Map.of(
                                "line",
                                2,
                                "camera",
                                "haldr-1/01",
                                "group",
                                "terminals/haldr/quay",
                                "tags",
                                List.of("outside", "far-view")),
                        Map.of("line", 3, "camera", "haldr-1/02", "group", "terminals/haldr/quay", "tags", List.of()));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "camera\n", "group,tags\nx,y\n", "camera,colour\nhaldr-1/01,red\n", "camera\n\"haldr-1/01\n"
            })
    void whatIsNoListOfCamerasIsRefusedInOneLine(String text) {
        assertThatThrownBy(() -> CameraCsv.read(text))
                .isInstanceOf(Failure.class)
                .message()
                .isNotBlank()
                .doesNotContain("Exception");
    }

    @Test
    void whateverASpreadsheetWritesIsUnderstoodOrRefused() {
        var random = new Random(5);
        var hurting = List.of("\"", ",", "\n", "\r\n", ";", "\0", "'", "=", "\t", "\uFEFF", "\"\"\"", "\uD83D\uDEA2");
        for (int round = 0; round < 3_000; round++) {
            var text = new StringBuilder(GOOD);
            for (int i = random.nextInt(5); i >= 0; i--) {
                text.insert(random.nextInt(text.length() + 1), hurting.get(random.nextInt(hurting.size())));
            }
            try {
                assertThat(CameraCsv.read(text.toString())).isNotEmpty();
            } catch (Failure refused) {
                assertThat(refused.getMessage()).as("for: %s", text).isNotBlank();
            }
        }
    }
}
