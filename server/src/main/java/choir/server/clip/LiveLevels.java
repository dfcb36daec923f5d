package choir.server.clip;

import choir.area.CellMask;
import choir.fleet.Node;
import choir.footage.Footage;
import choir.footage.FootageException;
import choir.footage.GreyJpeg;
import choir.footage.Look;
import choir.motion.Differences;
import choir.motion.Picture;
import choir.motion.Reference;
import choir.motion.Sensitivity;
import choir.server.journal.Journal;
import choir.server.reading.FootageDoor;
import choir.server.reading.Seeing;
import choir.server.standing.Standings;
import choir.server.web.Mailbox;
import choir.server.web.Problem;
import choir.trial.DeviceMotion;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What a camera sees now, twice a second, with what changes in it; for somebody who looks, and no longer. */
@Component
class LiveLevels {
    /**
     * A picture as it came.
     *
     * @param at in milliseconds of the epoch
     * @param watched pixels
     * @param counting for each step of luminance from 2 to 64 the pixels that count
     * @param cells for each of 32 × 18 cells by how much a twentieth of its pixels differs at least, a byte each
     * @param picture a JPEG
     * @param trouble why no more come; the rest is then missing, as it is while none has come yet
     */
    public record LivePicture(
            long at,
            int watched,
            @Nullable List<Integer> counting,
            @Nullable String cells,
            @Nullable String picture,
            @Nullable String trouble) {
        static LivePicture ended(long at, @Nullable String why) {
            return new LivePicture(at, 0, null, null, null, why);
        }
    }

    private static final Duration LONGEST = Duration.ofMinutes(10);
    private static final int AT_ONCE = 8;
    private static final int COLUMNS = 32;
    private static final int ROWS = 18;
    /** Of a cell's pixels, the part that has to differ. */
    private static final double PART = 0.05;

    private final FootageDoor door;
    private final Clips clips;
    private final Standings standings;
    private final Journal journal;
    private final Clock clock;
    private final Semaphore places = new Semaphore(AT_ONCE);

    LiveLevels(FootageDoor door, Clips clips, Standings standings, Journal journal, Clock clock) {
        this.door = door;
        this.clips = clips;
        this.standings = standings;
        this.journal = journal;
        this.clock = clock;
    }

    /** What somebody who looks is sent: always the newest, and none twice. */
    Mailbox watch(Node.Camera camera, Optional<String> area, Optional<CellMask> ignore, String who) {
        var motion = Tried.now(standings.of(camera), clock.instant());
        var watched = area.map(a -> motion.area(a).watched()).orElseGet(motion::watched);
        ignore.ifPresent(cells -> watched.andNot(DeviceMotion.pixels(cells, Passes.WIDTH, Passes.HEIGHT)));
        if (!places.tryAcquire()) {
            throw new Problem(
                    Problem.Kind.TOO_MANY, AT_ONCE + " people look at live pictures already; look again soon");
        }
        Seeing playing;
        try {
            playing = door.live(camera);
        } catch (RuntimeException e) {
            places.release();
            throw e;
        }
        journal.add(who, "looks at live pictures", camera.text(), "");
        var newest = new AtomicReference<>(LivePicture.ended(clock.millis(), null));
        var mailbox = Mailbox.open(
                () -> {
                    var told = newest.get();
                    return new Mailbox.Told("picture", told, told.trouble() != null);
                },
                ended -> {
                    playing.close();
                    places.release();
                });
        Thread.ofPlatform()
                .daemon()
                .name("live " + camera)
                .start(() -> read(playing, watched, told -> {
                    newest.set(told);
                    mailbox.ring();
                }));
        return mailbox;
    }

    private void read(Seeing playing, BitSet watched, Consumer<LivePicture> tell) {
        var reference = new Reference(Passes.WIDTH, Passes.HEIGHT);
        var look = new Look(
                2 * Passes.WIDTH, 2 * Passes.HEIGHT, playing.perSecond().orElse(Passes.PER_SECOND), false);
        try (playing;
                Footage footage = clips.decoder().open(playing.source(), look, LONGEST)) {
            for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                var seen = next.get().picture();
                byte[] delta = reference.deltas(halved(seen));
                tell.accept(picture(seen, delta, watched));
            }
            tell.accept(LivePicture.ended(clock.millis(), "the pictures have ended"));
        } catch (FootageException e) {
            tell.accept(LivePicture.ended(
                    clock.millis(),
                    playing.trouble().map(Throwable::getMessage).orElse(String.valueOf(e.getMessage()))));
        }
    }

    private LivePicture picture(Picture seen, byte[] delta, BitSet watched) {
        var differences = Differences.of(delta, watched);
        var counting = steps().stream().map(differences::counting).toList();
        return new LivePicture(
                clock.millis(),
                differences.watched(),
                counting,
                Base64.getEncoder().encodeToString(cells(delta)),
                Base64.getEncoder().encodeToString(GreyJpeg.of(seen)),
                null);
    }

    private static byte[] cells(byte[] delta) {
        int[][] counts = new int[COLUMNS * ROWS][256];
        for (int i = 0; i < delta.length; i++) {
            int x = i % Passes.WIDTH * COLUMNS / Passes.WIDTH;
            int y = i / Passes.WIDTH * ROWS / Passes.HEIGHT;
            counts[y * COLUMNS + x][delta[i] & 0xFF]++;
        }
        byte[] cells = new byte[counts.length];
        for (int c = 0; c < cells.length; c++) {
            double wanted = PART * IntStream.of(counts[c]).sum();
            int seen = 0;
            int d = 256;
            while (d > 0 && seen < wanted) {
                seen += counts[c][--d];
            }
            cells[c] = (byte) d;
        }
        return cells;
    }

    /** Each pixel is the mean of four, so that levels are those of clips. */
    private static Picture halved(Picture whole) {
        int width = whole.width() / 2;
        int height = whole.height() / 2;
        byte[] from = whole.luminance();
        byte[] half = new byte[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = 2 * y * whole.width() + 2 * x;
                int sum = (from[at] & 0xFF)
                        + (from[at + 1] & 0xFF)
                        + (from[at + whole.width()] & 0xFF)
                        + (from[at + whole.width() + 1] & 0xFF);
                half[y * width + x] = (byte) ((sum + 2) / 4);
            }
        }
        return new Picture(width, height, half);
    }

    static List<Integer> steps() {
        return IntStream.rangeClosed(Sensitivity.SMALLEST_STEP, Sensitivity.LARGEST_STEP)
                .boxed()
                .toList();
    }
}
