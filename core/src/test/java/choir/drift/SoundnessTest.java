package choir.drift;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.PolicyBook;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SoundnessTest {
    private static EffectivePolicy policy(String body) {
        var document = (PolicyDocument.OfTemplate)
                PolicyReader.read("template: one\n" + body).getFirst();
        var name = new TemplateName("one");
        var template = new Template(name, 1, "", document.base(), document.layer());
        return new PolicyBook(
                        Map.of(name, template),
                        Map.of(Node.Group.ROOT, List.of(name)),
                        List.of(),
                        LocalDate.parse("2027-01-01"))
                .of(Node.Group.ROOT);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "recording: {week: [daily: motion]} | ",
                "recording: {week: [daily: none]} | RECORDS_NOTHING",
                "recording: {week: [daily: none], switched-on: off} | ",
                "recording: {week: [daily: none], special-days: {2027-05-01: daily continuous}} | BLIND_HOURS",
                "recording: {week: [daily: none], special-days: {2027-05-01: daily none}} | RECORDS_NOTHING",
                "recording: {week: [mon-fri: motion]} | INCOMPLETE_WEEK",
                "recording: {week: [mon-fri: none]} | BLIND_HOURS INCOMPLETE_WEEK",
                "recording: {week: [mon 08:00-09:00: none, daily: motion]} | ",
                "recording: {week: [daily: motion, mon 08:00-09:00: none]} | BLIND_HOURS",
                "recording: {week: [daily: motion]} ;; motion: {detection: off} | MOTION_WITHOUT_DETECTION",
                "recording: {week: [daily: motion+alarm]} ;; motion: {detection: off} | MOTION_WITHOUT_DETECTION",
                "recording: {week: [daily: motion], switched-on: off} ;; motion: {detection: off} | ",
                "recording: {week: [daily: continuous]} ;; motion: {detection: off} | ",
                "recording: {week: [daily: continuous]} ;; motion: {detection: on} | DETECTION_UNUSED",
                "recording: {week: [daily: continuous]} ;; motion: {detection: on} ;; response: {still: on} | ",
                "motion: {detection: off} | ",
                "recording: {keep-at-least: 60d, keep-at-most: 30d} | KEEPING_CONTRADICTS",
                "recording: {keep-at-least: 30d, keep-at-most: 30d} | ",
                "motion: {areas: [{ignore: all, polygon: [[0, 0], [1, 0], [1, 1], [0, 1]]}]} | IGNORES_EVERYTHING",
                "motion: {areas: [{ignore: part, polygon: [[0, 0], [0.5, 0], [0.5, 1], [0, 1]]}]} | ",
            })
    void aPolicyThatDefeatsItself(String body, String check) {
        assertThat(Soundness.of(policy(body.replace(" ;; ", "\n"))))
                .extracting(u -> u.check().name())
                .containsExactlyElementsOf(check == null ? List.of() : List.of(check.split(" ")));
    }

    private static NativeConfig held(String week, boolean detection, boolean switchedOn, boolean watching) {
        Map<SettingKey, NativeValue> values = new HashMap<>();
        values.put(Catalogue.WEEK, new NativeValue.Hours(WeekText.parse(List.of(week))));
        values.put(Catalogue.DETECTION, new NativeValue.Flag(detection));
        values.put(Catalogue.SWITCHED_ON, new NativeValue.Flag(switchedOn));
        var grid = new CellGrid(4, 4);
        values.put(Catalogue.AREAS, new NativeValue.Mask(watching ? CellMask.all(grid) : CellMask.none(grid)));
        return new NativeConfig(values);
    }

    @ParameterizedTest
    @CsvSource({
        "daily motion, true, true, true, ''",
        "daily motion, false, true, true, MOTION_WITHOUT_DETECTION",
        "daily continuous, false, true, true, ''",
        "daily continuous, true, false, true, NOT_SWITCHED_ON",
        "daily none, true, false, true, BLIND_HOURS",
        "daily continuous, true, true, false, IGNORES_EVERYTHING",
    })
    void aRecorderThatDefeatsItself(String week, boolean detection, boolean on, boolean watching, String check) {
        var held = held(week, detection, on, watching);
        assertThat(Soundness.of(held, Set.of()))
                .extracting(u -> u.check().name())
                .containsExactlyElementsOf(check.isEmpty() ? List.of() : List.of(check));
        // What is governed and differs is drift already.
        assertThat(Soundness.of(
                        held, Set.of(Catalogue.DETECTION, Catalogue.SWITCHED_ON, Catalogue.AREAS, Catalogue.WEEK)))
                .isEmpty();
    }

    @Test
    void whatWasNotShownIsNotSaidToBeWrong() {
        assertThat(Soundness.of(NativeConfig.EMPTY, Set.of())).isEmpty();
    }
}
