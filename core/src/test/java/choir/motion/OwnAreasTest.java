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
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.area.CellGrid;
import choir.motion.MotionEvents.Event;
import choir.motion.MotionEvents.Level;
import choir.motion.Suggestion.Area;
import choir.motion.Suggestion.Choices;
import choir.motion.Trial.Lane;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Devices whose areas have a sensitivity and a threshold of their own. */
class OwnAreasTest {
    private static BitSet columns(int from, int until) {
        var pixels = new BitSet();
        for (int y = 0; y < HEIGHT; y++) {
            pixels.set(y * WIDTH + from, y * WIDTH + until);
        }
        return pixels;
    }

    @Test
    void aMomentIsSeenInTheAreaThatItIsMostOverAndThatAreasThresholdIsTold() {
        var door = new Lane("door", levels(0, 0, .05, .05, 0, 0, 0, 0), .1);
        var gate = new Lane("gate", levels(0, 0, .02, .02, 0, 0, 0, 0), .01);
        var report = Trial.ofAreas(setting(.1, 0), List.of(door, gate), List.of(wanted(1, 1.5, "walker")));
        assertThat(report.missed()).isEmpty();
        var seen = report.wanted().getFirst();
        assertThat(seen.area()).isEqualTo("gate");
        assertThat(seen.strongest()).isEqualTo(.02);
        assertThat(seen.threshold()).isEqualTo(.01);
        assertThat(report.wantedMargin().orElseThrow()).isCloseTo(2, within(1e-9));
        // Nobody adds the levels of two areas.
        var apart = new Lane("gate", gate.levels(), .03);
        assertThat(Trial.ofAreas(setting(.1, 0), List.of(door, apart), List.of(wanted(1, 1.5, "walker")))
                        .missed())
                .hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void motionIsWhatIsMotionInAnyOfThem(long seed) {
        var random = new Random(seed);
        for (int n = 0; n < 300; n++) {
            int areas = 1 + random.nextInt(4);
            int pictures = 2 + random.nextInt(50);
            List<Lane> lanes = new ArrayList<>();
            for (int a = 0; a < areas; a++) {
                lanes.add(new Lane(
                        "area " + a,
                        levels(random.doubles(pictures).map(v -> v < .7 ? 0 : v).toArray()),
                        .8));
            }
            var joined = Trial.ofAreas(setting(.8, 0), lanes, List.of()).events();
            // Each half second by itself: on in some area, or in none.
            for (int i = 0; i < pictures; i++) {
                var at = at(i / 2.0);
                boolean any = lanes.stream()
                        .flatMap(l -> Trial.of(setting(.8, 0), l.levels(), List.of()).events().stream())
                        .anyMatch(e -> isOn(e, at));
                assertThat(joined.stream().anyMatch(e -> isOn(e, at))).isEqualTo(any);
            }
            for (int i = 1; i < joined.size(); i++) {
                assertThat(joined.get(i).begin())
                        .isAfter(joined.get(i - 1).end().orElseThrow());
            }
        }
    }

    private static boolean isOn(Event event, Instant at) {
        return !at.isBefore(event.begin()) && event.end().map(at::isBefore).orElse(true);
    }

    @Test
    void eachAreaIsGivenWhatIsBestBesideTheOthers() {
        // Swell in the left one all of the time, somebody far and small in the right one.
        var choices = new Choices(
                List.of(100.0, 90.0, 80.0),
                false,
                IntStream.rangeClosed(1, 100).mapToObj(t -> t / 150.0).toList());
        var marks = List.of(unwanted(1, 29, "swell"), wanted(40, 42, "far walker"), wanted(50, 52, "nearer"));
        var pass = quay();
        var water = new Area(columns(0, 60), lane(pass, "water", columns(0, 60), .01));
        var pier = new Area(columns(60, WIDTH), lane(pass, "pier", columns(60, WIDTH), .01));
        var now = Trial.ofAreas(setting(.01, 0), List.of(water.now(), pier.now()), marks);
        assertThat(now.falseStarts()).isPositive();

        var found = Suggestion.of(pass, List.of(water, pier), marks, choices, setting(.01, 0), new CellGrid(16, 8), 1)
                .orElseThrow();
        assertThat(found.best().missed()).isEmpty();
        assertThat(found.best().falseStarts()).isZero();
        assertThat(found.areas()).extracting(Suggestion.AreaChoice::area).containsExactly("water", "pier");
        assertThat(found.areas().getFirst().threshold())
                .isGreaterThan(found.areas().getLast().threshold());
        // One setting for the picture as a whole parts them not.
        var whole = new BitSet();
        whole.set(0, WIDTH * HEIGHT);
        assertThat(Suggestion.of(pass, whole, marks, choices, setting(.01, 0), new CellGrid(16, 8))
                        .orElseThrow()
                        .best()
                        .margin()
                        .orElseThrow())
                .isLessThan(1);
        // What is suggested, tried by itself, is what was told.
        var tried = Trial.ofAreas(
                setting(.01, 0),
                found.areas().stream()
                        .map(a -> new Lane(
                                a.area(),
                                pass.levels(
                                        Step.Fixed.ofSensitivity(a.sensitivity().orElseThrow()),
                                        a.area().equals("water") ? columns(0, 60) : columns(60, WIDTH)),
                                a.threshold()))
                        .toList(),
                marks);
        assertThat(tried.falseStarts()).isZero();
        assertThat(tried.margin()).isEqualTo(found.best().margin());
    }

    private static Lane lane(Pass pass, String name, BitSet watched, double threshold) {
        return new Lane(name, pass.levels(Step.Fixed.ofSensitivity(80), watched), threshold);
    }

    @Test
    void picturesThatAreNotKeptHaveTheLevelsOfThoseThatAre() {
        var random = new Random(5);
        byte[][] pictures = new byte[40][WIDTH * HEIGHT];
        for (var picture : pictures) {
            random.nextBytes(picture);
            square(picture, random.nextInt(100), 10, 20, 200);
        }
        var pass = pass(
                pictures.length, (i, luminance) -> System.arraycopy(pictures[i], 0, luminance, 0, luminance.length));
        var areas = List.of(
                new Looking.At(new Step.Fixed(11), columns(0, 50)),
                new Looking.At(new Step.Adapted(), columns(30, 90)));
        var looking = new Looking(WIDTH, HEIGHT, areas);
        for (int i = 0; i < pictures.length; i++) {
            looking.take(at(i / 2.0), new Picture(WIDTH, HEIGHT, pictures[i]));
        }
        for (int a = 0; a < areas.size(); a++) {
            List<Level> kept = pass.levels(areas.get(a).step(), areas.get(a).watched());
            assertThat(looking.levels().get(a)).isEqualTo(kept);
        }
        assertThat(looking.levels().getFirst()).extracting(Level::value).anyMatch(v -> v > 0);
    }

    @Test
    void aDeviceThatSeesMoreThanTheModelIsTriedWithWhatItSees() {
        var lane = new Lane("", levels(.1, .6, 0), .5);
        assertThat(lane.times(1)).isSameAs(lane);
        assertThat(lane.times(2).levels()).extracting(Level::value).containsExactly(.2, 1.0, 0.0);
        assertThat(lane.times(2).threshold()).isEqualTo(.5);
        assertThat(Optional.of(lane.times(.5).levels().get(1).value())).contains(.3);
    }
}
