package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class RecordsTest {
    private static String printed(String... items) {
        var out = new StringWriter();
        Records.print(
                new PrintWriter(out),
                List.of(items).stream().<JsonNode>map(Client.JSON::readTree).toList());
        return out.toString();
    }

    @Test
    void columnsHaveTheNamesOfJson() {
        assertThat(printed("""
                        {"camera":"a/1","at":"2026-11-24T10:00:00Z","size":{"bytes":-12,"more":null},"tags":["x","y z"]}""", "{\"camera\":\"a/2\",\"fixed\":true,\"changes\":[{\"key\":1}]}"))
                .isEqualTo("""
                        camera,at,size.bytes,tags,fixed,changes
                        a/1,2026-11-24T10:00:00Z,-12,"x, y z",,
                        a/2,,,,true,"[{""key"":1}]"
                        """);
    }

    @Test
    void whatASpreadsheetWouldTakeForAFormulaIsNone() {
        assertThat(printed("{\"label\":\"=SUM(A1)\",\"why\":\"a \\\"b\\\",\\nc\"}"))
                .isEqualTo("label,why\n\"'=SUM(A1)\",\"a \"\"b\"\",\nc\"\n");
        assertThat(printed()).isEmpty();
    }

    @Test
    void severalListsAreOneWithTheirKind() {
        var whole = Client.JSON.readTree(
                "{\"recorded\":[{\"from\":\"x\"}],\"motion\":[{\"from\":\"y\"}],\"zone\":\"UTC\"}");
        assertThat(Records.kinds(whole, "recorded", "missing", "motion"))
                .extracting(JsonNode::toString)
                .containsExactly("{\"kind\":\"recorded\",\"from\":\"x\"}", "{\"kind\":\"motion\",\"from\":\"y\"}");
        assertThat(Records.figures(whole)).hasToString("{\"zone\":\"UTC\"}");
    }

    @Test
    void partsStandBesideWhatTheyArePartsOf() {
        var whole = Client.JSON.readTree("{\"camera\":\"a/1\",\"changes\":[{\"key\":\"x\"},{\"key\":\"y\"}]}");
        assertThat(Records.under(whole, List.of("camera", "label"), "changes"))
                .extracting(JsonNode::toString)
                .containsExactly("{\"camera\":\"a/1\",\"key\":\"x\"}", "{\"camera\":\"a/1\",\"key\":\"y\"}");
    }
}
