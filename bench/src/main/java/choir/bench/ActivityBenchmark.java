package choir.bench;

import choir.activity.Attribution;
import choir.activity.Attribution.Held;
import choir.activity.DayActivity;
import choir.activity.Demand;
import choir.activity.NotRecorded;
import choir.activity.NotRecorded.Past;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.week.WallClock;
import choir.week.WeekText;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** A day of 1,000 cameras with a hundred events each, compared with the policy that was in force, on one core. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ActivityBenchmark {
    private static final int CAMERAS = 1_000;
    private static final ZoneId ZONE = ZoneId.of("Atlantic/Faroe");
    private static final LocalDate DATE = LocalDate.of(2026, 11, 24);
    private static final Instant BEGIN = DATE.atStartOfDay(ZONE).toInstant();
    private static final Instant END = DATE.plusDays(1).atStartOfDay(ZONE).toInstant();

    private final WallClock week =
            new WallClock(WeekText.parse(List.of("daily motion", "mon-fri 05:30-09:30 continuous")), List.of(), ZONE);
    private final List<Spans> motions = new ArrayList<>();

    public ActivityBenchmark() {
        var random = new Random(7);
        for (int camera = 0; camera < CAMERAS; camera++) {
            List<Span> events = new ArrayList<>();
            for (int i = 0; i < 100; i++) {
                long from = BEGIN.getEpochSecond() + i * 860L + random.nextInt(600);
                events.add(new Span(from, from + 5 + random.nextInt(60)));
            }
            motions.add(Spans.of(events));
        }
    }

    /** What the week asks for on the clock, why footage is there, and what is missing. */
    @Benchmark
    public void compareADay(Blackhole hole) {
        var day = new Span(BEGIN.getEpochSecond(), END.getEpochSecond());
        var whole = Spans.of(day.from(), day.until());
        for (var motion : motions) {
            var demand = new Demand(week.between(BEGIN, END).stream()
                    .map(s -> new Demand.Part(
                            new Span(s.from().getEpochSecond(), s.until().getEpochSecond()), s.triggers()))
                    .toList());
            var recorded = motion.padded(6, 12)
                    .plus(Spans.of(day.from() + 5 * 3600 + 1800, day.from() + 9 * 3600))
                    .and(whole);
            var runs = Attribution.of(recorded, motion, List.of(new Held(demand, 6, 12)));
            var activity = new DayActivity(day, whole, runs, whole, motion);
            hole.consume(NotRecorded.of(activity, new Past(demand, demand)));
        }
    }
}
