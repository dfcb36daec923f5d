package choir.server.rollout;

import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.server.standing.Origins;
import choir.server.standing.Standing;
import choir.server.standing.WeekView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Gathers equal changes of a preview, so that each is said once. */
final class Folds {
    /**
     * Words of one family mean the same wherever they stand, and a template the same wherever it is used.
     *
     * @param source the change's origins without their places
     */
    private record Equal(String family, Preview.OfSetting change, String source) {}

    private record Alike(Change change, Set<String> origins, List<String> cameras) {}

    private final Map<Equal, Alike> folds = new LinkedHashMap<>();

    void add(Standing standing, Preview.OfCamera camera, Map<SettingKey, Change> changes) {
        for (var said : camera.changes()) {
            var key = new SettingKey(said.key());
            var change = changes.get(key);
            if (change != null) {
                var source = standing.policy().get(key).map(Origins::sources).orElse("");
                var alike = folds.computeIfAbsent(
                        new Equal(camera.family(), said.withoutOrigin(), source),
                        e -> new Alike(change, new LinkedHashSet<>(), new ArrayList<>()));
                alike.origins().add(said.origin());
                alike.cameras().add(camera.camera());
            }
        }
    }

    /** Those of the most cameras first. */
    List<Preview.Fold> all() {
        return folds.entrySet().stream()
                .map(e -> fold(e.getKey(), e.getValue()))
                .sorted(Comparator.comparing(f -> -f.cameras().size()))
                .toList();
    }

    private static Preview.Fold fold(Equal equal, Alike alike) {
        var said = equal.change();
        var places = alike.origins();
        return new Preview.Fold(
                equal.family(),
                said.key(),
                said.title(),
                said.before(),
                said.after(),
                places.size() == 1 ? places.iterator().next() : equal.source() + ", in " + places.size() + " places",
                said.cause(),
                said.approximated(),
                WeekView.ofChange(alike.change().before(), alike.change().after())
                        .orElse(null),
                List.copyOf(alike.cameras()));
    }
}
