package choir.server.forecast;

import choir.server.forecast.CameraOutlook.As;
import choir.server.forecast.Forecasts.Forecast;
import choir.server.forecast.StoreOutlook.Side;
import choir.server.standing.Standings.Supposed;
import choir.storage.Range;
import choir.storage.Saving;
import choir.storage.Size;
import choir.storage.Usage;
import choir.storage.Usage.By;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** How forecasts are told. */
final class ForecastViews {
    private ForecastViews() {}

    /**
     * @param from the first of the four weeks of which this is the average
     * @param cameras on all recorders that were looked at
     * @param unknown those of which nobody knows when they record, so that they are in no figure
     * @param now as recorders are set
     * @param then as they would be set
     * @param stores how many there are
     * @param told those where footage lives the shortest beside what is wanted, first
     * @param costliest the selected cameras that would take the most room, the most first
     * @param basis what the figures rest on, in words
     */
    record ForecastView(
            String from,
            int cameras,
            int unknown,
            LoadView now,
            LoadView then,
            int stores,
            Map<String, Integer> verdicts,
            List<StoreView> told,
            List<GroupLoad> groups,
            List<CameraLoad> costliest,
            String basis) {}

    /**
     * @param bytesADay by {@code continuous}, {@code motion}, {@code other-events} and {@code clips}
     * @param hoursADay of all cameras together
     */
    record LoadView(RangeView allBytesADay, Map<String, RangeView> bytesADay, RangeView hoursADay) {
        static LoadView of(Side side) {
            return new LoadView(
                    RangeView.of(side.allBytesADay()),
                    byTrigger(side.bytesADay()),
                    RangeView.of(side.secondsADay().times(1 / 3_600.0)));
        }
    }

    /**
     * @param store as policies call it; missing for a recorder's only one
     * @param unknown those of its cameras that are in no figure
     * @param size missing when nobody knows it
     * @param oldest the oldest footage on it now
     * @param savings what would leave more room, the most first
     * @param bytesADayTooMany how much less would have to be put on it for footage to live as long as is wanted; missing when
     *     it does, or nobody knows
     * @param bytesMissing how much larger it would have to be for that
     * @param daysATerabyte how many days a further terabyte brings
     */
    record StoreView(
            String recorder,
            @Nullable String store,
            int cameras,
            int unknown,
            @Nullable SizeView size,
            @Nullable String oldest,
            RoomView now,
            RoomView then,
            @Nullable Long bytesADayTooMany,
            @Nullable Long bytesMissing,
            @Nullable Double daysATerabyte,
            List<SavingView> savings,
            String basis) {}

    /**
     * @param basis {@code SAID} by a person, or {@code MEASURED} from what is on it
     * @param atLeast it may be larger
     */
    record SizeView(long bytes, String basis, boolean atLeast) {
        static SizeView of(Size size) {
            return new SizeView(Math.round(size.bytes().likely()), size.basis().name(), size.atLeast());
        }
    }

    /**
     * @param days for how many footage fits; missing when nobody knows
     * @param wanted at least; missing when no policy says
     * @param allowed at most, by what recorders are set to; missing when there is no such bound
     */
    record RoomView(
            LoadView load,
            @Nullable RangeView days,
            @Nullable Integer wanted,
            @Nullable Integer allowed,
            String verdict) {}

    /**
     * @param what {@code MOTION_AT_NIGHT}, {@code MOTION_ALWAYS} or {@code FEWER_PICTURES}
     * @param words the same for people
     * @param days for how many footage would then fit
     */
    record SavingView(
            String what,
            String words,
            int cameras,
            long bytesADay,
            @Nullable Double days) {}

    /** @param unknown those of its cameras that are in no figure */
    record GroupLoad(String group, int cameras, int unknown, LoadView now, LoadView then) {}

    /** @param bits a second; how they are known is the basis */
    record CameraLoad(
            String camera,
            String label,
            String group,
            RangeView bytesADay,
            Map<String, RangeView> byTrigger,
            RangeView hoursADay,
            RangeView bits,
            String basis,
            boolean motionCounted) {}

    static ForecastView of(Forecasts forecasts, Forecast forecast, Optional<Supposed> supposed, int limit) {
        Map<String, Integer> verdicts = new TreeMap<>();
        forecast.stores()
                .forEach(s -> verdicts.merge(s.then().room(s.size()).verdict().name(), 1, Integer::sum));
        return new ForecastView(
                forecasts.from().toString(),
                forecast.now().cameras(),
                forecast.now().unclear(),
                LoadView.of(forecast.now()),
                LoadView.of(forecast.then()),
                forecast.stores().size(),
                verdicts,
                forecast.stores().stream()
                        .limit(limit)
                        .map(s -> store(s, forecasts.savings(s, supposed), forecasts.words(s.then())))
                        .toList(),
                forecast.groups().entrySet().stream()
                        .map(g -> new GroupLoad(
                                g.getKey().text(),
                                g.getValue().now().cameras(),
                                g.getValue().now().unclear(),
                                LoadView.of(g.getValue().now()),
                                LoadView.of(g.getValue().then())))
                        .toList(),
                forecast.costliest().stream()
                        .flatMap(c -> c.then().flatMap(As::usage).map(usage -> camera(c, usage)).stream())
                        .toList(),
                forecasts.words(forecast.then()));
    }

    private static StoreView store(StoreOutlook store, List<Saving> savings, String basis) {
        var then = store.then().room(store.size());
        double aDay = then.bytesADay().likely();
        var missing = store.size()
                .filter(s -> then.wanted().isPresent() && !s.atLeast())
                .map(s -> then.needed(then.wanted().getAsInt()).likely()
                        - s.bytes().likely())
                .filter(m -> m > 0);
        return new StoreView(
                store.recorder(),
                store.store().isEmpty() ? null : store.store(),
                store.then().cameras(),
                store.then().unclear(),
                store.size().map(SizeView::of).orElse(null),
                store.oldest().map(Instant::toString).orElse(null),
                kept(store.now(), store.size()),
                kept(store.then(), store.size()),
                missing.map(m -> Math.round(m / then.wanted().getAsInt())).orElse(null),
                missing.map(Math::round).orElse(null),
                aDay > 0 ? Math.round(1e13 / aDay) / 10.0 : null,
                savings.stream().map(s -> saving(s, store, aDay)).toList(),
                basis);
    }

    private static RoomView kept(Side side, Optional<Size> size) {
        var room = side.room(size);
        return new RoomView(
                LoadView.of(side),
                RangeView.of(room.days()),
                boxed(side.wanted()),
                boxed(side.allowed()),
                room.verdict().name());
    }

    private static SavingView saving(Saving saving, StoreOutlook store, double aDay) {
        var days = store.size()
                .map(s -> s.bytes().likely() / (aDay - saving.bytesADay()))
                .filter(d -> d > 0 && !d.isInfinite())
                .map(d -> Math.round(d * 10) / 10.0)
                .orElse(null);
        var at = " at " + saving.cameras() + (saving.cameras() == 1 ? " camera" : " cameras");
        return new SavingView(
                saving.what().name(),
                switch (saving.what()) {
                    case MOTION_AT_NIGHT -> "motion instead of continuous from 20:00 to 06:00" + at;
                    case MOTION_ALWAYS -> "motion instead of continuous" + at;
                    case FEWER_PICTURES -> Saving.PICTURES + " pictures a second instead of more" + at;
                },
                saving.cameras(),
                Math.round(saving.bytesADay()),
                days);
    }

    private static CameraLoad camera(CameraOutlook camera, Usage usage) {
        Map<By, Range> bytes = new java.util.EnumMap<>(By.class);
        usage.seconds().keySet().forEach(by -> bytes.put(by, usage.bytesADay(by)));
        return new CameraLoad(
                camera.standing().camera().text(),
                camera.standing().row().label(),
                camera.standing().group().text(),
                RangeView.of(usage.bytesADay()),
                byTrigger(bytes),
                RangeView.of(usage.secondsADay().times(1 / 3_600.0)),
                RangeView.of(usage.rate().bits()),
                usage.rate().basis().name(),
                camera.measure().movement().isPresent());
    }

    private static Map<String, RangeView> byTrigger(Map<By, Range> bytes) {
        Map<String, RangeView> all = new TreeMap<>();
        bytes.forEach(
                (by, range) -> all.put(by.name().toLowerCase(Locale.ROOT).replace('_', '-'), RangeView.of(range)));
        return all;
    }

    private static @Nullable Integer boxed(OptionalInt number) {
        return number.isPresent() ? number.getAsInt() : null;
    }
}
