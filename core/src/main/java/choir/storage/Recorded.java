package choir.storage;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.util.Optional;

/**
 * How much a camera is expected to record.
 *
 * @param secondsAWeek 0 to 604,800
 * @param bytesADay on an average day
 */
public record Recorded(double secondsAWeek, double bytesADay) {
    public static final Recorded NOTHING = new Recorded(0, 0);
    private static final int MINUTE = 60;

    public Recorded plus(Recorded other) {
        return new Recorded(secondsAWeek + other.secondsAWeek, bytesADay + other.bytesADay);
    }

    /**
     * What a recorder that holds this is expected to record: all of the minutes in which it always records, and a share of
     * those in which it waits for something. Days of calendars are not counted in.
     *
     * @param measured how often its camera saw motion; empty for what is assumed
     * @return empty when it does not show when it records
     */
    public static Optional<Recorded> of(NativeConfig held, Assumed assumed, Optional<Movement> measured) {
        if (!(held.get(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var week))) {
            return Optional.empty();
        }
        if (isOff(held, Catalogue.SWITCHED_ON)) {
            return Optional.of(NOTHING);
        }
        boolean looks = !isOff(held, Catalogue.DETECTION);
        double padding = number(held, Catalogue.BEFORE_EVENT, 0) + number(held, Catalogue.AFTER_EVENT, 0);
        int always = week.minutes(t -> t.members().contains(Trigger.CONTINUOUS));
        double seconds = (always + waiting(week, looks, assumed.share(padding), measured, padding)) * MINUTE;
        return Optional.of(new Recorded(seconds, seconds / 7 * bits(held, assumed) / 8));
    }

    /**
     * Minutes that are expected of those in which something can start a recording and none goes on anyway.
     *
     * @param share of them by what is assumed
     */
    private static double waiting(
            Week<TriggerSet> week, boolean looks, double share, Optional<Movement> measured, double padding) {
        double minutes = 0;
        for (var run : week.runs()) {
            var members = run.value().members();
            boolean waits =
                    members.stream().anyMatch(m -> looks || m != Trigger.MOTION && m != Trigger.MOTION_AND_ALARM);
            if (members.contains(Trigger.CONTINUOUS) || !waits) {
                continue;
            }
            if (measured.isEmpty() || !members.contains(Trigger.MOTION)) {
                minutes += run.minutes() * share;
                continue;
            }
            for (int at = run.from(); at < run.to(); at = (at / MINUTE + 1) * MINUTE) {
                int end = Math.min(run.to(), (at / MINUTE + 1) * MINUTE);
                minutes += (end - at) * measured.get().share(at / MINUTE, padding);
            }
        }
        return minutes;
    }

    private static double bits(NativeConfig held, Assumed assumed) {
        boolean main =
                !(held.get(Catalogue.STREAM).orElse(null) instanceof NativeValue.Single(NativeScalar.Word(var word)))
                        || word.equals("main");
        double rate = number(held, Catalogue.FRAME_RATE, Assumed.FULL_RATE);
        return (main ? assumed.mainBits() : assumed.smallBits()) * Math.min(1, rate / Assumed.FULL_RATE);
    }

    private static boolean isOff(NativeConfig held, SettingKey key) {
        return held.get(key).equals(Optional.of(new NativeValue.Flag(false)));
    }

    private static double number(NativeConfig held, SettingKey key, double otherwise) {
        return held.get(key).orElse(null) instanceof NativeValue.Single(NativeScalar.Number(var number))
                ? number.doubleValue()
                : otherwise;
    }
}
