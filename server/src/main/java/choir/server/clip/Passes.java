package choir.server.clip;

import choir.footage.FootageException;
import choir.footage.Look;
import choir.footage.Source;
import choir.motion.Pass;
import choir.server.web.Problem;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Component;

/** What differs in the pictures of clips. Each is looked at once, and known for as long as it is of use. */
@Component
class Passes {
    static final int WIDTH = 160;
    static final int HEIGHT = 90;
    static final double PER_SECOND = 2;
    private static final long LARGEST = 64L << 20;
    private static final long ALL = 160L << 20;
    private static final Duration DEADLINE = Duration.ofMinutes(5);
    private static final int AT_ONCE = 2;

    private final Clips clips;
    private final Semaphore places = new Semaphore(AT_ONCE, true);
    private final Cache<Long, Pass> known = Caffeine.newBuilder()
            .maximumWeight(ALL)
            .<Long, Pass>weigher((id, pass) -> (pass.instants().size() + 1) * WIDTH * HEIGHT)
            .expireAfterAccess(Duration.ofMinutes(15))
            .build();

    Passes(Clips clips) {
        this.clips = clips;
    }

    Pass of(Clip clip) {
        return known.get(clip.id(), id -> taken(clip));
    }

    private Pass taken(Clip clip) {
        places.acquireUninterruptibly();
        var look = new Look(WIDTH, HEIGHT, PER_SECOND, false);
        var taking = new Pass.Taking(WIDTH, HEIGHT, LARGEST);
        try (var footage = clips.decoder().open(Source.File.whole(clips.file(clip)), look, DEADLINE)) {
            for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                var moment = next.get();
                if (!taking.take(clip.begins().plus(moment.since()), moment.picture())) {
                    break;
                }
            }
            return taking.taken();
        } catch (FootageException e) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "clip " + clip.id() + " of " + clip.camera() + " cannot be read any more: " + e.getMessage());
        } finally {
            places.release();
        }
    }
}
