package choir.server.standing;

import choir.area.CellMask;
import choir.family.Family;
import choir.family.FamilyReader;
import choir.family.NativeText;
import choir.family.Translation.Wish;
import choir.family.Translator;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What another file of a family would move at the cameras that are of it; nothing is stored. */
@RestController
class FamilyDraftApi {
    record FamilyDraftText(String text) {}

    /**
     * @param inUse false when no camera is of the family yet
     * @param cameras how many cameras are of the family
     * @param moved of how many of them the recorder would have to hold something else, or another setting
     */
    record FamilyMove(String family, boolean inUse, int cameras, int moved, List<MovedSetting> settings) {}

    /**
     * Equal moves once.
     *
     * @param before what the recorder ought to hold by the file as it is; missing when nothing is asked of it
     * @param after the same by this text; missing when nothing would be
     * @param why why the recorder could not; missing when it could
     */
    record MovedSetting(
            String key,
            String title,
            @Nullable String before,
            @Nullable String after,
            @Nullable String why,
            int cameras) {}

    private record Move(SettingKey key, Optional<String> before, Optional<String> after, Optional<String> why) {}

    private record Asked(Identity policy, Optional<CellMask> mask) {}

    private final Standings standings;

    FamilyDraftApi(Standings standings) {
        this.standings = standings;
    }

    @PostMapping("/api/v1/family-drafts")
    FamilyMove family(@RequestBody FamilyDraftText given) {
        var family = FamilyReader.read(given.text());
        var dates = standings.calendars();
        Map<Asked, Map<SettingKey, Wish>> translations = new HashMap<>();
        Map<Move, Integer> moves = new HashMap<>();
        int cameras = 0;
        int moved = 0;
        for (var s : standings.all()) {
            if (!s.family().name().equals(family.name())) {
                continue;
            }
            cameras++;
            var mask = mask(family, s);
            var after = translations.computeIfAbsent(
                    new Asked(new Identity(s.policy()), mask),
                    a -> Translator.translate(s.policy(), family, a.mask(), dates)
                            .wishes());
            var here = moves(s.translation().wishes(), after);
            here.forEach(m -> moves.merge(m, 1, Integer::sum));
            moved += here.isEmpty() ? 0 : 1;
        }
        return new FamilyMove(family.name(), cameras > 0, cameras, moved, settings(moves));
    }

    /** The cells that count now are of use only where the grid stays what it is. */
    private static Optional<CellMask> mask(Family family, Standing s) {
        var before = s.family().ability(Catalogue.AREAS);
        return family.ability(Catalogue.AREAS).equals(before) ? s.mask() : Optional.empty();
    }

    private static List<Move> moves(Map<SettingKey, Wish> before, Map<SettingKey, Wish> after) {
        Set<SettingKey> keys = new TreeSet<>(before.keySet());
        keys.addAll(after.keySet());
        List<Move> moves = new ArrayList<>();
        for (var key : keys) {
            var was = Optional.ofNullable(before.get(key));
            var will = Optional.ofNullable(after.get(key));
            if (!was.equals(will)) {
                moves.add(new Move(key, held(was), held(will), will.flatMap(FamilyDraftApi::why)));
            }
        }
        return moves;
    }

    private static Optional<String> held(Optional<Wish> wish) {
        return wish.flatMap(
                w -> w instanceof Wish.Wanted wanted ? Optional.of(NativeText.of(wanted.value())) : Optional.empty());
    }

    private static Optional<String> why(Wish wish) {
        return wish instanceof Wish.Cannot cannot ? Optional.of(cannot.why()) : Optional.empty();
    }

    private static List<MovedSetting> settings(Map<Move, Integer> moves) {
        Map<SettingKey, List<MovedSetting>> byKey = new TreeMap<>();
        moves.forEach((move, count) -> byKey.computeIfAbsent(move.key(), k -> new ArrayList<>())
                .add(new MovedSetting(
                        move.key().text(),
                        Catalogue.get(move.key()).title(),
                        move.before().orElse(null),
                        move.after().orElse(null),
                        move.why().orElse(null),
                        count)));
        byKey.values().forEach(all -> all.sort((a, b) -> Integer.compare(b.cameras(), a.cameras())));
        return byKey.values().stream().flatMap(List::stream).toList();
    }
}
