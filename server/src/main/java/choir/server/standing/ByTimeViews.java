package choir.server.standing;

import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.scale.Sensitivity;
import choir.week.DayPlan;
import java.util.List;

/** What of a camera's policy goes by time beside its week. */
final class ByTimeViews {
    /** A stretch of the week with a sensitivity of its own. */
    record LevelView(int from, int to, String sensitivity, OriginView origin, List<BeatenView> beaten) {}

    /** What holds on the dates of a calendar, or on one date: its lines with semicolons between. */
    record SpecialDayView(String calendar, String plan, OriginView origin, List<BeatenView> beaten) {}

    private ByTimeViews() {}

    static List<LevelView> levels(Standing s) {
        return s.policy().get(Catalogue.SENSITIVITY_BY_TIME).orElse(null) instanceof Effective.Levels levels
                ? levels.voices().runs().stream()
                        .map(r -> new LevelView(
                                r.from(),
                                r.to(),
                                r.value().value().toString(),
                                OriginView.of(r.value().origin()),
                                BeatenView.of(r.value(), Sensitivity::toString)))
                        .toList()
                : List.of();
    }

    static List<SpecialDayView> specialDays(Standing s) {
        return s.policy().get(Catalogue.SPECIAL_DAYS).orElse(null) instanceof Effective.SpecialDays days
                ? days.byCalendar().entrySet().stream()
                        .map(e -> new SpecialDayView(
                                e.getKey(),
                                e.getValue().value().toString(),
                                OriginView.of(e.getValue().origin()),
                                BeatenView.of(e.getValue(), DayPlan::toString)))
                        .toList()
                : List.of();
    }
}
