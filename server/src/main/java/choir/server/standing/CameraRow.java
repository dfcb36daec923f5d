package choir.server.standing;

import choir.fleet.CameraState;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** One camera in a list. */
record CameraRow(
        String camera,
        String recorder,
        String channel,
        String label,
        String deviceName,
        String group,
        String family,
        List<String> tags,
        Set<String> states,
        MarkView mark) {
    static CameraRow of(Standing s) {
        return new CameraRow(
                s.camera().text(),
                s.camera().recorder().text(),
                s.camera().channel(),
                s.row().label(),
                s.row().deviceName(),
                s.group().text(),
                s.family().name(),
                s.tags().stream().sorted().toList(),
                s.states().stream().map(CameraState::word).collect(Collectors.toCollection(TreeSet::new)),
                MarkView.of(s.deviations()));
    }
}
