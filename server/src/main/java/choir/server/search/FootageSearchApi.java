package choir.server.search;

import choir.area.CellGrid;
import choir.area.Shape;
import choir.area.Shape.Point;
import choir.fleet.Node;
import choir.footage.GreyJpeg;
import choir.footage.Look;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.refusal.Refusal;
import choir.server.journal.Journal;
import choir.server.reading.FootageDoor;
import choir.server.standing.Standings;
import choir.server.web.Instants;
import choir.server.web.Problem;
import choir.trial.DeviceMotion;
import java.net.URI;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** When something moved in a part of the picture, where it moves, and what was seen at a moment. */
@RestController
class FootageSearchApi {
    private static final Duration LONGEST = Duration.ofDays(31);
    private static final Duration MAP = Duration.ofDays(14);
    /** Of the area, where nobody says so: a fiftieth. */
    private static final double USUAL_SHARE = 2;

    private static final int STILL_WIDTH = 640;
    private static final int STILL_HEIGHT = 360;
    private static final Duration STILL = Duration.ofSeconds(12);

    /**
     * @param from ISO 8601 with a zone
     * @param area corners as shares of the picture from the top left, such as {@code 0.2,0.3 0.5,0.9}: two of a rectangle,
     *     or more of a polygon
     * @param share of the area that has to move, percent; 2 when missing
     * @param closely all pictures are looked at; else those that stand alone, which is many times faster
     */
    record AreaSearchRequest(
            String camera,
            String from,
            String until,
            String area,
            @Nullable Double share,
            @Nullable Boolean closely) {}

    /**
     * @param state {@code looking}, {@code done}, {@code stopped} or {@code failed}
     * @param recordedSeconds of which there is footage
     * @param lookedSeconds of these
     * @param unseenSeconds of these, that could not be looked at
     * @param at up to where it came; missing before the first picture
     * @param notKnownFrom from where on its recorder did not tell what it has; missing where it told all
     * @param full there may be more than was looked for
     * @param trouble why it failed, or something could not be looked at
     */
    public record AreaSearchView(
            long id,
            String camera,
            String from,
            String until,
            String state,
            double recordedSeconds,
            double lookedSeconds,
            double unseenSeconds,
            @Nullable String at,
            @Nullable String notKnownFrom,
            boolean full,
            @Nullable String trouble,
            List<SeenInArea> found) {}

    /**
     * @param strongest when the most of the area moved; its still is that picture
     * @param share percent of the area
     */
    public record SeenInArea(int number, String from, String until, String strongest, double share) {}

    /** @param days back from now */
    record MotionMapRequest(String camera, @Nullable Integer days) {}

    /**
     * @param stretches of footage that are to be looked at
     * @param failed of these
     */
    public record MotionMapView(
            long id,
            String camera,
            String from,
            String until,
            String state,
            int columns,
            int rows,
            int stretches,
            int looked,
            int failed,
            @Nullable String trouble,
            List<MotionHour> hours) {}

    /**
     * @param hour of the recorder's day
     * @param events that the recorder saw in it on all these days; missing where it does not tell
     * @param pictures that were looked at
     * @param cells base 64; a byte for each from the top left: the share of these pictures in which it moved there, 0 to 255
     */
    public record MotionHour(int hour, @Nullable Integer events, int pictures, String cells) {}

    private final Lookout lookout;
    private final RecordedPictures pictures;
    private final FootageDoor door;
    private final Standings standings;
    private final Journal journal;
    private final Clock clock;

    FootageSearchApi(
            Lookout lookout,
            RecordedPictures pictures,
            FootageDoor door,
            Standings standings,
            Journal journal,
            Clock clock) {
        this.lookout = lookout;
        this.pictures = pictures;
        this.door = door;
        this.standings = standings;
        this.journal = journal;
        this.clock = clock;
    }

    /** Begins to look; what is found is there as it comes. Who does not ask for it within a minute has it stopped. */
    @PostMapping("/api/v1/area-searches")
    ResponseEntity<AreaSearchView> search(@RequestBody AreaSearchRequest given, Principal who) {
        var from = Instants.parse("from", given.from());
        var until = Instants.parse("until", given.until());
        if (!from.isBefore(until) || Duration.between(from, until).compareTo(LONGEST) > 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "from has to lie before until, and at most " + LONGEST.toDays() + " days before it");
        }
        if (!from.isBefore(clock.instant())) {
            throw new Problem(Problem.Kind.INVALID, "there is no footage of what has not happened yet (" + from + ")");
        }
        var camera = standings.of(Node.Camera.named(given.camera()));
        var asked = new AreaSearch.Asked(
                camera,
                from,
                until.isBefore(clock.instant()) ? until : clock.instant(),
                pixels(given.area()),
                share(given.share()),
                Boolean.TRUE.equals(given.closely()));
        long id = lookout.start(
                new AreaSearch(asked, pictures, a -> history(a.camera().camera(), a.from(), a.until())), who.getName());
        journal.add(
                who.getName(),
                "looks at footage",
                camera.camera().text(),
                asked.from() + " to " + asked.until() + ", for what moved in an area");
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/area-searches/" + id))
                .body(found(id, who));
    }

    @GetMapping("/api/v1/area-searches/{id}")
    AreaSearchView found(@PathVariable long id, Principal who) {
        return view(id, lookout.get(id, AreaSearch.class, who.getName()));
    }

    @DeleteMapping("/api/v1/area-searches/{id}")
    AreaSearchView stop(@PathVariable long id, Principal who) {
        return view(id, lookout.stop(id, AreaSearch.class, who.getName()));
    }

    @GetMapping(path = "/api/v1/area-searches/{id}/stills/{number}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> still(@PathVariable long id, @PathVariable int number, Principal who) {
        var found = lookout.get(id, AreaSearch.class, who.getName()).found();
        if (number < 1 || number > found.size()) {
            throw new Problem(Problem.Kind.NOT_FOUND, "search " + id + " has found no " + number + " yet");
        }
        return jpeg(found.get(number - 1).still());
    }

    /** What a camera's recorder kept of a moment; one picture, without colour. */
    @GetMapping(path = "/api/v1/recorded-still", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> recorded(@RequestParam String camera, @RequestParam String at, Principal who) {
        var asked = Instants.parse("at", at);
        var standing = standings.of(Node.Camera.named(camera));
        var taken = new AtomicReference<byte[]>();
        journal.add(who.getName(), "looks at footage", standing.camera().text(), asked + ", one picture");
        var played = pictures.play(
                standing.camera(),
                new Stretch(asked, asked.plus(STILL)),
                new Look(STILL_WIDTH, STILL_HEIGHT, 1, true),
                (seen, picture) -> {
                    taken.set(GreyJpeg.of(picture));
                    return false;
                });
        if (taken.get() == null) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    standing.camera() + " has no picture of " + asked
                            + played.trouble().map(t -> ": " + t).orElse(""));
        }
        return jpeg(taken.get());
    }

    private static ResponseEntity<byte[]> jpeg(byte[] picture) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
                .contentType(MediaType.IMAGE_JPEG)
                .body(picture);
    }

    /** Begins to look where in the picture it moves. */
    @PostMapping("/api/v1/motion-maps")
    ResponseEntity<MotionMapView> map(@RequestBody MotionMapRequest given, Principal who) {
        int days = given.days() == null ? 7 : given.days();
        if (days < 1 || days > MAP.toDays()) {
            throw new Problem(Problem.Kind.INVALID, "the last 1 to " + MAP.toDays() + " days are looked through");
        }
        var camera = standings.of(Node.Camera.named(given.camera()));
        var until = clock.instant();
        var asked = new WhereItMoves.Asked(camera, until.minus(Duration.ofDays(days)), until);
        long id = lookout.start(
                new WhereItMoves(asked, pictures, a -> history(a.camera().camera(), a.from(), a.until())),
                who.getName());
        journal.add(
                who.getName(),
                "looks at footage",
                camera.camera().text(),
                asked.from() + " to " + asked.until() + ", for where it moves");
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/motion-maps/" + id))
                .body(mapped(id, who));
    }

    @GetMapping("/api/v1/motion-maps/{id}")
    MotionMapView mapped(@PathVariable long id, Principal who) {
        return view(id, lookout.get(id, WhereItMoves.class, who.getName()));
    }

    @DeleteMapping("/api/v1/motion-maps/{id}")
    MotionMapView stopMap(@PathVariable long id, Principal who) {
        return view(id, lookout.stop(id, WhereItMoves.class, who.getName()));
    }

    private History history(Node.Camera camera, Instant from, Instant until) {
        return door.history(camera, from, until)
                .filter(h -> h.recorded().isPresent())
                .orElseThrow(() -> new Problem(
                        Problem.Kind.RECORDER,
                        camera.recorder() + " does not tell what it recorded, so that its footage cannot be looked"
                                + " through; take a clip of a time of your own choice"));
    }

    private static AreaSearchView view(long id, AreaSearch search) {
        var progress = search.progress();
        var found = search.found();
        return new AreaSearchView(
                id,
                search.asked().camera().camera().text(),
                search.asked().from().toString(),
                search.asked().until().toString(),
                search.state(),
                seconds(progress.recorded()),
                seconds(progress.looked()),
                seconds(progress.unseen()),
                progress.at().map(Instant::toString).orElse(null),
                progress.notKnownFrom().map(Instant::toString).orElse(null),
                progress.full(),
                trouble(search, progress.trouble()),
                IntStream.range(0, found.size())
                        .mapToObj(i -> seen(i + 1, found.get(i)))
                        .toList());
    }

    private static SeenInArea seen(int number, AreaSearch.Found found) {
        return new SeenInArea(
                number,
                found.from().toString(),
                found.until().toString(),
                found.strongest().toString(),
                Math.round(found.share() * 1000) / 10.0);
    }

    private static MotionMapView view(long id, WhereItMoves map) {
        var progress = map.progress();
        var hours = map.hours();
        return new MotionMapView(
                id,
                map.asked().camera().camera().text(),
                map.asked().from().toString(),
                map.asked().until().toString(),
                map.state(),
                WhereItMoves.COLUMNS,
                WhereItMoves.ROWS,
                progress.stretches(),
                progress.looked(),
                progress.failed(),
                trouble(map, progress.trouble()),
                IntStream.range(0, hours.size())
                        .mapToObj(h -> hour(h, hours.get(h)))
                        .toList());
    }

    private static MotionHour hour(int number, WhereItMoves.Hour hour) {
        byte[] cells = new byte[WhereItMoves.COLUMNS * WhereItMoves.ROWS];
        for (int c = 0; c < hour.moved().size(); c++) {
            cells[c] = (byte) (hour.moved().get(c) * 255L / Math.max(1, hour.pictures()));
        }
        return new MotionHour(
                number,
                hour.events().orElse(null),
                hour.pictures(),
                Base64.getEncoder().encodeToString(cells));
    }

    private static @Nullable String trouble(Lookout.Looker looker, Optional<String> onTheWay) {
        return looker.failed().isEmpty() ? onTheWay.orElse(null) : looker.failed();
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    private static double share(@Nullable Double percent) {
        double asked = percent == null ? USUAL_SHARE : percent;
        if (!(asked > 0 && asked <= 100)) {
            throw new Refusal(asked + " % is no share of an area; expected more than 0 and at most 100");
        }
        return asked / 100;
    }

    private static BitSet pixels(String area) {
        List<Point> corners = new ArrayList<>();
        for (var word : area.strip().split("\\s+", 501)) {
            if (!word.matches("\\d?\\.?\\d{1,6},\\d?\\.?\\d{1,6}")) {
                throw new Refusal("\"" + word + "\" is no corner of an area; expected two shares of the picture such as"
                        + " 0.2,0.35");
            }
            var parts = word.split(",", -1);
            corners.add(new Point(Double.parseDouble(parts[0]), Double.parseDouble(parts[1])));
        }
        Shape shape = corners.size() == 2 ? rectangle(corners.get(0), corners.get(1)) : new Shape.Polygon(corners);
        var pixels = DeviceMotion.pixels(
                shape.on(new CellGrid(AreaSearch.WIDTH, AreaSearch.HEIGHT)), AreaSearch.WIDTH, AreaSearch.HEIGHT);
        if (pixels.isEmpty()) {
            throw new Refusal("the area is too small to look at; draw a larger one");
        }
        return pixels;
    }

    /** Any two opposite corners. */
    private static Shape rectangle(Point one, Point other) {
        return new Shape.Rectangle(
                new Point(Math.min(one.x(), other.x()), Math.min(one.y(), other.y())),
                new Point(Math.max(one.x(), other.x()), Math.max(one.y(), other.y())));
    }
}
