package choir.server.forecast;

import choir.family.NativeConfig;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.rollout.Changes;
import choir.server.ServiceSettings;
import choir.server.activity.MeasureStore;
import choir.server.activity.MeasureStore.Measure;
import choir.server.forecast.CameraOutlook.As;
import choir.server.forecast.StoreOutlook.Reckoned;
import choir.server.forecast.StoreOutlook.Side;
import choir.server.forecast.StoreOutlook.Sum;
import choir.server.reach.Reach;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.standing.Standings.Supposed;
import choir.storage.Assumed;
import choir.storage.Saving;
import choir.storage.Size;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;

/**
 * Reckons what cameras put on their disks, and for how long it stays there: as recorders are set, and as they would be set by
 * what is said, or by what somebody supposes. A store is always reckoned with all of its cameras.
 */
@Component
public class Forecasts {
    private static final int COSTLIEST = 10;
    private static final Comparator<StoreOutlook> MOST_URGENT_FIRST = Comparator.comparing(Forecasts::urgency)
            .thenComparingDouble(Forecasts::days)
            .thenComparing(StoreOutlook::recorder)
            .thenComparing(StoreOutlook::store);

    /** As a camera would be set, and what would be asked of it. */
    record Then(NativeConfig config, Standing asked) {}

    /**
     * @param now all cameras on the recorders that were looked at, as they are set
     * @param then the same, as they would be set
     * @param stores those that last the shortest beside what is wanted of them first
     * @param groups what the cameras of each group come to, now and then
     * @param costliest the selected cameras that would take the most room
     */
    record Forecast(
            Side now,
            Side then,
            List<StoreOutlook> stores,
            Map<Node.Group, Both> groups,
            List<CameraOutlook> costliest) {}

    record Both(Side now, Side then) {}

    private record Sums(Sum now, Sum then) {
        Sums() {
            this(new Sum(), new Sum());
        }

        void add(CameraOutlook camera) {
            camera.now().ifPresentOrElse(as -> now.add(camera, as), now::addUnknown);
            camera.then().ifPresentOrElse(as -> then.add(camera, as), then::addUnknown);
        }
    }

    private final Standings standings;
    private final MeasureStore measures;
    private final StoreSizes sizes;
    private final Assumed assumed;
    private final Clock clock;

    Forecasts(Standings standings, MeasureStore measures, StoreSizes sizes, ServiceSettings settings, Clock clock) {
        this.standings = standings;
        this.measures = measures;
        this.sizes = sizes;
        this.assumed = settings.assumed();
        this.clock = clock;
    }

    LocalDate from() {
        return LocalDate.now(clock);
    }

    /** @param supposed what is said; empty for what is said now */
    Forecast of(String selection, Optional<Supposed> supposed) {
        var reach = Reach.current();
        var chosen = reach.narrow(Selection.parse(selection));
        var all = new Sums();
        List<StoreOutlook> stores = new ArrayList<>();
        Map<Node.Group, Sums> groups = new TreeMap<>();
        var costliest = new PriorityQueue<CameraOutlook>(Comparator.comparingDouble(Forecasts::cost));
        for (var recorder : standings.recordersOf(selection)) {
            var cameras = cameras(recorder, supposed);
            stores.addAll(stores(recorder, cameras));
            for (var camera : cameras) {
                if (!reach.contains(camera.standing().group())) {
                    continue;
                }
                all.add(camera);
                groups.computeIfAbsent(camera.standing().group(), g -> new Sums())
                        .add(camera);
                if (camera.then().isPresent() && chosen.test(camera.standing())) {
                    costliest.add(camera);
                    if (costliest.size() > COSTLIEST) {
                        costliest.remove();
                    }
                }
            }
        }
        stores.sort(MOST_URGENT_FIRST);
        Map<Node.Group, Both> byGroup = new TreeMap<>();
        groups.forEach((group, sums) ->
                byGroup.put(group, new Both(sums.now().side(), sums.then().side())));
        return new Forecast(
                all.now().side(),
                all.then().side(),
                stores,
                byGroup,
                costliest.stream()
                        .sorted(Comparator.comparingDouble(Forecasts::cost).reversed())
                        .toList());
    }

    /**
     * What is expected of each store, as recorders are set; one after another, so that few are held at once.
     *
     * @param selection whose recorders' stores
     */
    public void stores(String selection, Consumer<ExpectedStore> taken) {
        for (var recorder : standings.recordersOf(selection)) {
            stores(recorder, cameras(recorder, Optional.empty())).forEach(s -> taken.accept(ExpectedStore.of(s)));
        }
    }

    private static double cost(CameraOutlook camera) {
        return camera.then().flatMap(As::usage).map(u -> u.bytesADay().likely()).orElse(0.0);
    }

    private static int urgency(StoreOutlook store) {
        return switch (store.then().room(store.size()).verdict()) {
            case TOO_SHORT -> 0;
            case CLOSE -> 1;
            case NOT_KNOWN -> 2;
            case ENOUGH -> 3;
            case NOTHING_WANTED -> 4;
        };
    }

    private static double days(StoreOutlook store) {
        return store.then().room(store.size()).days().map(d -> d.likely()).orElse(Double.POSITIVE_INFINITY);
    }

    private List<CameraOutlook> cameras(String recorder, Optional<Supposed> supposed) {
        var now = standings.camerasOf(recorder);
        Map<Node.Camera, Standing> asked = new HashMap<>();
        supposed.map(s -> standings.supposing(s, recorder)).orElse(now).forEach(s -> asked.put(s.camera(), s));
        Map<Node.Camera, Then> then = new HashMap<>();
        now.forEach(s -> {
            var as = asked.getOrDefault(s.camera(), s);
            s.observation()
                    .map(o -> o.content().config())
                    .ifPresent(held -> then.put(s.camera(), new Then(given(held, as), as)));
        });
        return cameras(recorder, now, then);
    }

    /** What would be held once everything that can be is given out. */
    private static NativeConfig given(NativeConfig held, Standing asked) {
        return Changes.taken(held, Changes.writable(asked.translation(), held));
    }

    private List<CameraOutlook> cameras(String recorder, List<Standing> now, Map<Node.Camera, Then> then) {
        var measured = measures.ofRecorder(recorder);
        var from = from();
        return now.stream()
                .map(s -> {
                    var as = Optional.ofNullable(then.get(s.camera()));
                    return CameraOutlook.of(
                            s,
                            measured.getOrDefault(s.row().id(), Measure.NOTHING),
                            as.map(Then::config),
                            as.map(Then::asked).orElse(s).policy(),
                            assumed,
                            from);
                })
                .toList();
    }

    private List<StoreOutlook> stores(String recorder, List<CameraOutlook> cameras) {
        Map<String, Sums> sums = new TreeMap<>();
        Map<String, Reckoned> reckoned = new HashMap<>();
        for (var camera : cameras) {
            camera.now()
                    .ifPresent(as -> as.store().ifPresent(store -> {
                        of(store, sums).now().add(camera, as);
                        reckoned.computeIfAbsent(store, s -> new Reckoned(clock.instant()))
                                .add(camera, as);
                    }));
            camera.then()
                    .ifPresent(as ->
                            as.store().ifPresent(store -> of(store, sums).then().add(camera, as)));
        }
        for (var camera : cameras) {
            // Where a camera is put that does not show it nobody knows, so that each store may hold more than is
            // reckoned.
            if (camera.now().flatMap(As::store).isEmpty()) {
                sums.values().forEach(s -> s.now().addUnknown());
            }
            if (camera.then().flatMap(As::store).isEmpty()) {
                sums.values().forEach(s -> s.then().addUnknown());
            }
        }
        var said = sizes.of(recorder);
        List<StoreOutlook> stores = new ArrayList<>();
        sums.forEach((store, both) -> {
            var kept = Optional.ofNullable(reckoned.get(store));
            stores.add(new StoreOutlook(
                    recorder,
                    store,
                    both.now().side(),
                    both.then().side(),
                    Optional.ofNullable(said.get(store)).map(Size::said).or(() -> kept.flatMap(Reckoned::size)),
                    kept.flatMap(Reckoned::oldest)));
        });
        return stores;
    }

    private static Sums of(String store, Map<String, Sums> sums) {
        return sums.computeIfAbsent(store, s -> new Sums());
    }

    /** @param changed what cameras would hold */
    public Difference difference(Map<Node.Camera, NativeConfig> changed) {
        Map<String, Map<Node.Camera, NativeConfig>> byRecorder = new TreeMap<>();
        changed.forEach((camera, config) -> byRecorder
                .computeIfAbsent(camera.recorder().text(), r -> new HashMap<>())
                .put(camera, config));
        var sums = new Sums();
        List<StoreOutlook> stores = new ArrayList<>();
        byRecorder.forEach((recorder, configs) -> {
            Map<Node.Camera, Then> then = new HashMap<>();
            var now = standings.camerasOf(recorder);
            now.forEach(s -> Optional.ofNullable(configs.get(s.camera()))
                    .ifPresent(config -> then.put(s.camera(), new Then(config, s))));
            var cameras = cameras(recorder, now, then);
            stores.addAll(stores(recorder, cameras));
            cameras.stream()
                    .filter(c -> configs.containsKey(c.standing().camera()))
                    .forEach(sums::add);
        });
        stores.sort(MOST_URGENT_FIRST);
        var after = sums.then().side();
        return new Difference(
                Difference.Recording.of(sums.now().side()),
                Difference.Recording.of(after),
                stores.stream().map(Difference.Days::of).toList(),
                words(after));
    }

    String words(Side side) {
        return BasisWords.of(side, assumed);
    }

    /** What would leave more room on a store. */
    List<Saving> savings(StoreOutlook store, Optional<Supposed> supposed) {
        List<Saving.Planned> planned = new ArrayList<>();
        for (var camera : cameras(store.recorder(), supposed)) {
            camera.then()
                    .filter(as -> as.store().equals(Optional.of(store.store())))
                    .ifPresent(as -> planned.add(
                            new Saving.Planned(as.config(), camera.footing().orElseThrow())));
        }
        return Saving.of(planned, from());
    }
}
