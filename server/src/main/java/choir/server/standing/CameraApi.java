package choir.server.standing;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.fleet.PauseStore;
import choir.server.web.Page;
import choir.server.web.Versions;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Cameras: many by a selection, or one with everything. */
@RestController
class CameraApi {
    private final Standings standings;
    private final PauseStore pauses;

    CameraApi(Standings standings, PauseStore pauses) {
        this.standings = standings;
        this.pauses = pauses;
    }

    /** @param sort a column of the rows, with a minus before it from the last to the first; by recorder and channel if empty */
    @GetMapping("/api/v1/cameras")
    Page<CameraRow> cameras(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "100") int limit) {
        var chosen = Selection.parse(select);
        var cursor = Optional.ofNullable(after);
        var page = sort.isEmpty()
                ? standings.page(chosen, cursor.map(Node.Camera::parse), limit)
                : standings.page(chosen, CameraOrder.parse(sort), cursor.map(CameraOrder.Place::parse), limit);
        return page.map(CameraRow::of);
    }

    @GetMapping("/api/v1/cameras/{recorder}/{channel}")
    ResponseEntity<CameraView> camera(@PathVariable String recorder, @PathVariable String channel) {
        var standing = standings.of(Node.Camera.ofSegments(recorder, channel));
        var paused = pauses.of(recorder).map(p -> p.words(recorder));
        return ResponseEntity.ok().eTag(Versions.tag(standing.row().version())).body(CameraView.of(standing, paused));
    }
}
