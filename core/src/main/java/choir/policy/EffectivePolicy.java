package choir.policy;

import choir.week.TriggerSet;
import choir.week.Week;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What all layers come to for one camera. A setting that is missing is not governed. */
public record EffectivePolicy(Map<SettingKey, Effective> settings, List<Blocked> blocked) {
    /** A statement without effect because a farther layer fixed the setting. */
    public record Blocked(SettingKey key, Origin origin, Origin fixedBy) {}

    public static final EffectivePolicy EMPTY = new EffectivePolicy(Map.of(), List.of());

    public EffectivePolicy {
        settings = Collections.unmodifiableMap(new TreeMap<>(settings));
        blocked = List.copyOf(blocked);
    }

    public Optional<Effective> get(SettingKey key) {
        return Optional.ofNullable(settings.get(key));
    }

    public Optional<Value> scalar(SettingKey key) {
        return settings.get(key) instanceof Effective.Scalar s
                ? Optional.of(s.value().value())
                : Optional.empty();
    }

    public Optional<Week<TriggerSet>> week() {
        return settings.get(Catalogue.WEEK) instanceof Effective.Hours h ? Optional.of(h.week()) : Optional.empty();
    }

    public Optional<Effective.SpecialDays> specialDays() {
        return settings.get(Catalogue.SPECIAL_DAYS) instanceof Effective.SpecialDays d
                ? Optional.of(d)
                : Optional.empty();
    }

    public Optional<Effective.Areas> areas() {
        return settings.get(Catalogue.AREAS) instanceof Effective.Areas a ? Optional.of(a) : Optional.empty();
    }
}
