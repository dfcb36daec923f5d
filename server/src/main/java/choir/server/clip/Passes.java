package choir.server.clip;

import choir.footage.Footage;
import choir.footage.FootageException;
import choir.footage.Look;
import choir.footage.Source;
import choir.motion.Looking;
import choir.motion.MotionEvents.Level;
import choir.motion.Pass;
import choir.server.web.Problem;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/** What differs in the pictures of clips. Each is looked at once, and known for as long as it is of use. */
@Component
class Passes {
    static final int WIDTH = 160;
    static final int HEIGHT = 90;
    static final double PER_SECOND = 2;
    /** How pictures are looked at unless somebody asks for more. */
    static final Look USUAL = new Look(WIDTH, HEIGHT, PER_SECOND, false);

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
        var taking = new Pass.Taking(WIDTH, HEIGHT, LARGEST);
        each(clip, USUAL, moment -> taking.take(clip.begins().plus(moment.since()), moment.picture()));
        return taking.taken();
    }

    /**
     * The levels of areas of pictures that are looked at otherwise than usually, which are not kept.
     *
     * @return one list for each area
     */
    List<List<Level>> levels(Clip clip, Look look, List<Looking.At> areas) {
        var looking = new Looking(look.width(), look.height(), areas);
        each(clip, look, moment -> {
            looking.take(clip.begins().plus(moment.since()), moment.picture());
            return true;
        });
        return looking.levels();
    }

    private void each(Clip clip, Look look, Predicate<Footage.Moment> whetherOn) {
        places.acquireUninterruptibly();
        try (var footage = clips.decoder().open(Source.File.whole(clips.file(clip)), look, DEADLINE)) {
            for (var next = footage.next(); next.filter(whetherOn).isPresent(); next = footage.next()) {
                // What is done with it is done.
            }
        } catch (FootageException e) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "clip " + clip.id() + " of " + clip.camera() + " cannot be read any more: " + e.getMessage());
        } finally {
            places.release();
        }
    }
}
