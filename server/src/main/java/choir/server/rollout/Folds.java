package choir.server.rollout;

import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.server.standing.WeekView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Gathers equal changes of a preview, so that each is said once. */
final class Folds {
    /** Words of one family mean the same wherever they stand. */
    private record Equal(String family, Preview.OfSetting change) {}

    private record Alike(Change change, List<String> cameras) {}

    private final Map<Equal, Alike> folds = new LinkedHashMap<>();

    void add(Preview.OfCamera camera, Map<SettingKey, Change> changes) {
        for (var said : camera.changes()) {
            var change = changes.get(new SettingKey(said.key()));
            if (change != null) {
                folds.computeIfAbsent(new Equal(camera.family(), said), e -> new Alike(change, new ArrayList<>()))
                        .cameras()
                        .add(camera.camera());
            }
        }
    }

    /** Those of the most cameras first. */
    List<Preview.Fold> all() {
        return folds.entrySet().stream()
                .map(e -> fold(e.getKey().family(), e.getKey().change(), e.getValue()))
                .sorted(Comparator.comparing(f -> -f.cameras().size()))
                .toList();
    }

    private static Preview.Fold fold(String family, Preview.OfSetting said, Alike alike) {
        return new Preview.Fold(
                family,
                said.key(),
                said.title(),
                said.before(),
                said.after(),
                said.origin(),
                said.cause(),
                said.approximated(),
                WeekView.ofChange(alike.change().before(), alike.change().after())
                        .orElse(null),
                List.copyOf(alike.cameras()));
    }
}
