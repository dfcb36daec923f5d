package choir.server.clip;

import choir.link.FootageLink.History;
import choir.link.LinkException;
import choir.motion.Agreement;
import choir.server.reading.FootageDoor;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What trials are made on: clips that are kept, and what recorders themselves saw meanwhile. */
@Component
class Sources {
    private static final int MOST_CLIPS = 200;

    private final ClipStore store;
    private final SeenClips seen;
    private final Standings standings;
    private final FootageDoor door;

    Sources(ClipStore store, SeenClips seen, Standings standings, FootageDoor door) {
        this.seen = seen;
        this.store = store;
        this.standings = standings;
        this.door = door;
    }

    /** What its recorder saw and recorded meanwhile; missing where it does not tell, and of a file that somebody brought. */
    Optional<History> history(Clip clip) {
        if (clip.origin() == Clip.Origin.FILE) {
            return Optional.empty();
        }
        try {
            return door.history(clip.camera(), clip.begins(), clip.ends());
        } catch (LinkException | Problem e) {
            return Optional.empty();
        }
    }

    /** When its recorder saw motion; missing where it does not tell. */
    Optional<List<Agreement.Span>> motion(Clip clip) {
        return history(clip)
                .flatMap(History::motion)
                .map(all -> all.stream()
                        .map(s -> new Agreement.Span(s.from(), s.until()))
                        .toList());
    }

    /**
     * @param numbers of clips; all that are kept of the selection when there are none
     * @throws Problem when there is none, or too many
     */
    List<Clip> clips(@Nullable List<Long> numbers, @Nullable String select) {
        List<Clip> clips = new ArrayList<>();
        if (numbers != null && !numbers.isEmpty()) {
            numbers.stream().distinct().limit(MOST_CLIPS + 1L).forEach(n -> clips.add(seen.get(n)));
        } else {
            var with = new HashSet<>(store.camerasWithClips());
            for (Standing standing : standings.someOf(select == null ? "" : select)) {
                if (with.contains(standing.row().id()) && clips.size() <= MOST_CLIPS) {
                    clips.addAll(store.keptOf(standing.row().id()));
                }
            }
        }
        if (clips.isEmpty()) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    "no clip is kept of that selection; take one with: choir clip take CAMERA --from TIME");
        }
        if (clips.size() > MOST_CLIPS) {
            throw new Problem(Problem.Kind.INVALID, "more than " + MOST_CLIPS + " clips; select fewer cameras");
        }
        return clips;
    }
}
