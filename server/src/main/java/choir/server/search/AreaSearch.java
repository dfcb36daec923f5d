package choir.server.search;

import choir.footage.GreyJpeg;
import choir.footage.Look;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.motion.AreaWatch;
import choir.server.search.RecordedPictures.Played;
import choir.server.standing.Standing;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** When something moved in a part of the picture, within a stated time; what was not recorded is not looked at. */
final class AreaSearch extends Lookout.Looker {
    static final int WIDTH = 320;
    static final int HEIGHT = 180;
    private static final Look KEY_PICTURES = new Look(WIDTH, HEIGHT, 1, true);
    private static final Look ALL = new Look(WIDTH, HEIGHT, 2, false);
    private static final int MOST = 200;
    /** Key pictures are no further apart. */
    private static final Duration SPARSE = Duration.ofSeconds(20);

    /**
     * @param area pixels of 320 by 180
     * @param least the share of them that has to move
     * @param closely all pictures are looked at, and not only those that stand alone
     */
    record Asked(Standing camera, Instant from, Instant until, BitSet area, double least, boolean closely) {}

    /** @param still a JPEG of the picture in which the most moved */
    @SuppressWarnings("ArrayRecordComponent")
    record Found(Instant from, Instant until, Instant strongest, double share, byte[] still) {}

    /**
     * How far it is.
     *
     * @param recorded of that there is footage
     * @param looked of that has been looked at
     * @param unseen of that could not be looked at, so that nothing is known of it
     * @param at up to where it has come; missing before the first picture
     * @param notKnownFrom from where on its recorder did not tell what it has; missing where it told all
     * @param trouble why something could not be looked at; missing where all could
     * @param full there may be more, which was not looked for
     */
    record Progress(
            Duration recorded,
            Duration looked,
            Duration unseen,
            Optional<Instant> at,
            Optional<Instant> notKnownFrom,
            Optional<String> trouble,
            boolean full) {}

    private final Asked asked;
    private final RecordedPictures pictures;
    private final Function<Asked, History> history;
    private final List<Found> found = new ArrayList<>();
    private Duration recorded = Duration.ZERO;
    /** Of the stretches that are done with. */
    private Duration looked = Duration.ZERO;

    /** Of the one that is being looked at. */
    private Duration looking = Duration.ZERO;

    private Duration unseen = Duration.ZERO;
    private Optional<Instant> at = Optional.empty();
    private Optional<Instant> notKnownFrom = Optional.empty();
    private Optional<String> trouble = Optional.empty();

    /** @param history asks the recorder what it has */
    AreaSearch(Asked asked, RecordedPictures pictures, Function<Asked, History> history) {
        this.asked = asked;
        this.pictures = pictures;
        this.history = history;
    }

    Asked asked() {
        return asked;
    }

    synchronized Progress progress() {
        return new Progress(recorded, looked.plus(looking), unseen, at, notKnownFrom, trouble, isFull());
    }

    synchronized List<Found> found() {
        return List.copyOf(found);
    }

    private synchronized boolean isFull() {
        return found.size() >= MOST;
    }

    private boolean goesOn() {
        return !isStopped() && !isFull();
    }

    @Override
    void look() {
        var told = history.apply(asked);
        var stretches = told.recorded().orElse(List.of());
        synchronized (this) {
            recorded = stretches.stream()
                    .map(s -> Duration.between(s.from(), s.until()))
                    .reduce(Duration.ZERO, Duration::plus);
            notKnownFrom = told.whole() ? Optional.empty() : Optional.of(told.until());
        }
        for (var stretch : stretches) {
            if (!goesOn()) {
                return;
            }
            look(stretch);
        }
    }

    private void look(Stretch stretch) {
        var watch = new AreaWatch(WIDTH, HEIGHT, asked.area(), asked.least());
        var played = pictures.play(
                asked.camera().camera(), stretch, asked.closely() ? ALL : KEY_PICTURES, (seenAt, picture) -> {
                    watch.take(seenAt, picture).ifPresent(this::add);
                    come(stretch, seenAt);
                    return goesOn();
                });
        watch.end().ifPresent(this::add);
        if (goesOn()) {
            end(stretch, played);
        }
    }

    private synchronized void come(Stretch stretch, Instant seenAt) {
        looking = Duration.between(stretch.from(), seenAt);
        at = Optional.of(seenAt);
    }

    /** The last picture lies somewhat before the end of what it belongs to; much before it something is missing. */
    private synchronized void end(Stretch stretch, Played played) {
        var left = Duration.between(played.seenUntil().orElse(stretch.from()), stretch.until());
        boolean broken = played.trouble().isPresent() || left.compareTo(SPARSE) > 0;
        if (broken) {
            looked = looked.plus(
                    Duration.between(stretch.from(), stretch.until()).minus(left));
            unseen = unseen.plus(left);
            trouble = played.trouble().or(() -> Optional.of("its recorder gave less than it said it has"));
        } else {
            looked = looked.plus(Duration.between(stretch.from(), stretch.until()));
        }
        looking = Duration.ZERO;
    }

    private synchronized void add(AreaWatch.Seen seen) {
        if (!isFull()) {
            found.add(
                    new Found(seen.from(), seen.until(), seen.strongest(), seen.share(), GreyJpeg.of(seen.picture())));
        }
    }
}
