package choir.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import choir.policy.Catalogue;
import choir.policy.Layer;
import choir.policy.TemplateName;
import choir.policy.Value;
import choir.week.WeekText;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PolicyReaderTest {
    private static final String TEMPLATE = """
            template: quay-outside
            title: Open quays and aprons
            extends: house
            motion:
              detection: on
              sensitivity: auto, else 55
              threshold: 0.6%
              areas:
                - ignore: swell
                  polygon: [[0, 0.72], [1, 0.66], [1, 1], [0, 1]]
                - watch: gate
                  cells: ["##..", "##.."]
                  sensitivity: 70
            recording:
              week:
                - daily: motion
                - mon-fri 05:30-09:30: continuous
              before-event: 6s
              keep-at-most: 30 d
            unset: [recording.frame-rate]
            fixed: [recording.keep-at-most]
            """;

    @Test
    void writingWhatWasReadGivesTheSameValues() {
        var read = (PolicyDocument.OfTemplate) PolicyReader.read(TEMPLATE).getFirst();
        var written = PolicyWriter.template(read.name(), read.title(), read.base(), read.layer());
        assertThat(PolicyReader.read(written)).containsExactly(read);
        var again = (PolicyDocument.OfTemplate) PolicyReader.read(written).getFirst();
        assertThat(PolicyWriter.template(again.name(), again.title(), again.base(), again.layer()))
                .isEqualTo(written);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "motion: {sensitivty: 5}|motion.sensitivity",
                "motion: {sensitivity: 101}|0 to 100",
                "motion: {threshold: 0.6}|such as 0.6%",
                "motion: {detection: maybe}|neither on nor off",
                "recording: {week: [mon-fri 25:00-26:00: motion]}|not a time of day",
                "recording: {week: [daily: sometimes]}|not a trigger",
                "recording: {before-event: 900s}|0s to 600s",
                "recording: {frame-rate: 12.345fps}|1fps to 120fps",
                "fixed: [recording.weeks]|recording.week",
                "recordng: {week: []}|recording",
                "motion: {areas: [{watch: a, polygon: [[0,0],[1,1],[1,0],[0,1]]}]}|cross",
                "motion: {areas: [{polygon: [[0,0],[1,1],[1,0]]}]}|kind and name",
                "motion: {areas: [{watch: a, rectangle: [[0.5,0],[0.2,1]]}]}|top left",
                "motion: {detection: on, detection: off}|twice",
                "extends: Big House|not a template name",
            })
    void eachFaultHasItsPlaceAndWhatWasExpected(String line, String expected) {
        var thrown =
                catchThrowableOfType(DocumentException.class, () -> PolicyReader.read("template: x\n" + line + "\n"));
        assertThat(thrown).hasMessageContaining(expected);
        assertThat(thrown.faults().getFirst().line()).isEqualTo(2);
        assertThat(thrown.faults().getFirst().column()).isPositive();
    }

    @Test
    void allFaultsAreReportedAtOnce() {
        var thrown = catchThrowableOfType(
                DocumentException.class,
                () -> PolicyReader.read("template: x\nmotion: {sensitivity: 101, threshold: 0%}\nfoo: 1\n"));
        assertThat(thrown.faults()).hasSize(3);
    }

    @Test
    void overridesNeedAReason() {
        assertThatThrownBy(() -> PolicyReader.read("camera: haldr-1/07\nset: {motion.detection: on}\n"))
                .hasMessageContaining("because");
    }

    /** One fault, and not one for each of them. */
    @Test
    void aPolygonOfVeryManyCornersIsRefusedAsAWhole() {
        var corners = "[nowhere], ".repeat(5_000);
        var text = "template: x\nmotion:\n  areas:\n  - watch: w\n    polygon: [" + corners + "]\n";
        assertThatThrownBy(() -> PolicyReader.read(text))
                .isInstanceOfSatisfying(
                        DocumentException.class,
                        e -> assertThat(e.faults())
                                .singleElement()
                                .satisfies(f -> assertThat(f.toString()).contains("3 to 500 corners, not 5000")));
    }

    @Test
    void brokenYamlSaysWhere() {
        assertThatThrownBy(() -> PolicyReader.read("template: x\n  motion: [\n"))
                .isInstanceOf(DocumentException.class)
                .hasMessageContaining("line 2");
    }

    @Test
    void aliasesAndDeepNestingAreRefused() {
        assertThatThrownBy(() -> PolicyReader.read("template: &a [*a]\n")).isInstanceOf(DocumentException.class);
        assertThatThrownBy(() -> PolicyReader.read("template: " + "[".repeat(200_000)))
                .isInstanceOf(DocumentException.class);
        assertThatThrownBy(() -> PolicyReader.read("- ".repeat(300_000) + "x")).isInstanceOf(DocumentException.class);
    }

    @Test
    void mutatedTextIsReadOrRefusedButNeverFailsOtherwise() {
        var random = new Random(11);
        for (int i = 0; i < 2_000; i++) {
            var text = new StringBuilder(TEMPLATE);
            for (int k = 0; k < 4; k++) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(3)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 -> text.insert(at, (char) (32 + random.nextInt(95)));
                    default -> text.setCharAt(at, "[]{}:-,#&*!|>'\"%@`\n \u0000".charAt(random.nextInt(20)));
                }
            }
            try {
                PolicyReader.read(text.toString());
            } catch (DocumentException refused) {
                assertThat(refused.faults()).isNotEmpty();
            }
        }
    }

    /** However a week was said: it is kept by the same lines, means the same, and is the same as any other that does. */
    @Test
    void aWeekIsKeptByItsAuthorsLines() {
        var random = new Random(5);
        var days = List.of("daily", "mon-fri", "sat,sun", "fri-mon", "wed");
        var words = List.of("none", "continuous", "motion", "alarm,motion", "motion+alarm");
        for (int round = 0; round < 500; round++) {
            List<String> lines = new ArrayList<>();
            for (int i = random.nextInt(5); i >= 0; i--) {
                int from = random.nextInt(1_440);
                int to = (from + 1 + random.nextInt(1_438)) % 1_440;
                lines.add(days.get(random.nextInt(days.size()))
                        + (random.nextBoolean()
                                ? " %02d:%02d-%02d:%02d".formatted(from / 60, from % 60, to / 60, to % 60)
                                : "")
                        + " " + words.get(random.nextInt(words.size())));
            }
            var said = (Value.Hours) SettingReader.read("recording.week", String.join(" ;  ", lines));
            assertThat(said.week()).isEqualTo(WeekText.parse(lines));
            assertThat(said.lines()).hasSize(lines.size());
            var shortest = new Value.Hours(said.week(), false);
            assertThat(said).isEqualTo(shortest).hasSameHashCodeAs(shortest);
            var layer = new Layer(Map.of(Catalogue.WEEK, new Layer.Statement.Set(said)), Set.of());
            var file = PolicyWriter.template(new TemplateName("t"), "", Optional.empty(), layer);
            var again = (PolicyDocument.OfTemplate) PolicyReader.read(file).getFirst();
            assertThat(again.layer()).isEqualTo(layer);
            assertThat(PolicyWriter.template(again.name(), again.title(), again.base(), again.layer()))
                    .isEqualTo(file);
            assertThat(((Value.Hours) SettingReader.read("recording.week", PolicyWriter.value(said))).lines())
                    .isEqualTo(said.lines());
        }
    }

    @Test
    void commandLineValuesTakeTheFormsOfFiles() {
        assertThat(SettingReader.read("recording.week", "sun none; mon 06:00-09:00 continuous")
                        .text())
                .as("as its author said it")
                .isEqualTo("sun none; mon 06:00-09:00 continuous");
        assertThatThrownBy(() -> SettingReader.read("recording.before-event", "6"))
                .hasMessageContaining("\"6\" has no unit; expected 0s to 600s, such as 6s");
        assertThatThrownBy(() -> SettingReader.read("recording.keep-at-least", "21"))
                .hasMessageContaining("has no unit");
        assertThat(PolicyWriter.value(SettingReader.read("recording.before-event", "0")))
                .as("nothing is nothing in any unit")
                .isEqualTo("0s");
        assertThat(PolicyWriter.value(SettingReader.read("recording.frame-rate", "12")))
                .as("there is no other unit")
                .isEqualTo("12fps");
        assertThatThrownBy(() -> SettingReader.read("motion.treshold", "1%"))
                .hasMessageContaining("did you mean \"motion.threshold\"");
        for (var setting : Catalogue.settings()) {
            assertThatThrownBy(() -> SettingReader.read(setting.key().text(), "{]"))
                    .isInstanceOf(DocumentException.class);
        }
    }
}
