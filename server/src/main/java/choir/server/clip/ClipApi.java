package choir.server.clip;

import choir.fleet.Node;
import choir.footage.FootageException;
import choir.motion.Mark;
import choir.refusal.Refusal;
import choir.server.journal.Journal;
import choir.server.reach.Keeper;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Instants;
import choir.server.web.Problem;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.security.Principal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
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

/** Clips, and what is marked on them. Whoever looks at one is in the journal, once an hour. */
@RestController
class ClipApi {
    static final int STILL_WIDTH = 640;
    private static final Duration SHORT = Duration.ofSeconds(20);

    /**
     * @param camera its node text
     * @param from ISO 8601 with a zone
     */
    record ClipRequest(String camera, String from, String until) {}

    /** @param days after which it goes by itself */
    record KeepRequest(String because, long days) {}

    /**
     * @param kind {@code wanted} or {@code unwanted}
     * @param until the same as from when missing, for a moment
     */
    record MarkRequest(
            String kind,
            String from,
            @Nullable String until,
            @Nullable String word) {}

    /**
     * @param origin {@code recorded}, {@code live} or {@code file}
     * @param because why it is kept; missing while it is only looked at
     * @param goneAt when it goes by itself
     * @param tried with the policy as it is {@code now}, with one of {@code before} that has changed since, or {@code never}
     */
    public record ClipView(
            long id,
            String camera,
            String label,
            String from,
            String until,
            String origin,
            long bytes,
            @Nullable String because,
            String who,
            String at,
            String goneAt,
            String tried,
            List<ClipMarkView> marks) {}

    public record ClipMarkView(long id, String kind, String from, String until, String word, String who) {}

    private final Clips clips;
    private final ClipStore store;
    private final SeenClips seen;
    private final Standings standings;
    private final Keeper keeper;
    private final Journal journal;
    private final Cache<String, Boolean> looked = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofHours(1))
            .maximumSize(10_000)
            .build();

    ClipApi(Clips clips, ClipStore store, SeenClips seen, Standings standings, Keeper keeper, Journal journal) {
        this.seen = seen;
        this.keeper = keeper;
        this.clips = clips;
        this.store = store;
        this.standings = standings;
        this.journal = journal;
    }

    /** Those that are kept. */
    @GetMapping("/api/v1/clips")
    List<ClipView> list(@RequestParam(defaultValue = "") String select) {
        Set<Long> withClips = new HashSet<>(store.camerasWithClips());
        List<ClipView> found = new ArrayList<>();
        for (Standing standing : standings.someOf(select)) {
            if (withClips.contains(standing.row().id())) {
                store.keptOf(standing.row().id()).forEach(c -> found.add(view(c)));
            }
        }
        return found;
    }

    @GetMapping("/api/v1/clips/{id}")
    ClipView one(@PathVariable long id) {
        return view(seen.get(id));
    }

    /** Takes it from the recorder; it goes after an hour unless it is kept. */
    @PostMapping("/api/v1/clips")
    ClipView take(@RequestBody ClipRequest given, Principal who) {
        return view(clips.take(
                seen(given.camera()),
                Instants.parse("from", given.from()),
                Instants.parse("until", given.until()),
                who.getName()));
    }

    /** @param at when its first picture was seen */
    @PostMapping(path = "/api/v1/clip-files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ClipView add(@RequestParam String camera, @RequestParam String at, HttpServletRequest request, Principal who)
            throws IOException {
        return view(clips.add(seen(camera), Instants.parse("at", at), request.getInputStream(), who.getName()));
    }

    @PostMapping("/api/v1/clips/{id}/keep")
    ClipView keep(@PathVariable long id, @RequestBody KeepRequest given, Principal who) {
        seen.get(id);
        return view(clips.keep(id, given.because(), given.days(), who.getName()));
    }

    @DeleteMapping("/api/v1/clips/{id}")
    void remove(@PathVariable long id, Principal who) {
        seen.get(id);
        clips.remove(id, who.getName());
    }

    @PostMapping("/api/v1/clips/{id}/marks")
    List<ClipMarkView> mark(@PathVariable long id, @RequestBody MarkRequest given, Principal who) {
        seen.get(id);
        var from = Instants.parse("from", given.from());
        var until = given.until() == null ? from : Instants.parse("until", given.until());
        var word = given.word() == null ? "" : given.word();
        return marks(clips.mark(id, new Mark(kind(given.kind()), from, until, word), who.getName()));
    }

    @DeleteMapping("/api/v1/clips/{id}/marks/{mark}")
    List<ClipMarkView> unmark(@PathVariable long id, @PathVariable long mark, Principal who) {
        seen.get(id);
        return marks(clips.unmark(id, mark, who.getName()));
    }

    /** @param at ISO 8601 with a zone */
    @GetMapping(path = "/api/v1/clips/{id}/picture", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable long id, @RequestParam String at, Principal who) {
        var clip = seen.get(id);
        var since = Duration.between(clip.begins(), Instants.parse("at", at));
        if (since.isNegative() || since.compareTo(clip.length()) > 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "clip " + id + " goes from " + clip.begins() + " to " + clip.ends() + "; there is no picture of "
                            + at);
        }
        looks(clip, who);
        try {
            return ResponseEntity.ok()
                    .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
                    .body(clips.decoder().still(clips.file(clip), since, STILL_WIDTH, SHORT));
        } catch (FootageException e) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND, "clip " + id + " has no picture at " + at + ": " + e.getMessage());
        }
    }

    /** Once an hour for each person and clip. */
    void looks(Clip clip, Principal who) {
        var _ = looked.get(who.getName() + " " + clip.id(), k -> {
            if (!who.getName().equals(clip.who()) || clip.isKept()) {
                journal.add(
                        who.getName(),
                        "looks at footage",
                        clip.camera().text(),
                        clip.begins() + " to " + clip.ends() + ", clip " + clip.id());
            }
            return true;
        });
    }

    /** A camera that is named and seen. */
    Node.Camera seen(String camera) {
        var named = Node.Camera.named(camera);
        keeper.see(named);
        return named;
    }

    private static Mark.Kind kind(String word) {
        return switch (word) {
            case "wanted" -> Mark.Kind.WANTED;
            case "unwanted" -> Mark.Kind.UNWANTED;
            default -> throw new Refusal("\"" + word + "\" is no kind of mark; expected wanted or unwanted");
        };
    }

    ClipView view(Clip clip) {
        return new ClipView(
                clip.id(),
                clip.camera().text(),
                clip.label(),
                clip.begins().toString(),
                clip.ends().toString(),
                clip.origin().word(),
                clip.bytes(),
                clip.because().orElse(null),
                clip.who(),
                clip.at().toString(),
                clip.goneAt().toString(),
                clip.triedWith()
                        .map(with -> with.equals(asked(clip)) ? "now" : "before")
                        .orElse("never"),
                marks(store.marks(clip.id())));
    }

    private String asked(Clip clip) {
        var standing = standings.of(clip.camera());
        return Tried.words(Tried.motion(standing, clip, Tried.wanted(standing)));
    }

    static List<ClipMarkView> marks(List<ClipStore.StoredMark> marks) {
        return marks.stream()
                .map(m -> new ClipMarkView(
                        m.id(),
                        m.mark().kind().name().toLowerCase(Locale.ROOT),
                        m.mark().from().toString(),
                        m.mark().until().toString(),
                        m.mark().word(),
                        m.who()))
                .toList();
    }
}
