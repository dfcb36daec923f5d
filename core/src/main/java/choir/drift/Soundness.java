package choir.drift;

import choir.area.CellGrid;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.scale.NativeScalar;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Checks beyond drift: configurations that agree with what is asked and defeat themselves all the same. A policy is checked
 * before it is given out, and what a recorder holds where no policy governs it. Where somebody has said that a camera shall
 * not record, by {@code recording.switched-on: off}, recording nothing is no mistake.
 */
public final class Soundness {
    private static final List<SettingKey> AT_LEAST =
            List.of(Catalogue.BEFORE_EVENT, Catalogue.AFTER_EVENT, Catalogue.KEEP_AT_LEAST);
    private static final Set<Check> CONTRADICTIONS =
            EnumSet.of(Check.KEEPING_CONTRADICTS, Check.IGNORES_EVERYTHING, Check.MOTION_WITHOUT_DETECTION);
    private static final CellGrid FINE = new CellGrid(64, 64);

    /** @param sentence what is wrong, for people, without an end stop */
    public record Unsound(Check check, String sentence) {}

    private Soundness() {}

    /** What a policy asks for. */
    public static List<Unsound> of(EffectivePolicy policy) {
        List<Unsound> found = new ArrayList<>();
        boolean records = !isOff(policy, Catalogue.SWITCHED_ON);
        policy.week().filter(w -> records).ifPresent(week -> ofWeek(policy, week, found));
        policy.areas()
                .filter(a -> a.watched(FINE).count() == 0)
                .ifPresent(a -> found.add(
                        new Unsound(Check.IGNORES_EVERYTHING, "The areas of the policy leave nothing to be watched")));
        keeping(policy).ifPresent(found::add);
        return found;
    }

    /** What cannot be right in a template, whatever other layers say; a part of a week is no mistake in one. */
    public static List<Unsound> ofTemplate(EffectivePolicy policy) {
        return of(policy).stream()
                .filter(u -> CONTRADICTIONS.contains(u.check()))
                .toList();
    }

    private static void ofWeek(EffectivePolicy policy, Week<TriggerSet> week, List<Unsound> found) {
        int silent = Week.MINUTES - week.minutes(t -> true);
        boolean daysRecord = policy.specialDays()
                .filter(d -> d.byCalendar().values().stream()
                        .anyMatch(p -> p.value().day().minutes(t -> !t.recordsNothing()) > 0))
                .isPresent();
        if (silent == 0 && !daysRecord && week.minutes(t -> !t.recordsNothing()) == 0) {
            found.add(new Unsound(
                    Check.RECORDS_NOTHING,
                    "The policy records nothing at any hour of the week; if that is meant, say recording.switched-on: off"
                            + " with a reason"));
        }
        int blind = week.minutes(TriggerSet::recordsNothing);
        if (blind > 0 && (blind < Week.MINUTES || daysRecord)) {
            found.add(new Unsound(
                    Check.BLIND_HOURS, "The policy records nothing during " + hours(blind) + " of the week"));
        }
        if (silent > 0 && silent < Week.MINUTES) {
            found.add(new Unsound(
                    Check.INCOMPLETE_WEEK,
                    "The policy says nothing of " + hours(silent) + " of the week, so whatever the recorder holds stays"
                            + " there"));
        }
        int awaited = week.minutes(Soundness::awaitsMotion);
        if (awaited > 0 && isOff(policy, Catalogue.DETECTION)) {
            found.add(new Unsound(
                    Check.MOTION_WITHOUT_DETECTION,
                    "The policy waits for motion during " + hours(awaited)
                            + " of the week and switches detection off"));
        }
        boolean used = awaited > 0 || silent > 0 || daysRecord || responds(policy);
        if (!used && policy.scalar(Catalogue.DETECTION).equals(Optional.of(new Value.Flag(true)))) {
            found.add(new Unsound(
                    Check.DETECTION_UNUSED, "The policy switches detection on, and nothing in it waits for motion"));
        }
    }

    private static boolean responds(EffectivePolicy policy) {
        return policy.settings().keySet().stream().anyMatch(key -> key.text().startsWith("response."));
    }

    private static Optional<Unsound> keeping(EffectivePolicy policy) {
        var least = days(policy, Catalogue.KEEP_AT_LEAST);
        var most = days(policy, Catalogue.KEEP_AT_MOST);
        return least.isPresent() && most.isPresent() && least.get().compareTo(most.get()) > 0
                ? Optional.of(new Unsound(
                        Check.KEEPING_CONTRADICTS,
                        "The policy keeps footage for at least " + least.get().toPlainString() + " days and at most "
                                + most.get().toPlainString() + " days, which cannot both be"))
                : Optional.empty();
    }

    private static Optional<BigDecimal> days(EffectivePolicy policy, SettingKey key) {
        return policy.scalar(key).filter(Value.Amount.class::isInstance).map(v -> ((Value.Amount) v).number());
    }

    private static boolean isOff(EffectivePolicy policy, SettingKey key) {
        return policy.scalar(key).equals(Optional.of(new Value.Flag(false)));
    }

    private static boolean awaitsMotion(TriggerSet triggers) {
        return triggers.members().contains(Trigger.MOTION) || triggers.members().contains(Trigger.MOTION_AND_ALARM);
    }

    private static String hours(int minutes) {
        return minutes % 60 == 0 ? minutes / 60 + " h" : minutes / 60 + " h " + minutes % 60 + " min";
    }

    /**
     * What a recorder holds where nobody governs it; a governed value that differs is told as drift.
     *
     * @param governed settings that a policy asks for at this camera
     */
    public static List<Unsound> of(NativeConfig held, Set<SettingKey> governed) {
        List<Unsound> found = new ArrayList<>();
        Week<TriggerSet> week =
                held.get(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var hours) ? hours : Week.silent();
        int awaited = week.minutes(Soundness::awaitsMotion);
        if (awaited > 0 && isOff(held, governed, Catalogue.DETECTION)) {
            found.add(new Unsound(
                    Check.MOTION_WITHOUT_DETECTION,
                    "The recorder waits for motion during " + hours(awaited) + " of the week, and detection is off"));
        }
        if (week.minutes(t -> !t.recordsNothing()) > 0 && isOff(held, governed, Catalogue.SWITCHED_ON)) {
            found.add(new Unsound(
                    Check.NOT_SWITCHED_ON,
                    "The recorder has a schedule that is not switched on, so it records nothing"));
        }
        int blind = week.minutes(TriggerSet::recordsNothing);
        if (blind > 0 && !governed.contains(Catalogue.WEEK)) {
            found.add(new Unsound(
                    Check.BLIND_HOURS, "The recorder records nothing during " + hours(blind) + " of the week"));
        }
        if (isWithoutStore(held) && week.minutes(t -> !t.recordsNothing()) > 0) {
            found.add(new Unsound(
                    Check.NO_STORE, "The recorder has no store for this camera, so it records nothing at any hour"));
        }
        if (!governed.contains(Catalogue.AREAS)
                && held.get(Catalogue.AREAS).orElse(null) instanceof NativeValue.Mask(var mask)
                && mask.count() == 0) {
            found.add(new Unsound(Check.IGNORES_EVERYTHING, "The recorder watches no cell of the picture"));
        }
        return found;
    }

    private static boolean isWithoutStore(NativeConfig held) {
        return held.get(Catalogue.STORE).orElse(null) instanceof NativeValue.Single(NativeScalar.Word(var word))
                && (word.isBlank() || word.equalsIgnoreCase("none"));
    }

    /** What is asked for and the recorder can hold no more than a part of. */
    public static List<Unsound> of(EffectivePolicy policy, Translation translation) {
        List<String> shorter = new ArrayList<>();
        for (var key : AT_LEAST) {
            var asked =
                    policy.scalar(key).filter(Value.Amount.class::isInstance).map(v -> (Value.Amount) v);
            if (asked.isPresent()
                    && translation.wanted(key).orElse(null)
                            instanceof NativeValue.Single(NativeScalar.Number(var taken))
                    && taken.compareTo(asked.get().number()) < 0) {
                shorter.add(Catalogue.get(key).title().toLowerCase(Locale.ROOT) + ": asked "
                        + asked.get().text() + ", the recorder takes at most " + taken.toPlainString());
            }
        }
        return shorter.isEmpty()
                ? List.of()
                : List.of(new Unsound(
                        Check.SHORTER_THAN_ASKED,
                        "The policy asks for more than the recorder can keep; " + String.join("; ", shorter)));
    }

    private static boolean isOff(NativeConfig held, Set<SettingKey> governed, SettingKey key) {
        return !governed.contains(key) && held.get(key).equals(Optional.of(new NativeValue.Flag(false)));
    }
}
