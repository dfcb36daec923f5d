package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

class ListsTest {
    private static final List<JsonNode> ITEMS =
            Client.JSON.readTree("""
            [{"id": 9, "severity": "MEDIUM", "with": "ben"}, {"id": 10, "severity": "HIGH"},
             {"id": 2, "severity": "LOW", "with": "Ada"}]
            """).values().stream().toList();

    @Command
    static class Asked {
        @Mixin
        Lists lists = new Lists();
    }

    private static List<Long> ids(String... words) {
        var asked = new Asked();
        new CommandLine(asked).parseArgs(words);
        return asked.lists.arranged(ITEMS).stream()
                .map(i -> i.path("id").asLong())
                .toList();
    }

    @ParameterizedTest
    @CsvSource({"id, 2 9 10", "-id, 10 9 2", "severity, 2 9 10", "-severity, 10 9 2", "with, 2 9 10", "-with, 9 2 10"})
    void goesByAColumnWithWhatHasNoneLast(String column, String wanted) {
        assertThat(ids("--sort=" + column).toString().replaceAll("[\\[\\],]", ""))
                .isEqualTo(wanted);
    }

    @Test
    void isCutAfterItIsPutInOrder() {
        assertThat(ids("--limit", "1")).containsExactly(9L);
        assertThat(ids("--sort", "-id", "--limit", "2")).containsExactly(10L, 9L);
        assertThat(ids("--limit", "0")).isEmpty();
        assertThat(ids("--limit", "99")).hasSize(3);
        assertThat(ids()).containsExactly(9L, 10L, 2L);
    }

    @Test
    void aColumnThatIsNotThereIsSaidWithThoseThatAre() {
        assertThatThrownBy(() -> ids("--sort", "sevrity"))
                .isInstanceOf(Failure.class)
                .hasMessageContaining("no column \"sevrity\"")
                .hasMessageContaining("id, severity, with");
    }
}
