package choir.server.clip;

import choir.fleet.Node;
import choir.motion.Mark;
import choir.refusal.Refusal;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.reading.FootageDoor;
import choir.server.reading.Seeing;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Somebody walks before a camera and says at each place that it is here. What the camera sees meanwhile is kept, and what
 * was said is marked on it as wanted.
 */
@Component
class Walks {
    static final Duration LONGEST = Duration.ofMinutes(15);
    private static final Duration ENDING = Duration.ofSeconds(40);
    private static final int MOST = 8;
    private static final int MOST_SAID = 100;

    /** @param at when it was said */
    record Said(Instant at, String word) {}

    /** One that is going on, or has ended and was not fetched. */
    static final class Walk {
        final long number;
        final Node.Camera camera;
        final String who;
        final Instant began;
        final List<Said> said = new ArrayList<>();
        final Seeing playing;
        final CompletableFuture<Clip> clip;

        Walk(long number, Node.Camera camera, String who, Instant began, Seeing playing, CompletableFuture<Clip> clip) {
            this.number = number;
            this.camera = camera;
            this.who = who;
            this.began = began;
            this.playing = playing;
            this.clip = clip;
        }
    }

    private final Clips clips;
    private final FootageDoor door;
    private final FleetStore fleet;
    private final Clock clock;
    private final AtomicLong numbers = new AtomicLong();
    private final Map<Long, Walk> walks = new ConcurrentHashMap<>();
    private final ExecutorService threads = Executors.newCachedThreadPool(
            Thread.ofPlatform().daemon().name("walk-", 0).factory());

    Walks(Clips clips, FootageDoor door, FleetStore fleet, Clock clock) {
        this.clips = clips;
        this.door = door;
        this.fleet = fleet;
        this.clock = clock;
    }

    synchronized Walk start(Node.Camera named, String who) {
        if (walks.size() >= MOST) {
            throw new Problem(Problem.Kind.TOO_MANY, MOST + " walk tests are going on already; ask again soon");
        }
        StoredCamera camera = fleet.camera(named);
        var playing = door.live(camera.camera());
        var clip = CompletableFuture.supplyAsync(
                () -> clips.kept(
                        camera.id(),
                        camera.camera(),
                        camera.label(),
                        playing,
                        Clip.Origin.LIVE,
                        LONGEST.plusMinutes(1),
                        who),
                threads);
        var walk = new Walk(numbers.incrementAndGet(), camera.camera(), who, clock.instant(), playing, clip);
        walks.put(walk.number, walk);
        return walk;
    }

    Walk get(long number, String who) {
        var walk = walks.get(number);
        if (walk == null || !walk.who.equals(who)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no walk test " + number + "; start one");
        }
        return walk;
    }

    Walk here(long number, String word, String who) {
        var walk = get(number, who);
        if (walk.clip.isDone()) {
            throw new Problem(Problem.Kind.CONFLICT, "the pictures of walk test " + number + " have ended; stop it");
        }
        synchronized (walk.said) {
            if (walk.said.size() >= MOST_SAID) {
                throw new Problem(Problem.Kind.INVALID, "a walk test has at most " + MOST_SAID + " moments");
            }
            walk.said.add(new Said(clock.instant(), word.strip()));
        }
        return walk;
    }

    /** Ends it; the clip has a wanted mark for each moment that was said while there were pictures. */
    Clip stop(long number, String who) {
        var walk = get(number, who);
        walk.playing.close();
        try {
            var clip = walk.clip.get(ENDING.toSeconds(), TimeUnit.SECONDS);
            List<Said> said;
            synchronized (walk.said) {
                said = List.copyOf(walk.said);
            }
            for (var one : said) {
                if (!one.at().isBefore(clip.begins()) && !one.at().isAfter(clip.ends())) {
                    mark(clip, one, who);
                }
            }
            return clip;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        } catch (TimeoutException e) {
            throw new Problem(Problem.Kind.RECORDER, "the pictures of " + walk.camera + " do not come to an end");
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        } finally {
            walks.remove(number);
        }
    }

    private void mark(Clip clip, Said said, String who) {
        try {
            clips.mark(clip.id(), new Mark(Mark.Kind.WANTED, said.at(), said.at(), said.word()), who);
        } catch (Refusal e) {
            throw new Problem(Problem.Kind.INVALID, e.getMessage());
        }
    }

    /** One that nobody ends lets go of its recorder by itself. */
    @Scheduled(fixedDelayString = "PT30S")
    void sweep() {
        var over = clock.instant().minus(LONGEST);
        for (var walk : List.copyOf(walks.values())) {
            if (walk.began.isBefore(over)) {
                walk.playing.close();
            }
            if (walk.began.isBefore(over.minus(LONGEST))) {
                walks.remove(walk.number);
            }
        }
    }

    @PreDestroy
    void stopAll() {
        walks.values().forEach(w -> w.playing.close());
        threads.shutdown();
    }
}
