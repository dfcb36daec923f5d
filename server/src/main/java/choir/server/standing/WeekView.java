package choir.server.standing;

import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekDifference;
import choir.week.WeekText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The week as asked, as the recorder ought to hold it, as it holds it, and where the last two differ. */
public record WeekView(
        List<RunView> asked, List<RunView> wanted, List<RunView> observed, List<DifferenceView> differences) {
    /** Minutes of the week from Monday 00:00; {@code to} is exclusive. */
    public record RunView(
            int from, int to, String triggers, @Nullable OriginView origin, List<BeatenView> beaten) {}

    public record DifferenceView(int from, int to, String when, String wanted, String observed) {}

    static WeekView of(Standing s) {
        List<RunView> asked = new ArrayList<>();
        if (s.policy().get(Catalogue.WEEK).orElse(null) instanceof Effective.Hours hours) {
            hours.voices()
                    .runs()
                    .forEach(r -> asked.add(new RunView(
                            r.from(),
                            r.to(),
                            r.value().value().toString(),
                            OriginView.of(r.value().origin()),
                            BeatenView.of(r.value(), TriggerSet::toString))));
        }
        var wanted = hours(s.translation().wanted(Catalogue.WEEK));
        var observed = hours(s.held().flatMap(h -> h.get(Catalogue.WEEK)));
        var differences = wanted.flatMap(want -> observed.map(held -> differences(want, held.where(want))))
                .orElse(List.of());
        return new WeekView(asked, runs(wanted), runs(observed), differences);
    }

    /** A change of a week: what it will be as asked, what it is as observed; empty for other values. */
    public static Optional<WeekView> ofChange(Optional<NativeValue> before, NativeValue after) {
        return hours(Optional.of(after))
                .map(will -> new WeekView(
                        runs(Optional.of(will)),
                        List.of(),
                        runs(hours(before)),
                        hours(before).map(was -> differences(will, was)).orElse(List.of())));
    }

    private static List<DifferenceView> differences(Week<TriggerSet> wanted, Week<TriggerSet> observed) {
        return WeekDifference.between(wanted, observed).windows().stream()
                .map(w -> new DifferenceView(
                        w.from(), w.to(), WeekText.stretch(w.from(), w.to()), words(w.desired()), words(w.observed())))
                .toList();
    }

    private static String words(Optional<TriggerSet> triggers) {
        return triggers.map(TriggerSet::toString).orElse("none");
    }

    private static Optional<Week<TriggerSet>> hours(Optional<NativeValue> value) {
        return value.filter(NativeValue.Hours.class::isInstance).map(v -> ((NativeValue.Hours) v).week());
    }

    private static List<RunView> runs(Optional<Week<TriggerSet>> week) {
        return week.stream()
                .flatMap(w -> w.runs().stream())
                .map(r -> new RunView(r.from(), r.to(), r.value().toString(), null, List.of()))
                .toList();
    }
}
