package choir;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.document.DateCalendar;
import choir.document.PolicyReader;
import choir.document.SettingReader;
import choir.document.WeekCalendar;
import choir.family.FamilyReader;
import choir.family.Zone;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.link.AddressRange;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.PosixZone;
import choir.week.TriggerSet;
import choir.week.WeekText;
import java.util.List;
import java.util.function.Consumer;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Whatever people or devices write, a reader either understands it or says in one exception what it cannot understand.
 * Good texts are cut, doubled and sprinkled with what is likely to hurt.
 */
class FuzzTest {
    private static final int ROUNDS = 4_000;
    private static final List<String> SPRINKLES = List.of(
            "",
            " ",
            "\n",
            "\t",
            "\0",
            "-",
            ":",
            ",",
            ";",
            "[",
            "]",
            "{",
            "}",
            "\"",
            "'",
            "*",
            "&a",
            "*a",
            "!!int ",
            "%",
            "/",
            "99999999999999999999",
            "-1",
            "1e309",
            "NaN",
            "00:00",
            "24:00",
            "daily",
            "sun-mon",
            "\uD83D\uDEA2",
            "\u202E",
            "---\n",
            "<<: ",
            "? ",
            "| ",
            "null",
            "~",
            "true",
            "=",
            "((((((((",
            "\\",
            "#");

    private record Reader(String name, Consumer<String> read, List<String> good) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Arguments> readers() {
        return Stream.of(
                        new Reader(
                                "week",
                                t -> WeekText.parse(t.lines().toList()),
                                List.of(
                                        "daily motion\nmon-fri 06:00-18:30 continuous\nfri-mon 22:00-04:00 motion+alarm,analytics",
                                        "sat,sun none\nmon 18:00- continuous")),
                        new Reader(
                                "selection",
                                Selection::parse,
                                List.of(
                                        "group:terminals/haldr template:quay-outside,night-lamps not:tag:far-view pier",
                                        "camera:haldr-1/07,recorder:\"haldr 1\" state:drifted label:*pier* family:tern")),
                        new Reader("policy file", PolicyReader::read, List.of("""
                                template: quay-outside
                                extends: house
                                motion:
                                  sensitivity: auto, else 55
                                  sensitivity-by-time: [daily 21:00-05:30: 45]
                                  areas: [{ignore: swell, polygon: [[0, 0.72], [1, 0.66], [1, 1]], threshold: 0.3%}]
                                recording: {week: {replace: true, windows: [daily: motion]}, before-event: 6s}
                                fixed: [recording.before-event]
                                ---
                                calendar: public-holidays
                                dates: [2027-01-01, 12-25 yearly, 2027-06-28..2027-07-02]
                                ---
                                camera: haldr-1/07
                                set: {motion.threshold: 0.25%}
                                because: far
                                until: 2027-03-01
                                """)),
                        new Reader("family file", FamilyReader::read, List.of("""
                                family: tern
                                recognise: {maker: Tern, model: TN}
                                settings:
                                  motion.sensitivity: {at: module tt:CellMotionEngine Sensitivity, from: 0, to: 9, direction: up}
                                  motion.areas: {at: rule tt:CellMotionDetector ActiveCells, grid: 22x18}
                                  recording.week: {at: lanes, lanes: [continuous, motion]}
                                """)),
                        new Reader(
                                "packed mask",
                                t -> CellMask.unpack(new CellGrid(22, 18), t),
                                List.of(
                                        CellMask.all(new CellGrid(22, 18)).packed(),
                                        CellMask.none(new CellGrid(22, 18)).packed())),
                        new Reader(
                                "calendar of dates",
                                DateCalendar::read,
                                List.of(DateCalendar.write(
                                        "holidays",
                                        DateSet.parse("2027-01-01, 2027-06-28..2027-07-02, 12-25 yearly"),
                                        DateCalendar.Form.DATES))),
                        new Reader(
                                "calendar of a week",
                                t -> WeekCalendar.read(t, TriggerSet::parse),
                                List.of(WeekCalendar.write(
                                        WeekText.parse(List.of("daily motion", "fri 22:00-04:00 continuous")),
                                        TriggerSet::toString))),
                        new Reader(
                                "dates", DateSet::parse, List.of("2027-01-01, 2027-06-28..2027-07-02, 12-25 yearly")),
                        new Reader(
                                "plan of a special day",
                                t -> DayPlan.parse(t.lines().toList()),
                                List.of("daily none\ndaily 08:00-12:00 motion,alarm")),
                        new Reader(
                                "polygon",
                                t -> SettingReader.read("motion.areas", "[{watch: a, polygon: " + t + "}]"),
                                List.of("[[0, 0.72], [1, 0.66], [1, 1], [0, 1]]", "[[0.5, 0], [1, 1], [0, 1]]")),
                        new Reader("corners of a device", t -> Zone.of("a", t), List.of("0,0 100,0 50,50 0,100")),
                        new Reader("zone rule", PosixZone::parse, List.of("CET-1CEST,M3.5.0,M10.5.0/3", "<-03>3")),
                        new Reader(
                                "address range", AddressRange::parse, List.of("10.20.0.1-10.20.0.40", "10.20.0.0/26")),
                        new Reader("node", Node::parse, List.of("fleet/terminals/haldr", "camera:haldr-1/07")))
                .map(Arguments::of);
    }

    static Stream<Arguments> settings() {
        return Catalogue.settings().stream().map(s -> Arguments.of(s.key().text()));
    }

    @ParameterizedTest
    @MethodSource("readers")
    void understandsOrRefuses(Reader reader) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(11);
        for (int round = 0; round < ROUNDS; round++) {
            var text = mutated(reader.good().get(random.nextInt(reader.good().size())), random);
            assertUnderstoodOrRefused(reader.read(), text);
        }
    }

    @ParameterizedTest
    @MethodSource("settings")
    void understandsOrRefusesTheValueOfASetting(String key) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(12);
        var good = List.of(
                "on",
                "50",
                "auto, else 55",
                "0.6%",
                "12s",
                "500ms",
                "1/4",
                "10s every 30min",
                "daily motion",
                "{public-holidays: daily continuous, 2027-03-01: daily none}",
                "[{watch: gangway, rectangle: [[0, 0], [0.5, 1]]}]",
                "main");
        for (int round = 0; round < ROUNDS / 10; round++) {
            var text = mutated(good.get(random.nextInt(good.size())), random);
            assertUnderstoodOrRefused(t -> SettingReader.read(key, t), text);
        }
    }

    /** Texts that hurt readers elsewhere: deep nesting, endless repetition, references to themselves. */
    @ParameterizedTest
    @ValueSource(strings = {"[", "{a: ", "- ", "a:\n ", "&a [*a, ", "\"", "!!map {", "|\n ", "? "})
    void aTextThatGrowsWithoutEndIsRefusedAndNotFollowed(String piece) {
        for (int times : List.of(10, 1_000, 30_000)) {
            assertUnderstoodOrRefused(PolicyReader::read, "template: x\nmotion: " + piece.repeat(times));
            assertUnderstoodOrRefused(Selection::parse, piece.repeat(times));
            assertUnderstoodOrRefused(t -> WeekText.parse(List.of(t)), piece.repeat(times));
        }
    }

    private static void assertUnderstoodOrRefused(Consumer<String> read, String text) {
        try {
            read.accept(text);
        } catch (Refusal refused) {
            assertThat(refused.getMessage()).as("for: %s", text).isNotBlank();
        } catch (Throwable e) {
            throw new AssertionError("for: " + text.substring(0, Math.min(500, text.length())), e);
        }
    }

    private static String mutated(String good, RandomGenerator random) {
        var text = new StringBuilder(good);
        for (int i = random.nextInt(4); i >= 0; i--) {
            int at = random.nextInt(text.length() + 1);
            switch (random.nextInt(5)) {
                case 0 -> text.insert(at, SPRINKLES.get(random.nextInt(SPRINKLES.size())));
                case 1 -> text.setLength(at);
                case 2 -> text.append(text.substring(at));
                case 3 -> text.insert(at, (char) random.nextInt(0x3000));
                default -> {
                    if (at < text.length()) {
                        text.deleteCharAt(at);
                    }
                }
            }
        }
        return text.toString();
    }
}
