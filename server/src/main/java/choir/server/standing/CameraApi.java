package choir.server.standing;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.fleet.Selection;
import choir.server.standing.CameraView.CameraRow;
import choir.server.web.Page;
import choir.server.web.Versions;
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

    CameraApi(Standings standings) {
        this.standings = standings;
    }

    @GetMapping("/api/v1/cameras")
    Page<CameraRow> cameras(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var page = Page.of(
                standings.select(Selection.parse(select)),
                after,
                limit,
                s -> s.camera().camera().text());
        return page.map(CameraRow::of);
    }

    @GetMapping("/api/v1/cameras/{recorder}/{channel}")
    ResponseEntity<CameraView> camera(@PathVariable String recorder, @PathVariable String channel) {
        var standing = standings.of(new Node.Camera(new RecorderName(recorder), channel));
        return ResponseEntity.ok()
                .eTag(Versions.tag(standing.camera().version()))
                .body(CameraView.of(standing));
    }
}
