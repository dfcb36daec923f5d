package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TableTest {
    private static String printed(Table table, Optional<Integer> width) {
        var out = new StringWriter();
        table.print(new PrintWriter(out), width);
        return out.toString();
    }

    @Test
    void aTableFitsTheTerminalAndLosesNothing() {
        var table =
                new Table("camera", "what").row("haldr-1/02", "Sensitivity is three steps less sensitive than asked");
        var text = printed(table, Optional.of(40));
        assertThat(text.lines()).allSatisfy(l -> assertThat(l.length()).isLessThanOrEqualTo(40));
        assertThat(text.replaceAll("\\s+", " ")).contains("three steps less sensitive than asked");
    }

    @Test
    void withoutATerminalEveryRowIsOneLine() {
        assertThat(printed(new Table("a").row("x ".repeat(300).strip()), Optional.empty())
                        .lines())
                .hasSize(2);
    }

    @Test
    void aCellThatASpreadsheetWouldTakeForAFormulaIsMadeSafe() {
        var out = new StringWriter();
        new Table("label").row("=SUM(A1)").row("a \"b\", c").csv(new PrintWriter(out));
        assertThat(out.toString().lines()).containsExactly("label", "'=SUM(A1)", "\"a \"\"b\"\", c\"");
    }

    @Test
    void onANarrowTerminalRowsStandAsLines() {
        var out = new StringWriter();
        new Table("camera", "label", "group", "family", "tags", "state", "note")
                .row("haldr-1/07", "Swell wall", "terminals/haldr/quay", "tern", "", "drifted", "seen by many people")
                .print(new PrintWriter(out), Optional.of(40));
        assertThat(out.toString()).isEqualTo("""
                camera  haldr-1/07
                label   Swell wall
                group   terminals/haldr/quay
                family  tern
                state   drifted
                note    seen by many people

                """);
        assertThat(out.toString().lines()).allMatch(line -> line.length() <= 40);
    }
}
