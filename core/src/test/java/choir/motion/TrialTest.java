package choir.motion;

import static choir.motion.Marked.HEIGHT;
import static choir.motion.Marked.WIDTH;
import static choir.motion.Marked.at;
import static choir.motion.Marked.levels;
import static choir.motion.Marked.pass;
import static choir.motion.Marked.quay;
import static choir.motion.Marked.setting;
import static choir.motion.Marked.square;
import static choir.motion.Marked.unwanted;
import static choir.motion.Marked.wanted;
import static choir.motion.Marked.whole;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.area.CellGrid;
import choir.motion.MotionEvents.Level;
import choir.motion.Suggestion.Choices;
import choir.refusal.Refusal;
import java.time.Duration;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TrialTest {
    @Test
    void aSquareThatComesHasExactlyItsOwnShareOfThePicture() {
        var pass = pass(4, (i, picture) -> {
            if (i == 2) {
                square(picture, 20, 20, 16, 140);
            }
        });
        var levels = pass.levels(new Step.Fixed(40), whole());
        assertThat(levels).extracting(Level::value).containsExactly(0.0, 0.0, 16.0 * 16 / (WIDTH * HEIGHT), 0.0);
        // It leaves an eighth of itself in the reference, which a sensitive setting sees when it is gone.
        assertThat(pass.levels(new Step.Fixed(5), whole()).get(3).value()).isEqualTo(16.0 * 16 / (WIDTH * HEIGHT));
        var half = new BitSet();
        half.set(0, WIDTH * 28);
        assertThat(pass.levels(new Step.Fixed(40), half).get(2).value()).isEqualTo(16.0 * 8 / (WIDTH * 28));
        byte[] cells = pass.cells(2, 40, 10, 5);
        assertThat(cells[1 * 10 + 1] & 0xFF).isEqualTo(12 * 12 * 255 / 256);
        assertThat(cells[0]).isZero();
    }

    @Test
    void aMomentIsCaughtByEveryThresholdUpToTheLevelThatLasted() {
        var levels = levels(0, 0, .05, .02, .04, 0, 0, 0, 0, 0);
        var mark = wanted(1, 2, "walker at 30 m");
        var once = Trial.of(setting(.05, 0), levels, List.of(mark));
        assertThat(once.missed()).isEmpty();
        assertThat(once.wanted().getFirst().strongest()).isEqualTo(.05);
        // On for half a second: what lasted from one picture to the next.
        var delayed = Trial.of(setting(.03, .5), levels, List.of(mark));
        assertThat(delayed.missed()).hasSize(1);
        assertThat(delayed.wanted().getFirst().strongest()).isEqualTo(.02);
        assertThat(delayed.wanted().getFirst().at()).contains(at(1.5));
        assertThat(delayed.wantedMargin().orElseThrow()).isCloseTo(.02 / .03, within(1e-9));
        assertThat(Trial.of(setting(.02, .5), levels, List.of(mark)).missed()).isEmpty();
    }

    @Test
    void aSingleMomentIsLookedForAroundIt() {
        var levels = levels(0, 0, 0, 0, .05, 0, 0, 0);
        assertThat(Trial.of(setting(.04, 0), levels, List.of(wanted(3.5, 3.5, "here")))
                        .missed())
                .isEmpty();
        assertThat(Trial.of(setting(.04, 0), levels, List.of(wanted(0, .5, "a span is taken as it is")))
                        .missed())
                .hasSize(1);
    }

    @Test
    void falseStartsAreThoseThatBeginInWhatIsUnwanted() {
        var levels = levels(0, .05, 0, 0, 0, .06, 0, 0, 0, .07, 0, 0, 0, 0);
        var report = Trial.of(setting(.04, 0), levels, List.of(wanted(.5, 1, "walker"), unwanted(2, 6, "swell")));
        assertThat(report.falseStarts()).isEqualTo(2);
        assertThat(report.falseStartsAnHour().orElseThrow()).isCloseTo(2 / 4.0 * 3600, within(1e-6));
        assertThat(report.unwantedMargin().orElseThrow()).isCloseTo(.04 / .07, within(1e-9));
        assertThat(report.decisive().orElseThrow().mark().word()).isEqualTo("swell");
        // Two seconds before and three after each, which run into each other, to the end of the footage.
        assertThat(report.recorded()).isEqualTo(Duration.ofMillis(6500));
    }

    @Test
    void motionThatGoesOnInWhatIsUnwantedIsOneFalseStartHoweverLong() {
        var levels = levels(.05, .05, .05, .05, .05, .05, .05, .05);
        var report = Trial.of(setting(.04, 0), levels, List.of(unwanted(1, 3, "swell")));
        assertThat(report.falseStarts()).isEqualTo(1);
        assertThat(report.falseMotion()).isEqualTo(Duration.ofSeconds(2));
        // What begins with somebody wanted and goes on a little is nobody's mistake.
        var trailing = Trial.of(
                setting(.04, 0),
                levels(0, .05, .05, .05, 0, 0, 0),
                List.of(wanted(.5, .9, "walker"), unwanted(1, 3, "swell")));
        assertThat(trailing.falseStarts()).isZero();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void motionBeginsSomewhereExactlyWhenSomeLevelLasted(long seed) {
        var seeded = new Random(seed);
        for (int n = 0; n < 2_000; n++) {
            var values = DoubleStream.generate(() -> seeded.nextInt(6) / 10.0)
                    .limit(1 + seeded.nextInt(30))
                    .toArray();
            double threshold = (1 + seeded.nextInt(5)) / 10.0;
            var delay = Duration.ofMillis(250L * seeded.nextInt(7));
            var levels = levels(values);
            boolean begins =
                    !MotionEvents.of(levels, threshold, delay, Duration.ZERO).isEmpty();
            double lasted = Arrays.stream(Trial.lasting(levels, delay)).max().orElseThrow();
            assertThat(lasted >= threshold)
                    .as("%s at %s after %s", Arrays.toString(values), threshold, delay)
                    .isEqualTo(begins);
        }
    }

    @Test
    void whatIsWantedAndUnwantedAtOnceIsRefused() {
        assertThatThrownBy(() -> Mark.agree(List.of(wanted(10, 10, "walker"), unwanted(11, 20, "rain"))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("walker")
                .hasMessageContaining("rain");
        Mark.agree(List.of(wanted(10, 10, "walker"), unwanted(13, 20, "rain"), wanted(9, 10, "another")));
        assertThatThrownBy(() -> wanted(3, 2, "backwards")).isInstanceOf(Refusal.class);
    }

    private static final List<Mark> ON_THE_QUAY =
            List.of(unwanted(1, 29, "swell"), wanted(40, 42, "far walker"), wanted(50, 52, "nearer"));
    private static final Choices ALL = new Choices(
            IntStream.rangeClosed(0, 20).mapToObj(s -> s * 5.0).toList(),
            false,
            IntStream.rangeClosed(1, 200).mapToObj(t -> t / 4_000.0).toList());

    @Test
    void theBestSettingPartsWhatCanBeParted() {
        // The swell is fainter than the walkers, so a step between the two parts them whole.
        var found = Suggestion.of(quay(), whole(), ON_THE_QUAY, ALL, setting(.01, 0), new CellGrid(16, 8))
                .orElseThrow();
        assertThat(found.best().missed()).isEmpty();
        assertThat(found.best().falseStarts()).isZero();
        assertThat(found.against()).isEmpty();
        assertThat(((Step.Fixed) found.best().setting().step()).luminance()).isGreaterThan(18);
    }

    @Test
    void whereNoSettingPartsThemThoseTwoAreNamedAndAnAreaIsProposed() {
        // A device that has sensitive steps alone.
        var blunt = new Choices(List.of(100.0, 90.0, 80.0), false, ALL.thresholds());
        var found = Suggestion.of(quay(), whole(), ON_THE_QUAY, blunt, setting(.01, 0), new CellGrid(16, 8))
                .orElseThrow();
        assertThat(found.against().orElseThrow().unwanted().mark().word()).isEqualTo("swell");
        assertThat(found.against().orElseThrow().wanted().mark().word()).isEqualTo("far walker");
        var ignore = found.ignore().orElseThrow();
        assertThat(ignore.report().missed()).isEmpty();
        assertThat(ignore.report().falseStarts()).isZero();
        assertThat(ignore.report().margin().orElseThrow())
                .isGreaterThan(2 * found.best().margin().orElseThrow());
        // Only where the swell is, and nowhere where somebody walks.
        for (int row = 0; row < 8; row++) {
            for (int column = 7; column < 16; column++) {
                assertThat(ignore.cells().watches(column, row)).isFalse();
            }
        }
        assertThat(ignore.cells().count()).isGreaterThan(20);
    }

    @Test
    void whereNothingIsUnwantedWhatIsAmpleIsEnoughAndTheLeastIsRecorded() {
        var found = Suggestion.of(
                        quay(),
                        whole(),
                        List.of(wanted(40, 42, "far walker")),
                        ALL,
                        setting(.01, 0),
                        new CellGrid(16, 8))
                .orElseThrow();
        assertThat(found.best().missed()).isEmpty();
        assertThat(found.best().margin().orElseThrow()).isGreaterThanOrEqualTo(3);
        // The swell of half a minute is not recorded for the sake of a margin that nobody needs.
        assertThat(found.best().recorded()).isLessThan(Duration.ofSeconds(30));
    }

    @Test
    void withoutAWantedMomentNothingIsSuggested() {
        assertThat(Suggestion.of(
                        quay(), whole(), List.of(unwanted(1, 29, "swell")), ALL, setting(.01, 0), new CellGrid(16, 8)))
                .isEmpty();
    }

    /** The plainest search over everything, as a judge of the quicker one. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void nothingThatIsTriedByHandIsBetter(long seed) {
        var random = new Random(seed);
        var pass = pass(60, (i, picture) -> {
            for (int n = 0; n < 6; n++) {
                square(
                        picture,
                        random.nextInt(150),
                        random.nextInt(66),
                        2 + random.nextInt(10),
                        90 + random.nextInt(60));
            }
        });
        var marks = List.of(wanted(5, 6, "one"), wanted(12, 13, "two"), unwanted(20, 25, "three"));
        var found = Suggestion.of(pass, whole(), marks, ALL, setting(.01, .5), new CellGrid(16, 8))
                .orElseThrow();
        for (double sensitivity : ALL.sensitivities()) {
            var step = Step.Fixed.ofSensitivity(sensitivity);
            var levels = pass.levels(step, whole());
            for (double threshold : ALL.thresholds()) {
                var tried = Trial.of(setting(.01, .5).with(step, threshold), levels, marks);
                assertThat(tried.missed().size())
                        .isGreaterThanOrEqualTo(found.best().missed().size());
                if (tried.missed().size() == found.best().missed().size()) {
                    assertThat(tried.falseMotion())
                            .isGreaterThanOrEqualTo(found.best().falseMotion());
                    if (tried.falseMotion().equals(found.best().falseMotion())
                            && tried.falseStarts() == found.best().falseStarts()) {
                        assertThat(Math.min(3, tried.margin().orElse(0)))
                                .isLessThanOrEqualTo(
                                        Math.min(3, found.best().margin().orElse(0)));
                    }
                }
            }
        }
    }

    @Test
    void anAdaptedStepPassesOverNoiseAndSeesSomebodyInIt() {
        var random = new Random(5);
        var pass = pass(240, (i, picture) -> {
            for (int p = 0; p < picture.length; p++) {
                picture[p] = (byte) (100 + Math.round(random.nextGaussian() * 6));
            }
            if (i >= 200 && i < 206) {
                square(picture, 60 + 6 * (i - 200), 30, 10, 160);
            }
        });
        var adapted = pass.levels(new Step.Adapted(), whole());
        var fixed = pass.levels(Step.Fixed.ofSensitivity(75), whole());
        assertThat(fixed.get(150).value()).as("noise at a fixed step").isGreaterThan(.2);
        assertThat(adapted.get(150).value()).as("noise at an adapted one").isLessThan(.005);
        assertThat(adapted.get(203).value()).isGreaterThan(100.0 / (WIDTH * HEIGHT) * .9);
    }

    @Test
    void aPassHasABoundAndKnowsItsGaps() {
        var taking = new Pass.Taking(8, 8, 64 * 3);
        var dark = new Picture(8, 8, new byte[64]);
        byte[] white = new byte[64];
        Arrays.fill(white, (byte) 200);
        assertThat(taking.take(at(0), dark)).isTrue();
        taking.begin();
        assertThat(taking.take(at(60), new Picture(8, 8, white))).isTrue();
        assertThatThrownBy(() -> taking.take(at(59), dark)).isInstanceOf(IllegalArgumentException.class);
        assertThat(taking.take(at(61), dark)).isTrue();
        assertThat(taking.take(at(62), dark)).isFalse();
        var all = new BitSet();
        all.set(0, 64);
        assertThat(taking.taken().levels(new Step.Fixed(30), all))
                .extracting(Level::value)
                .as("what was before a gap is not compared with what comes after it")
                .containsExactly(0.0, 0.0, 1.0);
    }

    @Test
    void nothingIsWatchedNothingIsSeen() {
        assertThat(quay().levels(new Step.Fixed(5), new BitSet()))
                .extracting(Level::value)
                .containsOnly(0.0);
        var report = Trial.of(setting(.01, 0), List.of(), List.of(wanted(1, 2, "nobody looked")));
        assertThat(report.missed()).hasSize(1);
        assertThat(report.wanted().getFirst().at()).isEmpty();
        assertThat(report.margin().orElseThrow()).isZero();
        assertThat(report.decisive()).isPresent();
        assertThat(report.events()).isEmpty();
    }
}
