package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class HeldTest {
    private static void add(Held held, String channel, String... titlesAndValues) {
        var settings = Client.JSON.createArrayNode();
        for (int i = 0; i < titlesAndValues.length; i += 2) {
            var setting = settings.addObject().put("title", titlesAndValues[i]);
            if (!titlesAndValues[i + 1].isEmpty()) {
                setting.put("observed", titlesAndValues[i + 1]);
            }
        }
        held.add(channel, settings);
    }

    private static String printed(Held held) {
        var out = new StringWriter();
        held.table().print(new PrintWriter(out), Optional.empty());
        return out.toString();
    }

    @Test
    void equalValuesStandOnceAndTheUsualOneFirst() {
        var held = new Held();
        add(held, "01", "Level", "50", "Log", "on", "Week", "");
        add(held, "02", "Level", "70", "Log", "on", "Week", "daily motion");
        add(held, "03", "Level", "70", "Log", "on", "Week", "daily motion");
        assertThat(printed(held).lines().map(l -> l.replaceAll(" +", " ").strip()))
                .containsExactly(
                        "SETTING HOLDS CHANNELS", "Log on all 3", "Level 70 02 03", "50 01", "Week daily motion 02 03");
    }

    @Test
    void ofManyTheFirstAreNamedAndTheOthersCounted() {
        var held = new Held();
        for (int i = 1; i <= 9; i++) {
            add(held, "%02d".formatted(i), "Level", "70");
        }
        add(held, "10", "Level", "50");
        assertThat(printed(held)).contains("9: 01 02 03 04 05 06 07 and 2 more");
    }

    @Test
    void ofNothingReadThereIsNothing() {
        var held = new Held();
        add(held, "01", "Level", "");
        assertThat(held.isEmpty()).isTrue();
    }
}
