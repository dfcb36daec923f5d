package choir.survey;

import choir.family.Family;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The different values of one setting among the cameras of one family, the commonest first.
 *
 * @param cameras how many of the family were surveyed and showed the setting
 */
public record Variants(Family family, SettingKey key, int cameras, List<Variant> variants) {
    /** @param factory nobody ever touched it, as far as the family file can tell */
    public record Variant(NativeValue value, boolean factory, List<Node.Camera> cameras) {
        public Variant {
            cameras = List.copyOf(cameras);
        }
    }

    /** A value that few cameras have is worth a look: one in ten of its family or fewer, or a lone one among five. */
    private static final int ODD_PERCENT = 10;

    private static final int ENOUGH_TO_BE_LONE_AMONG = 5;

    public Variants {
        variants = List.copyOf(variants);
    }

    public List<Variant> oddOnesOut() {
        return variants.stream()
                .filter(v -> v.cameras().size() * 100 <= ODD_PERCENT * cameras
                        || v.cameras().size() == 1 && cameras >= ENOUGH_TO_BE_LONE_AMONG)
                .toList();
    }

    /** By family, then in the order of the catalogue. */
    public static List<Variants> among(Collection<Surveyed> surveyed) {
        Map<String, List<Surveyed>> byFamily = new LinkedHashMap<>();
        surveyed.stream()
                .sorted(Comparator.comparing(s -> s.family().name()))
                .forEach(s -> byFamily.computeIfAbsent(s.family().name(), f -> new ArrayList<>())
                        .add(s));
        List<Variants> all = new ArrayList<>();
        byFamily.values()
                .forEach(cameras -> Catalogue.settings()
                        .forEach(setting -> of(cameras.getFirst().family(), setting.key(), cameras)
                                .ifPresent(all::add)));
        return all;
    }

    private static Optional<Variants> of(Family family, SettingKey key, List<Surveyed> surveyed) {
        Map<NativeValue, List<Node.Camera>> byValue = new LinkedHashMap<>();
        for (var one : surveyed) {
            one.held()
                    .get(key)
                    .ifPresent(v ->
                            byValue.computeIfAbsent(v, x -> new ArrayList<>()).add(one.camera()));
        }
        int count = byValue.values().stream().mapToInt(List::size).sum();
        var variants = byValue.entrySet().stream()
                .map(e -> new Variant(e.getKey(), family.factory(key).equals(Optional.of(e.getKey())), e.getValue()))
                .sorted(Comparator.comparing((Variant v) -> -v.cameras().size())
                        .thenComparing(v -> NativeText.of(v.value())))
                .toList();
        return count == 0 ? Optional.empty() : Optional.of(new Variants(family, key, count, variants));
    }
}
