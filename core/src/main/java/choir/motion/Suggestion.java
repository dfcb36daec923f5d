package choir.motion;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.motion.Mark.Kind;
import choir.motion.MotionEvents.Level;
import choir.motion.Trial.Heard;
import choir.motion.Trial.Lane;
import choir.motion.Trial.Report;
import choir.motion.Trial.Seen;
import choir.motion.Trial.Setting;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The setting that is best on marked footage, among those that a device can hold: all wanted moments caught, then the
 * shortest motion in what is unwanted and the fewest false starts, then the best margin, of which three is ample, then the
 * least recorded. Motion that
 * never ends is one false start, which is why they alone do not decide.
 *
 * @param best what it comes to
 * @param sensitivity of the best, 0 to 100; missing when the device adapts by itself
 * @param areas what each is best set to, where they have values of their own; else none
 * @param against when no setting parts them: the unwanted mark that is stronger than a wanted one, and that one
 * @param ignore cells that move in what is unwanted and never in what is wanted, when leaving them out is better
 */
public record Suggestion(
        Report best,
        Optional<Double> sensitivity,
        List<AreaChoice> areas,
        Optional<Against> against,
        Optional<Ignoring> ignore) {
    /** @param sensitivity 0 to 100; missing where the device adapts by itself */
    public record AreaChoice(String area, Optional<Double> sensitivity, double threshold) {}

    /** What a device can hold. */
    public record Choices(List<Double> sensitivities, boolean adapts, List<Double> thresholds) {
        public Choices {
            sensitivities = List.copyOf(sensitivities);
            thresholds = thresholds.stream().sorted().toList();
            if (sensitivities.isEmpty() && !adapts || thresholds.isEmpty()) {
                throw new IllegalArgumentException("a device without a choice has no best");
            }
        }
    }

    public record Against(Seen unwanted, Seen wanted) {}

    /**
     * @param cells those that would be left out
     * @param report with them left out, at the setting that is then the best
     */
    public record Ignoring(CellMask cells, Report report, Optional<Double> sensitivity) {}

    /** So much better a margin has to be for an area to be proposed. */
    private static final double WORTH = 1.25;

    /** The margin that needs no help. */
    private static final double AMPLE = 3;

    private static final int MOVES = 40;

    /** The best of what one area can be set to. */
    private record Candidate(Report report, Optional<Double> sensitivity, Heard heard) {}

    /** Twice around is enough for areas that lie beside each other. */
    private static final int ROUNDS = 2;

    private static final Comparator<Candidate> BETTER = Comparator.<Candidate>comparingInt(
                    c -> c.report().missed().size())
            .thenComparing(c -> c.report().falseMotion())
            .thenComparingInt(c -> c.report().falseStarts())
            .thenComparing(c -> -Math.min(AMPLE, c.report().margin().orElse(0)))
            .thenComparingLong(c -> twentieths(c.report()))
            .thenComparing(c -> -c.report().margin().orElse(0));

    /** Of what was watched; less than that is not worth a margin. */
    private static long twentieths(Report report) {
        return Math.round(20.0
                * report.recorded().toMillis()
                / Math.max(1, report.watched().toMillis()));
    }

    /**
     * What is set now.
     *
     * @param watched pixels
     * @param now its levels at what it is set to
     */
    public record Area(BitSet watched, Lane now) {}

    /**
     * Of a picture that is one area, at a device that sees as the model does.
     *
     * @param watched the pixels that are watched now
     */
    public static Optional<Suggestion> of(
            Pass pass, BitSet watched, List<Mark> marks, Choices choices, Setting around, CellGrid grid) {
        return of(pass, List.of(new Area(watched, new Lane("", List.of(), 1))), marks, choices, around, grid, 1);
    }

    /**
     * @param areas one that is the picture, or those of a device whose areas have values of their own
     * @param around delays and what is kept around; its step and threshold are not looked at
     * @param grid on which an area to leave out is proposed, where the picture is one
     * @param factor by which this device's levels differ from the model's
     * @return empty when no moment is marked as wanted, so that anything is as good as anything
     */
    public static Optional<Suggestion> of(
            Pass pass,
            List<Area> areas,
            List<Mark> marks,
            Choices choices,
            Setting around,
            CellGrid grid,
            double factor) {
        if (marks.stream().noneMatch(m -> m.kind() == Kind.WANTED)) {
            return Optional.empty();
        }
        var search = new Search(pass, marks, choices, around, factor);
        return Optional.of(areas.size() == 1 ? search.picture(areas.getFirst(), grid) : search.areas(areas));
    }

    /** What is the same for all that is tried. */
    private record Search(Pass pass, List<Mark> marks, Choices choices, Setting around, double factor) {
        Suggestion picture(Area area, CellGrid grid) {
            var best = best(area, List.of());
            var against = against(best.report());
            Optional<Ignoring> ignoring = Optional.empty();
            if (against.isPresent() || best.report().margin().orElse(AMPLE) < AMPLE) {
                ignoring = ignoring(area, grid, best);
            }
            return new Suggestion(best.report(), best.sensitivity(), List.of(), against, ignoring);
        }

        /** One after the other, each with the others as they are then. */
        Suggestion areas(List<Area> areas) {
            List<Heard> heard = new ArrayList<>();
            for (var area : areas) {
                heard.add(levels(area, area.now().levels()).at(area.now().threshold()));
            }
            List<Candidate> best = new ArrayList<>();
            for (int round = 0; round < ROUNDS; round++) {
                best.clear();
                for (int i = 0; i < areas.size(); i++) {
                    var others = new ArrayList<>(heard);
                    others.remove(i);
                    var found = best(areas.get(i), others);
                    heard.set(i, found.heard());
                    best.add(found);
                }
            }
            var report = best.getLast().report();
            List<AreaChoice> chosen = new ArrayList<>();
            for (int i = 0; i < areas.size(); i++) {
                chosen.add(new AreaChoice(
                        areas.get(i).now().area(),
                        best.get(i).sensitivity(),
                        heard.get(i).threshold()));
            }
            return new Suggestion(report, best.getFirst().sensitivity(), chosen, against(report), Optional.empty());
        }

        private Trial.Levels levels(Area area, List<Level> levels) {
            return new Trial.Levels(area.now().area(), levels, marks, around.onDelay());
        }

        private Candidate best(Area area, List<Heard> others) {
            var curves = pass.curves(area.watched());
            List<Candidate> candidates = new ArrayList<>();
            var seen = new BitSet();
            for (double sensitivity : choices.sensitivities()) {
                int step = Sensitivity.step(sensitivity);
                if (!seen.get(step)) {
                    seen.set(step);
                    candidates.add(threshold(
                            levels(area, times(curves.levels(step))),
                            new Step.Fixed(step),
                            Optional.of(sensitivity),
                            others));
                }
            }
            if (choices.adapts()) {
                var step = new Step.Adapted();
                candidates.add(threshold(
                        levels(area, times(pass.levels(step, area.watched()))), step, Optional.empty(), others));
            }
            return candidates.stream().min(BETTER).orElseThrow();
        }

        private List<Level> times(List<Level> levels) {
            return new Lane("", levels, 1).times(factor).levels();
        }

        private Candidate threshold(Trial.Levels tried, Step step, Optional<Double> sensitivity, List<Heard> others) {
            return choices.thresholds().stream()
                    .map(t -> {
                        var own = tried.at(t);
                        List<Heard> all = new ArrayList<>(others);
                        all.add(own);
                        return new Candidate(Trial.report(around.with(step, t), all, marks), sensitivity, own);
                    })
                    .min(BETTER)
                    .orElseThrow();
        }

        private Optional<Ignoring> ignoring(Area area, CellGrid grid, Candidate best) {
            var cells = restless(grid, best);
            if (cells.count() == 0 || cells.count() == grid.cells()) {
                return Optional.empty();
            }
            var left = (BitSet) area.watched().clone();
            for (int i = left.nextSetBit(0); i >= 0; i = left.nextSetBit(i + 1)) {
                int x = i % pass.width() * grid.columns() / pass.width();
                int y = i / pass.width() * grid.rows() / pass.height();
                if (cells.watches(x, y)) {
                    left.clear(i);
                }
            }
            if (left.isEmpty()) {
                return Optional.empty();
            }
            var with = best(new Area(left, area.now()), List.of());
            boolean better = BETTER.compare(with, best) < 0
                    && (with.report().missed().size() < best.report().missed().size()
                            || with.report()
                                            .falseMotion()
                                            .compareTo(best.report().falseMotion())
                                    < 0
                            || with.report().margin().orElse(0)
                                    > WORTH * best.report().margin().orElse(0));
            return better ? Optional.of(new Ignoring(cells, with.report(), with.sensitivity())) : Optional.empty();
        }

        /** Cells of which a part moves in what is unwanted, and in no wanted moment. */
        private CellMask restless(CellGrid grid, Candidate best) {
            int step = best.report().setting().step() instanceof Step.Fixed fixed
                    ? fixed.luminance()
                    : Sensitivity.step(60);
            var unwanted = new BitSet();
            var wanted = new BitSet();
            for (int i = 0; i < pass.instants().size(); i++) {
                var at = pass.instants().get(i);
                boolean in = marks.stream().anyMatch(m -> m.kind() == Kind.WANTED && m.holds(at));
                boolean out = marks.stream().anyMatch(m -> m.kind() == Kind.UNWANTED && m.holds(at));
                if (in || out) {
                    byte[] shares = pass.cells(i, step, grid.columns(), grid.rows());
                    for (int c = 0; c < shares.length; c++) {
                        if ((shares[c] & 0xFF) >= MOVES) {
                            (in ? wanted : unwanted).set(c);
                        }
                    }
                }
            }
            unwanted.andNot(wanted);
            return CellMask.of(grid, unwanted);
        }
    }

    /** The two that no threshold at this sensitivity can part. */
    private static Optional<Against> against(Report report) {
        if (report.wanted().isEmpty() || report.unwanted().isEmpty()) {
            return Optional.empty();
        }
        var weakest = report.wanted().getFirst();
        var strongest = report.unwanted().getFirst();
        return strongest.ratio() >= weakest.ratio() ? Optional.of(new Against(strongest, weakest)) : Optional.empty();
    }
}
