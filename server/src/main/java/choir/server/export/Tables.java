package choir.server.export;

import choir.activity.DayActivity.Why;
import choir.drift.Deviation;
import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.SettingKey;
import choir.server.activity.ActivityDay;
import choir.server.activity.ActivityStore;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.forecast.ExpectedStore;
import choir.server.forecast.Forecasts;
import choir.server.reading.Observation;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.storage.Range;
import choir.storage.Usage.By;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The lines of each table, one after another, so that few are held at once. */
@Component
class Tables {
    private static final Selection ALL = Selection.parse("");
    private static final double HOUR = 3_600;

    private final ActivityStore activity;
    private final FindingStore findings;
    private final Standings standings;
    private final Forecasts forecasts;
    private final Clock clock;

    Tables(ActivityStore activity, FindingStore findings, Standings standings, Forecasts forecasts, Clock clock) {
        this.activity = activity;
        this.findings = findings;
        this.standings = standings;
        this.forecasts = forecasts;
        this.clock = clock;
    }

    /** @param now under which instant that is told which is only known as it is now */
    void lines(Dataset dataset, LocalDate day, Instant now, Consumer<Record> taken) {
        switch (dataset) {
            case ACTIVITY ->
                standings
                        .select(ALL)
                        .forEach(s ->
                                activity.of(s.row().id(), day, day, false).forEach(d -> taken.accept(activity(s, d))));
            case FINDINGS ->
                findings.within(
                                day.atStartOfDay(clock.getZone()).toInstant(),
                                day.plusDays(1).atStartOfDay(clock.getZone()).toInstant())
                        .forEach(f -> taken.accept(finding(day, f)));
            case STANDINGS -> standings.select(ALL).forEach(s -> taken.accept(standing(day, now, s)));
            case FORECASTS -> forecasts.stores("", s -> taken.accept(forecast(day, now, s)));
        }
    }

    private static ActivityLine activity(Standing camera, ActivityDay day) {
        return new ActivityLine(
                day.date(),
                camera.camera().text(),
                camera.recorder().name(),
                camera.row().label(),
                camera.group().text(),
                camera.recorder().zoneId().map(ZoneId::getId).orElse(null),
                day.day().seconds(),
                day.known(),
                day.by(Why.CONTINUOUS),
                day.by(Why.MOTION),
                day.by(Why.ALARM),
                day.by(Why.ANALYTICS),
                day.by(Why.BOTH),
                day.by(Why.UNEXPLAINED),
                day.motionKnown(),
                day.moved(),
                day.events(),
                orNothing(day.missing()));
    }

    private static FindingLine finding(LocalDate day, Finding f) {
        return new FindingLine(
                day,
                f.id(),
                f.recorder(),
                f.camera().map(Node.Camera::text).orElse(null),
                f.label(),
                f.group().map(Node.Group::text).orElse(null),
                f.matter().about(),
                f.matter().setting().map(SettingKey::text).orElse(null),
                f.why(),
                f.severity().word(),
                f.distance().loss().doubleValue(),
                f.distance().waste().doubleValue(),
                f.distance().minutesWithoutRecording(),
                f.sentence(),
                f.desired().orElse(null),
                f.observed().orElse(null),
                millis(f.firstSeen()),
                millis(f.lastSeen()),
                f.end().map(Finding.End::at).map(Tables::millis).orElse(null),
                f.end().map(Finding.End::by).orElse(null),
                f.acceptedUntil().orElse(null),
                f.assignment().map(Finding.Assignment::to).orElse(null));
    }

    private static StandingLine standing(LocalDate day, Instant now, Standing s) {
        return new StandingLine(
                day,
                now,
                s.camera().text(),
                s.recorder().name(),
                s.row().label(),
                s.row().deviceName(),
                s.group().text(),
                s.tags().stream().sorted().collect(Collectors.joining(" ")),
                s.familyName(),
                s.states().stream().map(CameraState::word).sorted().collect(Collectors.joining(" ")),
                s.policy().settings().size(),
                (int) s.deviations().stream().map(Deviation::key).distinct().count(),
                s.observation().map(Observation::readAt).map(Tables::millis).orElse(null),
                s.trouble().orElse(null));
    }

    private static ForecastLine forecast(LocalDate day, Instant now, ExpectedStore store) {
        // Days without an end are those of a store on which nothing is recorded.
        var days = store.days().filter(d -> Double.isFinite(d.high()));
        return new ForecastLine(
                day,
                now,
                store.recorder(),
                store.store(),
                store.cameras(),
                store.unknown(),
                store.allBytesADay().low(),
                store.allBytesADay().likely(),
                store.allBytesADay().high(),
                likely(store, By.CONTINUOUS),
                likely(store, By.MOTION),
                likely(store, By.OTHER_EVENTS),
                likely(store, By.CLIPS),
                store.secondsADay().likely() / HOUR,
                store.size().map(s -> s.bytes().likely()).orElse(null),
                store.size().map(s -> word(s.basis())).orElse(null),
                days.map(Range::low).orElse(null),
                days.map(Range::likely).orElse(null),
                days.map(Range::high).orElse(null),
                orNothing(store.wanted()),
                orNothing(store.allowed()),
                word(store.verdict()));
    }

    private static double likely(ExpectedStore store, By by) {
        return store.bytesADay().getOrDefault(by, Range.NOTHING).likely();
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** As finely as both forms tell it. */
    private static Instant millis(Instant instant) {
        return instant.truncatedTo(ChronoUnit.MILLIS);
    }

    private static @Nullable Long orNothing(OptionalLong number) {
        return number.isPresent() ? number.getAsLong() : null;
    }

    private static @Nullable Integer orNothing(OptionalInt number) {
        return number.isPresent() ? number.getAsInt() : null;
    }
}
