package choir.server.search;

import choir.footage.Look;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.motion.MotionMap;
import choir.server.standing.Standing;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;

/**
 * Where in the picture it moves, by hour of the recorder's day: of each hour some of the events that the recorder saw are
 * looked at, evenly taken. Of a recorder that tells no events, some of its footage.
 */
final class WhereItMoves extends Lookout.Looker {
    static final int COLUMNS = 32;
    static final int ROWS = 18;
    private static final int WIDTH = 160;
    private static final int HEIGHT = 90;
    private static final Look LOOK = new Look(WIDTH, HEIGHT, 2, false);
    private static final int OF_AN_HOUR = 4;
    private static final int LEAD_SECONDS = 3;
    private static final int SECONDS = 15;

    record Asked(Standing camera, Instant from, Instant until) {}

    /**
     * One hour of the day.
     *
     * @param events that its recorder saw in it, on all days together; missing where it does not tell
     * @param pictures that were looked at
     * @param moved of these, in each cell from the top left, those in which it moved
     */
    record Hour(Optional<Integer> events, int pictures, List<Integer> moved) {
        static final Hour NOTHING = new Hour(Optional.empty(), 0, List.of());
    }

    /**
     * @param stretches that are to be looked at
     * @param looked of these
     * @param failed of these, that could not be looked at
     */
    record Progress(int stretches, int looked, int failed, Optional<String> trouble) {}

    private final Asked asked;
    private final RecordedPictures pictures;
    private final Function<Asked, History> history;
    private final List<Hour> hours = new ArrayList<>();
    private Progress progress = new Progress(0, 0, 0, Optional.empty());

    /** @param history asks the recorder what it has */
    WhereItMoves(Asked asked, RecordedPictures pictures, Function<Asked, History> history) {
        this.asked = asked;
        this.pictures = pictures;
        this.history = history;
        IntStream.range(0, 24).forEach(h -> hours.add(Hour.NOTHING));
    }

    Asked asked() {
        return asked;
    }

    synchronized Progress progress() {
        return progress;
    }

    /** By hour of the day, 24 of them. */
    synchronized List<Hour> hours() {
        return List.copyOf(hours);
    }

    @Override
    void look() {
        var told = history.apply(asked);
        var zone = asked.camera().recorder().zoneId().orElse(ZoneOffset.UTC);
        List<List<Stretch>> byHour = byHour(told, zone);
        synchronized (this) {
            for (int hour = 0; hour < 24; hour++) {
                int h = hour;
                hours.set(
                        hour,
                        new Hour(
                                told.motion().map(all -> (int) all.stream()
                                        .filter(m -> hour(m.from(), zone) == h)
                                        .count()),
                                0,
                                List.of()));
            }
            progress = new Progress(byHour.stream().mapToInt(List::size).sum(), 0, 0, Optional.empty());
        }
        for (int hour = 0; hour < 24; hour++) {
            var map = new MotionMap(WIDTH, HEIGHT, COLUMNS, ROWS);
            for (var stretch : byHour.get(hour)) {
                if (isStopped()) {
                    return;
                }
                look(hour, map, stretch);
            }
        }
    }

    private void look(int hour, MotionMap map, Stretch stretch) {
        map.begin();
        var played = pictures.play(asked.camera().camera(), stretch, LOOK, (at, picture) -> {
            map.take(picture);
            return !isStopped();
        });
        boolean failed = played.seenUntil().isEmpty();
        synchronized (this) {
            hours.set(
                    hour,
                    new Hour(
                            hours.get(hour).events(),
                            map.pictures(),
                            IntStream.of(map.moved()).boxed().toList()));
            progress = new Progress(
                    progress.stretches(),
                    progress.looked() + 1,
                    progress.failed() + (failed ? 1 : 0),
                    failed ? played.trouble() : progress.trouble());
        }
    }

    /** Of each hour at most so many pieces, of which there is footage. */
    private static List<List<Stretch>> byHour(History told, ZoneId zone) {
        var recorded = told.recorded().orElse(List.of());
        // Without events, where footage begins and at each full hour of it.
        var beginnings = told.motion()
                .map(all -> all.stream().map(Stretch::from).toList())
                .orElseGet(() -> recorded.stream()
                        .flatMap(r -> java.util.stream.Stream.iterate(
                                r.from(), t -> t.isBefore(r.until()), t -> t.plusSeconds(3600)))
                        .toList());
        List<List<Stretch>> byHour = new ArrayList<>();
        for (int hour = 0; hour < 24; hour++) {
            int h = hour;
            var pieces = beginnings.stream()
                    .filter(t -> hour(t, zone) == h)
                    .flatMap(t -> piece(recorded, t).stream())
                    .toList();
            int every = Math.max(1, (pieces.size() + OF_AN_HOUR - 1) / OF_AN_HOUR);
            byHour.add(IntStream.range(0, pieces.size())
                    .filter(i -> i % every == 0)
                    .mapToObj(pieces::get)
                    .toList());
        }
        return byHour;
    }

    private static Optional<Stretch> piece(List<Stretch> recorded, Instant event) {
        return recorded.stream()
                .filter(r -> !event.isBefore(r.from()) && event.isBefore(r.until()))
                .findFirst()
                .map(r -> new Stretch(
                        later(r.from(), event.minusSeconds(LEAD_SECONDS)),
                        earlier(r.until(), event.plusSeconds(SECONDS))));
    }

    private static int hour(Instant at, ZoneId zone) {
        return at.atZone(zone).getHour();
    }

    private static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }

    private static Instant earlier(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }
}
