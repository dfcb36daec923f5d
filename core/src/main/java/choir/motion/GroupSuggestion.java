package choir.motion;

import choir.motion.MotionEvents.Level;
import choir.motion.Suggestion.Choices;
import choir.motion.Trial.Lane;
import choir.motion.Trial.Report;
import choir.motion.Trial.Setting;
import java.time.Duration;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One setting for many cameras, and those that need their own. A camera is served by a setting that catches what its own best
 * setting catches, and begins no more in vain.
 *
 * @param setting what serves the most; of several what has the best margin where it is worst, of which three is ample, then
 *     what records least
 * @param served in their order
 * @param own those that it does not serve
 */
public record GroupSuggestion<K>(Common setting, List<Outcome<K>> served, List<Outcome<K>> own) {
    /** Of which each device takes the nearest that it has; sensitivities are whole numbers. */
    private static final double[] THRESHOLDS = {
        .0002, .0003, .0005, .0008, .001, .0015, .002, .003, .004, .005, .006, .008, .01, .0125, .015, .02, .025, .03,
        .04, .05, .06, .08, .1, .15, .2, .3, .4, .5
    };

    /** The margin that needs no help. */
    private static final double AMPLE = 3;

    /** Of motion in what is unwanted; less is nothing. */
    private static final Duration HARDLY = Duration.ofSeconds(10);

    /** @param sensitivity 0 to 100; missing where devices adapt by themselves */
    public record Common(Optional<Double> sensitivity, double threshold) {}

    /**
     * What a setting comes to at one camera.
     *
     * @param margin by what factor it is from its first mistake, at most 3
     */
    public record Result(int missed, int falseStarts, Duration falseMotion, double margin, Duration recorded) {
        static Result of(Report report) {
            return new Result(
                    report.missed().size(),
                    report.falseStarts(),
                    report.falseMotion(),
                    Math.min(AMPLE, report.margin().orElse(0)),
                    report.recorded());
        }

        boolean isAsGoodAs(Result best) {
            return missed <= best.missed
                    && falseStarts <= best.falseStarts
                    && falseMotion.compareTo(best.falseMotion.plus(HARDLY)) <= 0;
        }
    }

    /**
     * @param common what the common setting comes to
     * @param best what its own comes to
     * @param own its own best setting
     */
    public record Outcome<K>(K who, Result common, Result best, Common own) {}

    /** What every common setting comes to at one camera; the footage is not needed any more. */
    public static final class Table<K> {
        private final K who;
        private final Common own;
        private final Result best;
        private final boolean adapts;
        private final Map<Common, Result> results = new HashMap<>();

        /**
         * @param watched pixels
         * @param best its own best setting on the same footage
         * @param around delays and what is kept around
         */
        public Table(
                K who,
                Pass pass,
                BitSet watched,
                List<Mark> marks,
                Choices choices,
                Setting around,
                double factor,
                Suggestion best) {
            this.who = who;
            this.own = new Common(best.sensitivity(), best.best().setting().threshold());
            this.best = Result.of(best.best());
            this.adapts = choices.adapts();
            var curves = pass.curves(watched);
            Map<Integer, Trial.Levels> known = new HashMap<>();
            for (double said = 0; said <= Sensitivity.MOST; said++) {
                if (!choices.sensitivities().isEmpty()) {
                    int step = Sensitivity.step(nearest(choices.sensitivities(), said));
                    var levels = known.computeIfAbsent(step, s -> levels(curves.levels(s), factor, marks, around));
                    tried(Optional.of(said), new Step.Fixed(step), levels, marks, choices, around);
                }
            }
            if (adapts) {
                var step = new Step.Adapted();
                tried(
                        Optional.empty(),
                        step,
                        levels(pass.levels(step, watched), factor, marks, around),
                        marks,
                        choices,
                        around);
            }
        }

        private static Trial.Levels levels(List<Level> levels, double factor, List<Mark> marks, Setting around) {
            return new Trial.Levels("", new Lane("", levels, 1).times(factor).levels(), marks, around.onDelay());
        }

        private void tried(
                Optional<Double> sensitivity,
                Step step,
                Trial.Levels levels,
                List<Mark> marks,
                Choices choices,
                Setting around) {
            Map<Double, Result> byHeld = new HashMap<>();
            for (double threshold : THRESHOLDS) {
                double held = nearest(choices.thresholds(), threshold);
                results.put(
                        new Common(sensitivity, threshold),
                        byHeld.computeIfAbsent(
                                held,
                                t -> Result.of(Trial.report(around.with(step, t), List.of(levels.at(t)), marks))));
            }
        }

        private static double nearest(List<Double> choices, double said) {
            double nearest = choices.getFirst();
            for (double choice : choices) {
                if (Math.abs(choice - said) < Math.abs(nearest - said)) {
                    nearest = choice;
                }
            }
            return nearest;
        }
    }

    /**
     * @param cameras with marked footage, one or more
     * @return empty where no setting can be said to all of them, since some adapt only and others do not
     */
    public static <K> Optional<GroupSuggestion<K>> of(List<Table<K>> cameras) {
        Optional<GroupSuggestion<K>> best = Optional.empty();
        for (var candidate : candidates(cameras)) {
            List<Outcome<K>> served = new ArrayList<>();
            List<Outcome<K>> own = new ArrayList<>();
            for (var camera : cameras) {
                var result = camera.results.get(candidate);
                if (result != null) {
                    var outcome = new Outcome<>(camera.who, result, camera.best, camera.own);
                    (result.isAsGoodAs(camera.best) ? served : own).add(outcome);
                }
            }
            var found = new GroupSuggestion<>(candidate, served, own);
            if (served.size() + own.size() == cameras.size() && (best.isEmpty() || found.isBetterThan(best.get()))) {
                best = Optional.of(found);
            }
        }
        return best;
    }

    /** From the most sensitive to the least, and what adapts by itself where all do. */
    private static <K> List<Common> candidates(List<Table<K>> cameras) {
        List<Common> all = new ArrayList<>();
        for (double threshold : THRESHOLDS) {
            for (double said = 0; said <= Sensitivity.MOST; said++) {
                all.add(new Common(Optional.of(said), threshold));
            }
            if (cameras.stream().allMatch(c -> c.adapts)) {
                all.add(new Common(Optional.empty(), threshold));
            }
        }
        return all;
    }

    private boolean isBetterThan(GroupSuggestion<K> other) {
        if (served.size() != other.served.size()) {
            return served.size() > other.served.size();
        }
        int byMargin = Double.compare(margin(), other.margin());
        return byMargin == 0 ? recorded().compareTo(other.recorded()) < 0 : byMargin > 0;
    }

    /** Of those that are served, the worst. */
    private double margin() {
        return served.stream().mapToDouble(o -> o.common().margin()).min().orElse(0);
    }

    private Duration recorded() {
        return served.stream().map(o -> o.common().recorded()).reduce(Duration.ZERO, Duration::plus);
    }
}
