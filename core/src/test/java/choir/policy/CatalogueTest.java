package choir.policy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.document.PolicyReader;
import choir.document.PolicyWriter;
import choir.document.SettingReader;
import choir.document.SettingsReference;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CatalogueTest {
    @Test
    void everySettingSaysWhatItMeansAndWhatIsLostAndWastedByIt() {
        assertThat(Catalogue.settings()).hasSize(28).allSatisfy(s -> {
            assertThat(s.meaning()).endsWith(".");
            assertThat(s.loss()).endsWith(".");
            assertThat(s.waste()).endsWith(".");
            assertThat(s.type().expected()).isNotBlank();
        });
        assertThat(Catalogue.sections()).containsExactly("motion", "recording", "response");
    }

    /** Renewed by {@code mvn test -pl core -Dtest=CatalogueTest -Dchoir.keep-document=true}. */
    @Test
    void theReferenceIsTheOneThatIsPublished() throws IOException {
        var kept = Path.of("../docs/settings.md");
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(kept, SettingsReference.markdown());
        }
        assertThat(Files.readString(kept)).isEqualTo(SettingsReference.markdown());
    }

    @ParameterizedTest
    @CsvSource({
        "motion.analyses-per-second, 2.5/s",
        "motion.analyse-size, 1/4",
        "motion.analyse-pictures, key",
        "motion.on-delay, 500ms",
        "motion.log, off",
        "recording.stream, main",
        "recording.store, disk-2",
        "recording.when-full, stop",
        "recording.clip-every, 10s every 30min",
        "response.mail, watch@skerry.example",
        "response.program, off"
    })
    void aValueIsTheSameAfterItWasWrittenAndReadAgain(String key, String text) {
        var value = SettingReader.read(key, text);
        assertThat(value.text()).isEqualTo(text);
        var layer = Layer.setting(new SettingKey(key), value, false);
        var file = PolicyWriter.template(new TemplateName("x"), "", Optional.empty(), layer);
        assertThat(PolicyReader.read(file))
                .singleElement()
                .isEqualTo(new choir.document.PolicyDocument.OfTemplate(
                        new TemplateName("x"),
                        "",
                        Optional.empty(),
                        new Layer(Map.of(new SettingKey(key), new Layer.Statement.Set(value)), Set.of())));
    }

    @ParameterizedTest
    @CsvSource({
        "recording.before-event,5min,300s",
        "recording.after-event,1h,3600s",
        "recording.keep-at-least,2w,14d",
        "motion.on-delay,2s,2000ms",
        "recording.before-event,3000ms,3s"
    })
    void unitsThatPeopleWriteAreUnderstood(String key, String said, String text) {
        assertThat(SettingReader.read(key, said).text()).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "motion.analyse-size; 1/3; \"1/3\" is none of 1, 1/2, 1/4, 1/8",
                "recording.when-full; overwrit; did you mean \"overwrite\"?",
                "recording.store; a disk; is not a name",
                "recording.clip-every; 90s every 1min; not longer than the time to the next one",
                "recording.clip-every; 10s; expected off, or a length and an interval",
                "motion.on-delay; 90s; (90000ms) is out of range; expected 0ms to 60000ms",
                "motion.on-delay; 10d; d is no unit here; expected 0ms to 60000ms, in ms, s, min",
                "recording.before-event; 0.5s; is finer than can be set",
                "motion.analyses-per-second; 2.55/s; is finer than can be set"
            })
    void aValueThatCannotBeIsRefusedWithWhatWasExpected(String key, String text, String problem) {
        assertThatThrownBy(() -> SettingReader.read(key, text)).hasMessageContaining(problem);
    }
}
