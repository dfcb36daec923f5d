package choir.server.standing;

import choir.family.NativeText;
import choir.family.Translation.Wish;
import choir.policy.Effective;
import choir.policy.Setting;
import choir.policy.Sourced;
import choir.policy.Value;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One setting of a camera.
 *
 * @param asked in neutral terms; missing when nobody governs the setting
 * @param wanted what the recorder ought to hold, in its own units
 * @param observed what it holds, in its own units
 */
record SettingRow(
        String key,
        String title,
        String meaning,
        @Nullable String asked,
        List<OriginView> origins,
        boolean fixed,
        List<BeatenView> beaten,
        @Nullable String wanted,
        @Nullable String approximated,
        @Nullable String cannot,
        @Nullable String observed,
        @Nullable String baseline,
        @Nullable String cause,
        @Nullable String severity,
        @Nullable String direction,
        MarkView mark) {
    static SettingRow of(Standing s, Setting setting) {
        var effective = s.policy().get(setting.key());
        var wish = Optional.ofNullable(s.translation().wishes().get(setting.key()));
        var wanted = wish.filter(Wish.Wanted.class::isInstance).map(Wish.Wanted.class::cast);
        var cannot = wish.filter(Wish.Cannot.class::isInstance).map(Wish.Cannot.class::cast);
        var deviation = s.deviation(setting.key());
        var held = s.held().flatMap(h -> h.get(setting.key()));
        var ought = wanted.map(Wish.Wanted::value);
        return new SettingRow(
                setting.key().text(),
                setting.title(),
                setting.meaning(),
                effective.map(Effective::text).orElse(null),
                effective.stream()
                        .flatMap(Origins::origins)
                        .distinct()
                        .map(OriginView::of)
                        .toList(),
                effective.map(SettingRow::isFixed).orElse(false),
                effective.map(SettingRow::beaten).orElse(List.of()),
                ought.map(v -> NativeText.beside(v, held)).orElse(null),
                wanted.flatMap(Wish.Wanted::approximated).orElse(null),
                cannot.map(Wish.Cannot::why).orElse(null),
                held.map(v -> NativeText.beside(v, ought)).orElse(null),
                s.baseline().get(setting.key()).map(NativeText::of).orElse(null),
                deviation.map(d -> d.cause().words()).orElse(null),
                deviation
                        .filter(d -> d.cause().isDeviation())
                        .map(d -> d.severity().name())
                        .orElse(null),
                deviation.map(d -> d.distance().direction().name()).orElse(null),
                MarkView.of(deviation.stream().toList()));
    }

    private static boolean isFixed(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> s.value().fixed();
            case Effective.Hours h ->
                h.voices().runs().stream().anyMatch(r -> r.value().fixed());
            case Effective.Levels l ->
                l.voices().runs().stream().anyMatch(r -> r.value().fixed());
            case Effective.SpecialDays d -> d.byCalendar().values().stream().anyMatch(Sourced::fixed);
            case Effective.Areas a -> a.fixed();
        };
    }

    private static List<BeatenView> beaten(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> BeatenView.of(s.value(), Value::text);
            case Effective.Hours h -> List.of();
            case Effective.Levels l -> List.of();
            case Effective.SpecialDays d -> List.of();
            case Effective.Areas a -> List.of();
        };
    }
}
