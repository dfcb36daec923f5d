package choir.storage;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock;
import choir.week.Week;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Pattern;

/**
 * What a camera is expected to put on its disk on an average day of the coming four weeks.
 *
 * @param seconds recorded a day, by what starts it; what starts nothing is left out
 */
public record Usage(Map<By, Range> seconds, Rate rate) {
    /** What is recorded by several at once counts for the first of them. */
    public enum By {
        CONTINUOUS,
        MOTION,
        /** Alarms, analytics, and motion together with an alarm. */
        OTHER_EVENTS,
        /** Clips at fixed intervals, where nothing else records. */
        CLIPS
    }

    static final int DAYS = 28;
    private static final double DAY = 86_400;
    private static final int MINUTE = 60;
    private static final Pattern CLIPS = Pattern.compile("(\\d{1,5})s every (\\d{1,5})min");
    /** How often something happens that nobody counted. */
    private static final Range GUESSED = new Range(0.4, 1, 2.5);

    public Usage {
        seconds = Map.copyOf(seconds);
    }

    /**
     * Of a camera whose recorder is set so: all of the minutes in which it always records, a share of those in which it waits
     * for something, and the clips of the rest. Special days among the coming ones count by their own plans.
     *
     * @param from the first of the days
     * @return empty when it does not show when it records
     */
    public static Optional<Usage> of(NativeConfig config, Footing footing, LocalDate from) {
        if (!(config.get(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var spoken))) {
            return Optional.empty();
        }
        var week = spoken.orElse(TriggerSet.NONE);
        var sums = new Sums(config, footing);
        if (!isOff(config, Catalogue.SWITCHED_ON)) {
            sums.add(week, 0, DAYS / 7);
            special(config, week, from, sums);
        }
        return Optional.of(new Usage(sums.aDay(), footing.rate(config)));
    }

    /** Puts the plans of special days in the place of those of the week. */
    private static void special(NativeConfig config, Week<TriggerSet> week, LocalDate from, Sums sums) {
        if (!(config.get(Catalogue.SPECIAL_DAYS).orElse(null) instanceof NativeValue.SpecialDays(var days))
                || days.isEmpty()) {
            return;
        }
        var clock = new WallClock(week, days, ZoneOffset.UTC);
        from.datesUntil(from.plusDays(DAYS))
                .forEach(date -> clock.special(date).ifPresent(special -> {
                    int monday = (date.getDayOfWeek().getValue() - 1) * Week.DAY;
                    sums.addDay(week, monday, monday, -1);
                    sums.addDay(special.plan().day(), 0, monday, 1);
                }));
    }

    /** Seconds of the coming days. */
    private static final class Sums {
        private final Footing footing;
        private final boolean looks;
        private final double padding;
        /** The share of quiet time that clips take. */
        private final double clips;

        private final Map<By, double[]> sums = new EnumMap<>(By.class);

        Sums(NativeConfig config, Footing footing) {
            this.footing = footing;
            this.looks = !isOff(config, Catalogue.DETECTION);
            this.padding = number(config, Catalogue.BEFORE_EVENT).orElse(0)
                    + number(config, Catalogue.AFTER_EVENT).orElse(0);
            this.clips = clips(config);
        }

        void add(Week<TriggerSet> week, int shift, int times) {
            week.runs().forEach(run -> add(run.value(), run.from() + shift, run.to() + shift, times));
        }

        /** @param monday which minute of the days of the week the first minute of that day is */
        void addDay(Week<TriggerSet> plan, int first, int monday, int times) {
            plan.runs().forEach(run -> {
                int from = Math.max(run.from(), first);
                int to = Math.min(run.to(), first + Week.DAY);
                if (from < to) {
                    add(run.value(), from - first + monday, to - first + monday, times);
                }
            });
        }

        private void add(TriggerSet triggers, int from, int to, int times) {
            var members = triggers.members();
            double seconds = (double) (to - from) * MINUTE * times;
            if (members.contains(Trigger.CONTINUOUS)) {
                add(By.CONTINUOUS, Range.exactly(1), seconds);
                return;
            }
            if (looks && members.contains(Trigger.MOTION)) {
                var movement = footing.movement();
                if (movement.isEmpty()) {
                    waiting(By.MOTION, guessed(), seconds);
                    return;
                }
                for (int at = from; at < to; at = (at / MINUTE + 1) * MINUTE) {
                    int end = Math.min(to, (at / MINUTE + 1) * MINUTE);
                    waiting(
                            By.MOTION,
                            movement.get().shares(at / MINUTE, padding),
                            (double) (end - at) * MINUTE * times);
                }
                return;
            }
            boolean waits =
                    members.stream().anyMatch(m -> m != Trigger.MOTION && (looks || m != Trigger.MOTION_AND_ALARM));
            if (waits) {
                waiting(By.OTHER_EVENTS, guessed(), seconds);
            } else {
                add(By.CLIPS, Range.exactly(clips), seconds);
            }
        }

        private Range guessed() {
            return GUESSED.times(footing.assumed().share(padding)).atMost(1);
        }

        private void waiting(By by, Range share, double seconds) {
            add(by, share, seconds);
            add(By.CLIPS, new Range(1 - share.high(), 1 - share.likely(), 1 - share.low()).times(clips), seconds);
        }

        private void add(By by, Range share, double seconds) {
            var sum = sums.computeIfAbsent(by, b -> new double[3]);
            sum[0] += share.low() * seconds;
            sum[1] += share.likely() * seconds;
            sum[2] += share.high() * seconds;
        }

        Map<By, Range> aDay() {
            Map<By, Range> all = new EnumMap<>(By.class);
            sums.forEach((by, sum) -> {
                // What was added and taken away again may leave a grain.
                if (sum[2] > 1e-6) {
                    double low = Math.max(0, sum[0] / DAYS);
                    double likely = Math.max(low, sum[1] / DAYS);
                    all.put(by, new Range(low, likely, Math.max(likely, sum[2] / DAYS)));
                }
            });
            return all;
        }
    }

    /** How much of the time is in clips of so many seconds every so many minutes, 0 to 1. */
    private static double clips(NativeConfig config) {
        if (!(config.get(Catalogue.CLIP_EVERY).orElse(null)
                instanceof NativeValue.Single(NativeScalar.Word(var text)))) {
            return 0;
        }
        var every = CLIPS.matcher(text);
        return every.matches() && !every.group(2).matches("0+")
                ? Math.min(1, Double.parseDouble(every.group(1)) / (Double.parseDouble(every.group(2)) * MINUTE))
                : 0;
    }

    private static boolean isOff(NativeConfig config, SettingKey key) {
        return config.get(key).equals(Optional.of(new NativeValue.Flag(false)));
    }

    static OptionalDouble number(NativeConfig config, SettingKey key) {
        return config.get(key).orElse(null) instanceof NativeValue.Single(NativeScalar.Number(var number))
                ? OptionalDouble.of(number.doubleValue())
                : OptionalDouble.empty();
    }

    /** Of all that starts a recording; never more than there is. */
    public Range secondsADay() {
        return Range.sum(List.copyOf(seconds.values())).atMost(DAY);
    }

    public Range bytesADay(By by) {
        return rate.bytesADay(seconds.getOrDefault(by, Range.NOTHING));
    }

    public Range bytesADay() {
        return rate.bytesADay(secondsADay());
    }
}
