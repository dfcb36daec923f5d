package choir.motion;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.motion.Mark.Kind;
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
 * @param against when no setting parts them: the unwanted mark that is stronger than a wanted one, and that one
 * @param ignore cells that move in what is unwanted and never in what is wanted, when leaving them out is better
 */
public record Suggestion(
        Report best, Optional<Double> sensitivity, Optional<Against> against, Optional<Ignoring> ignore) {
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

    private record Candidate(Report report, Optional<Double> sensitivity) {}

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
     * @param watched the pixels that are watched now
     * @param around delays and what is kept around; its step and threshold are not looked at
     * @param grid on which an area is proposed
     * @return empty when no moment is marked as wanted, so that anything is as good as anything
     */
    public static Optional<Suggestion> of(
            Pass pass, BitSet watched, List<Mark> marks, Choices choices, Setting around, CellGrid grid) {
        if (marks.stream().noneMatch(m -> m.kind() == Kind.WANTED)) {
            return Optional.empty();
        }
        var best = best(pass, watched, marks, choices, around);
        var against = against(best.report());
        Optional<Ignoring> ignoring = Optional.empty();
        if (against.isPresent() || best.report().margin().orElse(AMPLE) < AMPLE) {
            ignoring = ignoring(pass, watched, marks, choices, around, grid, best);
        }
        return Optional.of(new Suggestion(best.report(), best.sensitivity(), against, ignoring));
    }

    private static Candidate best(Pass pass, BitSet watched, List<Mark> marks, Choices choices, Setting around) {
        var curves = pass.curves(watched);
        List<Candidate> candidates = new ArrayList<>();
        var seen = new BitSet();
        for (double sensitivity : choices.sensitivities()) {
            int step = Sensitivity.step(sensitivity);
            if (!seen.get(step)) {
                seen.set(step);
                candidates.add(bestThreshold(
                        curves.levels(step), new Step.Fixed(step), Optional.of(sensitivity), marks, choices, around));
            }
        }
        if (choices.adapts()) {
            var step = new Step.Adapted();
            candidates.add(bestThreshold(pass.levels(step, watched), step, Optional.empty(), marks, choices, around));
        }
        return candidates.stream().min(BETTER).orElseThrow();
    }

    private static Candidate bestThreshold(
            List<MotionEvents.Level> levels,
            Step step,
            Optional<Double> sensitivity,
            List<Mark> marks,
            Choices choices,
            Setting around) {
        var tried = new Trial.Levels(levels, marks, around.onDelay());
        return choices.thresholds().stream()
                .map(t -> new Candidate(tried.report(around.with(step, t)), sensitivity))
                .min(BETTER)
                .orElseThrow();
    }

    /** The two that no threshold at this sensitivity can part. */
    private static Optional<Against> against(Report report) {
        if (report.wanted().isEmpty() || report.unwanted().isEmpty()) {
            return Optional.empty();
        }
        var weakest = report.wanted().getFirst();
        var strongest = report.unwanted().getFirst();
        return strongest.strongest() >= weakest.strongest()
                ? Optional.of(new Against(strongest, weakest))
                : Optional.empty();
    }

    private static Optional<Ignoring> ignoring(
            Pass pass,
            BitSet watched,
            List<Mark> marks,
            Choices choices,
            Setting around,
            CellGrid grid,
            Candidate best) {
        var cells = restless(pass, marks, grid, best);
        if (cells.count() == 0 || cells.count() == grid.cells()) {
            return Optional.empty();
        }
        var left = (BitSet) watched.clone();
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
        var with = best(pass, left, marks, choices, around);
        boolean better = BETTER.compare(with, best) < 0
                && (with.report().missed().size() < best.report().missed().size()
                        || with.report().falseMotion().compareTo(best.report().falseMotion()) < 0
                        || with.report().margin().orElse(0)
                                > WORTH * best.report().margin().orElse(0));
        return better ? Optional.of(new Ignoring(cells, with.report(), with.sensitivity())) : Optional.empty();
    }

    /** Cells of which a part moves in what is unwanted, and in no wanted moment. */
    private static CellMask restless(Pass pass, List<Mark> marks, CellGrid grid, Candidate best) {
        int step =
                best.report().setting().step() instanceof Step.Fixed fixed ? fixed.luminance() : Sensitivity.step(60);
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
