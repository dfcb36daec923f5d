package choir.server.rollout;

import choir.drift.Deviation;
import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.family.Translation.Wish;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.Changes;
import choir.server.clip.Proofs;
import choir.server.db.Database;
import choir.server.fleet.PauseStore;
import choir.server.fleet.StoredCamera;
import choir.server.forecast.Forecasts;
import choir.server.standing.Origins;
import choir.server.standing.Standing;
import choir.server.stored.ChangesJson;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Makes previews and keeps what each of them saw. */
@Component
class Previews {
    private final Database database;
    private final PauseStore paused;
    private final Clock clock;

    private final WritingTimes times;

    private final Proofs proofs;
    private final Forecasts forecasts;

    Previews(
            Database database, PauseStore paused, WritingTimes times, Proofs proofs, Forecasts forecasts, Clock clock) {
        this.proofs = proofs;
        this.forecasts = forecasts;
        this.times = times;
        this.paused = paused;
        this.database = database;
        this.clock = clock;
    }

    /** @param only the settings to give out; empty for all */
    record Scope(Standing standing, Set<SettingKey> only) {}

    Preview make(String selection, List<Scope> cameras, String who) {
        List<Preview.OfCamera> changing = new ArrayList<>();
        List<Preview.Unread> unread = new ArrayList<>();
        Set<String> leftAlone = new TreeSet<>();
        Set<String> onSite = new TreeSet<>();
        Map<String, WritingTimes.Planned> written = new TreeMap<>();
        var pricing = new Pricing();
        Map<Node.Camera, NativeConfig> after = new HashMap<>();
        var folds = new Folds();
        Map<Long, Map<SettingKey, Change>> steps = new TreeMap<>();
        List<Proofs.Planned> proven = new ArrayList<>();
        int inTune = 0;
        var paused = this.paused.inForce();
        for (var scope : cameras) {
            var standing = scope.standing();
            if (standing.family().onSite()) {
                onSite.add(standing.recorder().name());
                continue;
            }
            var pause = paused.get(standing.recorder().name());
            if (pause != null) {
                leftAlone.add(pause.words(standing.recorder().name()));
                continue;
            }
            if (standing.held().isEmpty()) {
                unread.add(new Preview.Unread(standing.camera().text(), whyUnread(standing)));
                continue;
            }
            var changes = changes(standing, scope.only());
            if (changes.isEmpty()) {
                var unknown = unknown(standing).keySet();
                if (unknown.isEmpty()) {
                    inTune++;
                } else {
                    unread.add(new Preview.Unread(standing.camera().text(), notKnown(unknown)));
                }
                continue;
            }
            steps.put(standing.row().id(), changes);
            var will = Changes.taken(standing.held().orElseThrow(), changes);
            after.put(standing.camera(), will);
            if (changes.keySet().stream().anyMatch(k -> Proofs.isOfMotion(k.text()))) {
                proven.add(new Proofs.Planned(standing, standing.held(), will));
            }
            var camera = ofCamera(standing, changes);
            changing.add(camera);
            folds.add(standing, camera, changes);
            pricing.add(standing, changes);
            WritingTimes.plan(written, standing);
        }
        var now = clock.instant().toString();
        var proof = proofs.of(proven);
        long id = database.write(() -> store(selection, who, now, steps, proof));
        return new Preview(
                id,
                selection,
                now,
                pricing.price(forecasts.difference(after)),
                folds.all(),
                changing,
                inTune,
                unread,
                List.copyOf(leftAlone),
                List.copyOf(onSite),
                times.pauses(List.copyOf(written.values())),
                proof);
    }

    static Map<SettingKey, Change> changes(Standing standing, Set<SettingKey> only) {
        var changes = Changes.writable(standing.translation(), standing.held().orElseThrow());
        if (!only.isEmpty()) {
            changes.keySet().retainAll(only);
        }
        return changes;
    }

    private static String notKnown(Set<SettingKey> keys) {
        return keys.stream()
                        .map(k -> Catalogue.get(k).title().toLowerCase(Locale.ROOT))
                        .collect(Collectors.joining(", "))
                + (keys.size() == 1 ? " is" : " are") + " not known, so nothing is written over";
    }

    private static String whyUnread(Standing standing) {
        return standing.trouble().orElse("not read yet");
    }

    private static Preview.OfCamera ofCamera(Standing standing, Map<SettingKey, Change> changes) {
        List<Preview.OfSetting> settings = new ArrayList<>();
        changes.forEach((key, change) -> settings.add(ofSetting(standing, key, change)));
        List<Preview.Cannot> cannot = new ArrayList<>();
        standing.translation().wishes().forEach((key, wish) -> {
            if (wish instanceof Wish.Cannot(var asked, var why)) {
                cannot.add(new Preview.Cannot(key.text(), Catalogue.get(key).title(), asked, why));
            }
        });
        unknown(standing)
                .forEach((key, asked) -> cannot.add(new Preview.Cannot(
                        key.text(),
                        Catalogue.get(key).title(),
                        asked,
                        Catalogue.get(key).title()
                                + ": what the recorder holds there is not known, so it is not written over")));
        StoredCamera camera = standing.row();
        return new Preview.OfCamera(
                camera.camera().text(),
                camera.label(),
                camera.group().text(),
                standing.recorder().name(),
                standing.family().name(),
                settings,
                cannot);
    }

    /** What is asked and was not in the recorder's answer, or not in a form that can be understood. */
    private static Map<SettingKey, String> unknown(Standing standing) {
        Map<SettingKey, String> unknown = new TreeMap<>();
        var held = standing.held().orElseThrow();
        standing.translation().wishes().forEach((key, wish) -> {
            if (wish instanceof Wish.Wanted wanted && held.get(key).isEmpty()) {
                unknown.put(key, NativeText.of(wanted.value()));
            }
        });
        return unknown;
    }

    private static Preview.OfSetting ofSetting(Standing standing, SettingKey key, Change change) {
        var approximated = standing.translation().wishes().get(key) instanceof Wish.Wanted w
                ? w.approximated()
                : Optional.<String>empty();
        return new Preview.OfSetting(
                key.text(),
                Catalogue.get(key).title(),
                change.before()
                        .map(before -> NativeText.beside(before, Optional.of(change.after())))
                        .orElse(null),
                NativeText.beside(change.after(), change.before()),
                standing.policy().get(key).map(Origins::text).orElse(""),
                standing.deviation(key)
                        .map(Deviation::cause)
                        .map(c -> c.words())
                        .orElse(""),
                approximated.orElse(null));
    }

    private long store(
            String selection, String who, String now, Map<Long, Map<SettingKey, Change>> steps, Proofs.Proof proof) {
        long id = database.change("""
                        INSERT INTO preview (selection, who, created_at) VALUES (:selection, :who, :at) RETURNING id
                        """)
                .param("selection", selection)
                .param("who", who)
                .param("at", now)
                .query(Long.class)
                .single();
        steps.forEach((camera, changes) -> database.change(
                        "INSERT INTO preview_step (preview, camera, changes) VALUES (:preview, :camera, :changes)")
                .param("preview", id)
                .param("camera", camera)
                .param("changes", ChangesJson.write(changes))
                .update());
        proof.lost().stream()
                .filter(Proofs.LostMoment::caughtNow)
                .map(Proofs.LostMoment::name)
                .distinct()
                .forEach(name -> database.change("INSERT INTO preview_lost (preview, name) VALUES (:preview, :name)")
                        .param("preview", id)
                        .param("name", name)
                        .update());
        return id;
    }
}
