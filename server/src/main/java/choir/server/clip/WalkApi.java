package choir.server.clip;

import choir.server.clip.ClipApi.ClipView;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Walk tests, from the telephone of whoever walks. */
@RestController
class WalkApi {
    record WalkRequest(String camera) {}

    /** @param word what is here, such as {@code 70 m, by the crane} */
    record HereRequest(@Nullable String word) {}

    /**
     * @param pictures whether any came yet
     * @param ended whether no more come
     */
    public record WalkView(
            long id, String camera, String startedAt, boolean pictures, boolean ended, List<MomentView> moments) {}

    public record MomentView(String at, String word) {}

    private final Walks walks;
    private final ClipApi clips;

    WalkApi(Walks walks, ClipApi clips) {
        this.walks = walks;
        this.clips = clips;
    }

    @PostMapping("/api/v1/walks")
    WalkView start(@RequestBody WalkRequest given, Principal who) {
        return view(walks.start(clips.seen(given.camera()), who.getName()));
    }

    @GetMapping("/api/v1/walks/{id}")
    WalkView one(@PathVariable long id, Principal who) {
        return view(walks.get(id, who.getName()));
    }

    @PostMapping("/api/v1/walks/{id}/moments")
    WalkView here(@PathVariable long id, @RequestBody HereRequest given, Principal who) {
        return view(walks.here(id, given.word() == null ? "" : given.word(), who.getName()));
    }

    /** Gives the clip, on which the moments are marked. */
    @PostMapping("/api/v1/walks/{id}/stop")
    ClipView stop(@PathVariable long id, Principal who) {
        return clips.view(walks.stop(id, who.getName()));
    }

    private static WalkView view(Walks.Walk walk) {
        List<Walks.Said> said;
        synchronized (walk.said) {
            said = List.copyOf(walk.said);
        }
        return new WalkView(
                walk.number,
                walk.camera.text(),
                walk.began.toString(),
                walk.playing.begins().isPresent(),
                walk.clip.isDone(),
                said.stream()
                        .map(s -> new MomentView(s.at().toString(), s.word()))
                        .toList());
    }
}
