package choir.policy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.fleet.Node;
import choir.week.TriggerSet;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PolicyBookTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
    private static final Node.Camera CAMERA = Node.Camera.parse("haldr-1/07");
    private static final Node.Group QUAY = Node.Group.of("terminals/haldr/quay");

    /** A policy file as the whole of what was said. */
    static PolicyBook book(String text) {
        Map<TemplateName, Template> templates = new HashMap<>();
        Map<Node, List<TemplateName>> uses = new HashMap<>();
        List<PolicyOverride> overrides = new ArrayList<>();
        for (var document : PolicyReader.read(text)) {
            switch (document) {
                case PolicyDocument.OfTemplate t ->
                    templates.put(t.name(), new Template(t.name(), 1, t.title(), t.base(), t.layer()));
                case PolicyDocument.OfCalendar c -> {
                    // Calendars have no layers.
                }
                case PolicyDocument.OfNode n -> {
                    uses.put(n.node(), n.use().orElse(List.of()));
                    n.overrides()
                            .statements()
                            .forEach((key, statement) -> overrides.add(new PolicyOverride(
                                    overrides.size() + 1,
                                    n.node(),
                                    key,
                                    statement,
                                    n.overrides().fixed().contains(key),
                                    n.because().orElse(""),
                                    "ada",
                                    n.until())));
                }
            }
        }
        return new PolicyBook(templates, uses, overrides, DAY);
    }

    private static List<String> effects(PolicyBook book, Node node, EffectivePolicy above) {
        var said = book.words(node);
        return said.overrides().stream()
                .map(o -> {
                    var effect = book.effect(o, above, said);
                    return o.key() + " " + effect.kind() + " instead of "
                            + effect.otherwise().map(Effective::text).orElse("nothing");
                })
                .sorted()
                .toList();
    }

    @Test
    void anOverrideTellsWhatItDoes() {
        var book = book("""
                template: house
                motion: {threshold: 1%, sensitivity: 50}
                recording: {week: daily motion, keep-at-least: 14d}
                fixed: [recording.keep-at-least]
                ---
                group: fleet
                use: [house]
                ---
                group: fleet/terminals
                set: {motion.sensitivity: 50, motion.threshold: 2%, recording.after-event: 9s}
                because: it is windy there
                ---
                camera: haldr-1/07
                set: {motion.threshold: 0.25%, recording.keep-at-least: 30d, recording.week: mon-fri motion}
                because: the pier head is far away
                ---
                camera: haldr-1/07
                set: {motion.threshold: 0.5%}
                because: spray
                until: 2026-11-24
                """);
        assertThat(effects(book, Node.Group.of("terminals"), book.of(Node.Group.ROOT)))
                .containsExactly(
                        "motion.sensitivity SAYS_THE_SAME instead of 50",
                        "motion.threshold COUNTS instead of 1%",
                        "recording.after-event COUNTS instead of nothing");
        assertThat(effects(book, CAMERA, book.of(QUAY)))
                .containsExactly(
                        "motion.threshold COUNTS instead of 0.25%",
                        "motion.threshold OVERLAID instead of 0.5%",
                        "recording.keep-at-least FIXED_ABOVE instead of 14d",
                        "recording.week SAYS_THE_SAME instead of daily motion");
    }

    @Test
    void whatHasEndedOrFixesWhatHoldsAnywayIsToldApart() {
        var book = book("""
                group: fleet
                set: {motion.threshold: 1%}
                because: all
                ---
                camera: haldr-1/07
                set: {motion.threshold: 1%}
                fixed: [motion.threshold]
                because: nobody below changes it
                ---
                camera: haldr-1/08
                set: {motion.threshold: 3%}
                because: a fair
                until: 2026-11-23
                """);
        assertThat(effects(book, CAMERA, book.of(QUAY))).containsExactly("motion.threshold COUNTS instead of 1%");
        var ended = Node.Camera.parse("haldr-1/08");
        var override = new PolicyOverride(
                3,
                ended,
                Catalogue.THRESHOLD,
                new Layer.Statement.Unset(),
                false,
                "a fair",
                "ada",
                Optional.of(DAY.minusDays(1)));
        assertThat(book.effect(override, book.of(QUAY), new NodeWords(List.of(), List.of(override)))
                        .kind())
                .isEqualTo(OverrideEffect.Kind.ENDED);
    }

    @Test
    void withoutItsOwnWordsOnOneSettingACameraStillHasItsTemplatesAndItsOtherWords() {
        var book = book("""
                template: house
                motion: {threshold: 1%, sensitivity: 50}
                ---
                template: near
                motion: {threshold: 3%}
                ---
                group: fleet
                use: [house]
                ---
                camera: haldr-1/07
                use: [near]
                set: {motion.threshold: 0.25%, motion.sensitivity: 70}
                because: the pier head is far away
                """);
        var without = book.without(Catalogue.THRESHOLD, CAMERA, QUAY, book.words(CAMERA));
        assertThat(without.get(Catalogue.THRESHOLD).orElseThrow().asSaid().text())
                .isEqualTo("3%");
        assertThat(without.get(Catalogue.SENSITIVITY).orElseThrow().asSaid().text())
                .isEqualTo("70");
        assertThat(book.of(CAMERA, QUAY)
                        .get(Catalogue.THRESHOLD)
                        .orElseThrow()
                        .asSaid()
                        .text())
                .isEqualTo("0.25%");
    }

    @Test
    void takingAwayWhatNobodyStatedGovernsNothing() {
        var book = book("""
                group: fleet
                set:
                  motion.areas: [{remove: swell}]
                  recording.special-days: {2027-05-01: remove}
                because: there was one once
                """);
        assertThat(book.of(CAMERA, QUAY).settings()).isEmpty();
    }

    @Test
    void takingAwayTheLastAreaOfALayerAboveWatchesEverything() {
        var book = book("""
                group: fleet
                set: {motion.areas: [{ignore: swell, rectangle: [[0, 0], [1, 0.5]]}]}
                because: waves
                ---
                camera: haldr-1/07
                set: {motion.areas: [{remove: swell}]}
                because: it looks at the yard
                """);
        assertThat(book.of(CAMERA, QUAY).areas().orElseThrow().byName()).isEmpty();
    }

    @Test
    void anAreaThatRepeatsAFixedOneUnchangedIsNotBlocked() {
        var fixed = """
                group: fleet
                set: {motion.areas: [{ignore: swell, rectangle: [[0, 0], [1, 0.5]]}]}
                because: waves
                fixed: [motion.areas]
                ---
                camera: haldr-1/07
                set: {motion.areas: [{%s}]}
                because: the same again
                """;
        assertThat(book(fixed.formatted("ignore: swell, rectangle: [[0, 0], [1, 0.5]]"))
                        .of(CAMERA, QUAY)
                        .blocked())
                .isEmpty();
        assertThat(book(fixed.formatted("ignore: swell, rectangle: [[0, 0], [1, 0.4]]"))
                        .of(CAMERA, QUAY)
                        .blocked())
                .hasSize(1);
        assertThat(book(fixed.formatted("remove: swell")).of(CAMERA, QUAY).blocked())
                .hasSize(1);
    }

    @Test
    void aBookThatTakesOverFromAnOlderOneKnowsWhatItKnew() {
        var text = "group: fleet\nset: {motion.threshold: 1%}\nbecause: x\n";
        var older = book(text);
        var known = older.of(QUAY);
        assertThat(book(text).takingOver(older, g -> true).of(QUAY)).isSameAs(known);
        assertThat(book(text).takingOver(older, g -> false).of(QUAY))
                .isNotSameAs(known)
                .isEqualTo(known);
    }

    private static final String EXAMPLE = """
            template: house
            motion: {threshold: 1%}
            recording:
              week: [daily: motion]
              keep-at-least: 14d
            fixed: [recording.keep-at-least]
            ---
            template: night-lamps
            motion: {threshold: 0.6%}
            recording:
              week: [daily 20:00-06:00: continuous]
            ---
            group: fleet
            use: [house]
            ---
            group: terminals/haldr/quay
            use: [night-lamps]
            ---
            camera: haldr-1/07
            set: {motion.threshold: 0.25%, recording.keep-at-least: 5d}
            because: the pier head is 70 m away
            """;

    @Test
    void nearestWinsFixedBindsAndWeeksLayerByTheMinute() {
        var policy = book(EXAMPLE).of(CAMERA, QUAY);

        assertThat(WeekText.print(policy.week().orElseThrow()))
                .containsExactly("daily 06:00-20:00 motion", "daily 20:00-06:00 continuous");
        assertThat(policy.scalar(Catalogue.THRESHOLD)).map(Value::text).contains("0.25%");
        assertThat(policy.scalar(Catalogue.KEEP_AT_LEAST)).map(Value::text).contains("14d");
        assertThat(policy.blocked()).singleElement().satisfies(b -> {
            assertThat(b.key()).isEqualTo(Catalogue.KEEP_AT_LEAST);
            assertThat(b.origin().node()).isEqualTo(CAMERA);
            assertThat(b.fixedBy().text()).contains("house");
        });
    }

    @Test
    void everyValueCarriesWhatItBeatNearestFirst() {
        var policy = book(EXAMPLE).of(CAMERA, QUAY);
        var threshold = ((Effective.Scalar) policy.get(Catalogue.THRESHOLD).orElseThrow()).value();
        assertThat(threshold.origin().text()).isEqualTo("override at haldr-1/07");
        assertThat(threshold.beaten()).extracting(b -> b.value().text()).containsExactly("0.6%", "1%");
        var night = ((Effective.Hours) policy.get(Catalogue.WEEK).orElseThrow())
                .voices()
                .at(0)
                .orElseThrow();
        assertThat(night.value()).isEqualTo(TriggerSet.CONTINUOUS);
        assertThat(night.beaten())
                .singleElement()
                .extracting(b -> b.value().toString())
                .isEqualTo("motion");
    }

    @Test
    void camerasWithoutWordsOfTheirOwnShareTheGroupsValue() {
        var book = book(EXAMPLE);
        assertThat(book.of(Node.Camera.parse("haldr-1/01"), QUAY)).isSameAs(book.of(QUAY));
    }

    @Test
    void unsetDropsFartherValuesButNotFixedOnes() {
        var policy = book(EXAMPLE + """
                        ---
                        group: terminals/haldr
                        unset: [motion.threshold, recording.keep-at-least]
                        because: trial
                        """).of(Node.Camera.parse("haldr-1/01"), Node.Group.of("terminals/haldr"));
        assertThat(policy.get(Catalogue.THRESHOLD)).isEmpty();
        assertThat(policy.scalar(Catalogue.KEEP_AT_LEAST)).isPresent();
        assertThat(policy.blocked()).hasSize(1);
    }

    @Test
    void replaceDropsTheWeekBelowExceptFixedMinutes() {
        var policy = book("""
                        template: house
                        recording: {week: [daily 00:00-06:00: continuous]}
                        fixed: [recording.week]
                        ---
                        template: day
                        recording: {week: [daily 06:00-24:00: motion]}
                        ---
                        group: fleet
                        use: [house, day]
                        ---
                        camera: haldr-1/07
                        set: {recording.week: {replace: true, windows: [mon: alarm]}}
                        because: test
                        """).of(CAMERA, Node.Group.ROOT);
        assertThat(WeekText.print(policy.week().orElseThrow()))
                .containsExactly("daily 00:00-06:00 continuous", "mon 06:00-24:00 alarm");
        assertThat(policy.blocked()).hasSize(1);
    }

    @Test
    void aDatedOverrideStandsOverAnUndatedOneUntilItsLastDay() {
        var text = """
                camera: haldr-1/07
                set: {motion.threshold: 1%%}
                because: always
                ---
                camera: haldr-1/07
                set: {motion.threshold: 2%%}
                because: building work
                until: %s
                """;
        assertThat(book(text.formatted(DAY)).of(CAMERA, QUAY).scalar(Catalogue.THRESHOLD))
                .map(Value::text)
                .contains("2%");
        assertThat(book(text.formatted(DAY.minusDays(1))).of(CAMERA, QUAY).scalar(Catalogue.THRESHOLD))
                .map(Value::text)
                .contains("1%");
    }

    @Test
    void areasLayerByNameAndField() {
        var policy = book("""
                        template: quay
                        motion:
                          areas:
                            - watch: pier
                              threshold: 1%
                            - ignore: swell
                              rectangle: [[0, 0.7], [1, 1]]
                        ---
                        group: fleet
                        use: [quay]
                        ---
                        camera: haldr-1/07
                        set:
                          motion.areas:
                            - area: pier
                              polygon: [[0, 0], [1, 0], [1, 0.5]]
                            - remove: swell
                        because: its own view
                        """).of(CAMERA, QUAY);
        var areas = policy.areas().orElseThrow().byName();
        assertThat(areas).containsOnlyKeys("pier");
        var pier = areas.get("pier");
        assertThat(pier.kindOrWatch()).isEqualTo(AreaKind.WATCH);
        assertThat(pier.shape()).isPresent();
        assertThat(pier.threshold().orElseThrow().origin().text()).contains("quay");
    }

    @Test
    void extendedTemplateIsFlattenedBaseFirstAndItsFixedBinds() {
        var policy = book("""
                        template: base
                        motion: {threshold: 1%, detection: on}
                        fixed: [motion.threshold]
                        ---
                        template: derived
                        extends: base
                        motion: {threshold: 2%, detection: off}
                        ---
                        group: fleet
                        use: [derived]
                        """).of(CAMERA, QUAY);
        assertThat(policy.scalar(Catalogue.THRESHOLD)).map(Value::text).contains("1%");
        assertThat(policy.scalar(Catalogue.DETECTION)).map(Value::text).contains("off");
        assertThat(policy.blocked()).hasSize(1);
    }

    @Test
    void aCircleOfTemplatesIsNamed() {
        var book = book("""
                template: a
                extends: b
                ---
                template: b
                extends: a
                ---
                group: fleet
                use: [a]
                """);
        assertThatThrownBy(() -> book.of(CAMERA, QUAY)).hasMessageContaining("a extends b extends a");
    }

    @Test
    void sameInputsGiveEqualResults() {
        assertThat(book(EXAMPLE).of(CAMERA, QUAY)).isEqualTo(book(EXAMPLE).of(CAMERA, QUAY));
        assertThat(Optional.of(book(EXAMPLE).templatesReaching(CAMERA, QUAY)).orElseThrow())
                .containsExactly("house", "night-lamps");
    }

    private static final String DAYS_AND_LEVELS = """
            template: house
            motion: {sensitivity-by-time: [daily 21:00-05:00: 45]}
            recording:
              special-days: {holidays: daily continuous, winter: daily motion}
            ---
            template: quay
            motion: {sensitivity-by-time: [daily 04:00-06:00: 60]}
            recording:
              special-days: {winter: remove, holidays: daily none, 2027-06-19: daily continuous}
            ---
            group: fleet
            use: [house]
            ---
            group: fleet/terminals/haldr/quay
            use: [quay]
            """;

    @Test
    void specialDaysLayerByCalendarAndValuesByTimeByTheMinute() {
        var policy = book(DAYS_AND_LEVELS).of(CAMERA, QUAY);
        var days = policy.specialDays().orElseThrow().byCalendar();
        assertThat(days.keySet()).containsExactly("holidays", "2027-06-19");
        assertThat(days.get("holidays").value()).hasToString("daily none");
        assertThat(days.get("holidays").beaten())
                .singleElement()
                .satisfies(b -> assertThat(b.value()).hasToString("daily continuous"));
        var levels =
                (Effective.Levels) policy.get(Catalogue.SENSITIVITY_BY_TIME).orElseThrow();
        assertThat(choir.week.WeekText.print(levels.week()))
                .containsExactly("daily 04:00-06:00 60", "daily 21:00-04:00 45");
    }

    @Test
    void aFixedSpecialDayStaysAndUnsetTakesTheOthers() {
        var policy = book(DAYS_AND_LEVELS.replaceFirst("---", "fixed: [recording.special-days]\n---") + """
                        ---
                        camera: haldr-1/07
                        unset: [recording.special-days, motion.sensitivity-by-time]
                        because: a test
                        """)
                .of(CAMERA, QUAY);
        assertThat(policy.specialDays()
                        .orElseThrow()
                        .byCalendar()
                        .get("holidays")
                        .value())
                .hasToString("daily continuous");
        assertThat(policy.specialDays().orElseThrow().byCalendar()).containsOnlyKeys("holidays", "winter");
        assertThat(policy.get(Catalogue.SENSITIVITY_BY_TIME)).isEmpty();
        assertThat(policy.blocked()).isNotEmpty();
    }

    private static Optional<Template> extending(TemplateName name, int last) {
        int number = Integer.parseInt(name.text().substring(1));
        return Optional.of(new Template(
                name,
                1,
                "",
                number == last ? Optional.empty() : Optional.of(new TemplateName("t" + (number + 1))),
                Layer.EMPTY));
    }

    /** Of a long line each would be looked at for each. */
    @Test
    void aLineOfTemplatesHasAnEnd() {
        var first = new TemplateName("t0");
        assertThat(PolicyBook.line(first, name -> extending(name, 16))).hasSize(17);
        assertThatThrownBy(() -> PolicyBook.line(first, name -> extending(name, 3_000)))
                .isInstanceOf(choir.refusal.Refusal.class)
                .hasMessageContaining("extends more than 16 templates");
    }
}
