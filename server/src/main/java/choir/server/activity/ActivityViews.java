package choir.server.activity;

import choir.activity.DayActivity;
import choir.activity.DayActivity.Why;
import choir.activity.NotRecorded;
import choir.activity.Spans;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** What was recorded, as the network interface shows it. */
final class ActivityViews {
    private ActivityViews() {}

    /** Seconds recorded, by what started it; `unexplained` is of what nothing that is known explains. */
    record SecondsView(
            long continuous, long motion, long alarm, long analytics, long motionAndAlarm, long unexplained) {
        static SecondsView of(ActivityDay day) {
            return new SecondsView(
                    day.by(Why.CONTINUOUS),
                    day.by(Why.MOTION),
                    day.by(Why.ALARM),
                    day.by(Why.ANALYTICS),
                    day.by(Why.BOTH),
                    day.by(Why.UNEXPLAINED));
        }
    }

    /**
     * One day in sums.
     *
     * @param begins its midnight
     * @param length seconds that the day has; on days on which the clock is put 23 or 25 hours
     * @param known seconds of which the recorder said whether there is footage
     * @param recorded seconds with footage
     * @param motionKnown seconds of which it said whether its detection saw motion
     * @param moved seconds of motion
     * @param events how often it began
     * @param missing seconds that had to be recorded and were not; missing when nothing is known
     */
    record DaySums(
            String date,
            String begins,
            long length,
            long known,
            long recorded,
            SecondsView by,
            long motionKnown,
            long moved,
            int events,
            @Nullable Long missing) {
        static DaySums of(ActivityDay day) {
            return new DaySums(
                    day.date().toString(),
                    day.day().begin().toString(),
                    day.day().seconds(),
                    day.known(),
                    day.recorded(),
                    SecondsView.of(day),
                    day.motionKnown(),
                    day.moved(),
                    day.events(),
                    day.missing().isPresent() ? day.missing().getAsLong() : null);
        }
    }

    /** @param until exclusive */
    record ActivitySpan(String from, String until) {
        static List<ActivitySpan> of(Spans spans) {
            return spans.list().stream()
                    .map(s -> new ActivitySpan(s.begin().toString(), s.end().toString()))
                    .toList();
        }
    }

    /**
     * A stretch of footage.
     *
     * @param by what started it: {@code continuous}, {@code motion}, {@code alarm}, {@code analytics}, {@code motion+alarm}
     *     or {@code unexplained}
     * @param guessed that is what it looks like, since what the recorder was set to then is not known
     */
    record RecordedRun(String from, String until, String by, boolean guessed) {
        static RecordedRun of(DayActivity.Run run) {
            return new RecordedRun(
                    run.span().begin().toString(), run.span().end().toString(), word(run.why()), run.guessed());
        }
    }

    static String word(Why why) {
        return why == Why.BOTH ? "motion+alarm" : why.name().toLowerCase(Locale.ROOT);
    }

    /** @param triggers what had to start recording, such as {@code motion,alarm} */
    record DemandView(String from, String until, String triggers) {}

    /**
     * A stretch that had to be recorded and was not.
     *
     * @param demanded by what
     * @param cause {@code clock}, {@code held-otherwise}, {@code set-and-silent} or {@code not-known}
     * @param words the cause in words
     */
    record GapView(String from, String until, long seconds, String demanded, String cause, String words) {
        static GapView of(NotRecorded.Gap gap) {
            return new GapView(
                    gap.span().begin().toString(),
                    gap.span().end().toString(),
                    gap.span().seconds(),
                    gap.demanded().text(),
                    gap.cause().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    Then.inWords(gap.cause()));
        }
    }

    /**
     * Something that happened and may show in what was recorded.
     *
     * @param kind {@code policy}, {@code recorder}, {@code rollout}, {@code away} or {@code paused}
     */
    record TurnView(String at, String kind, String words) {
        TurnView(Instant at, String kind, String words) {
            this(at.toString(), kind, words);
        }
    }
}
