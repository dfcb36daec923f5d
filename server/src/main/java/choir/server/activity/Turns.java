package choir.server.activity;

import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.policy.Effective;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.server.activity.ActivityViews.TurnView;
import choir.server.db.Database;
import choir.server.fleet.StoredCamera;
import choir.server.policy.PastPolicies;
import choir.server.policy.PastPolicies.InForce;
import choir.server.stored.Json;
import choir.server.stored.NativeJson;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/** What happened to a camera that may show in what was recorded: its policy, its recorder, rollouts, and when it was away. */
@Component
class Turns {
    private static final int MOST_SETTINGS = 4;

    private final PastPolicies policies;
    private final Database database;

    Turns(PastPolicies policies, Database database) {
        this.policies = policies;
        this.database = database;
    }

    /** In the order of time. */
    List<TurnView> of(StoredCamera camera, Instant from, Instant until) {
        List<TurnView> turns = new ArrayList<>();
        var recorder = camera.camera().recorder().text();
        policy(turns, policies.of(recorder, List.of(camera), from, until).getOrDefault(camera.id(), List.of()));
        held(turns, camera.id(), from, until);
        rollouts(turns, camera, from, until);
        spans(turns, recorder, "away", "SELECT since, until, why_not AS why FROM away_then", from, until);
        spans(turns, recorder, "paused", "SELECT since, until, because AS why FROM pause_then", from, until);
        turns.sort(Comparator.comparing(TurnView::at));
        return turns;
    }

    private static void policy(List<TurnView> turns, List<InForce> inForce) {
        for (int i = 1; i < inForce.size(); i++) {
            var before = inForce.get(i - 1).policy().settings();
            var after = inForce.get(i).policy().settings();
            Set<SettingKey> changed = new TreeSet<>(before.keySet());
            changed.addAll(after.keySet());
            changed.removeIf(key -> said(before, key).equals(said(after, key)));
            if (!changed.isEmpty()) {
                turns.add(new TurnView(inForce.get(i).from(), "policy", "policy: " + some(changed)));
            }
        }
    }

    /** What holds, without where it comes from. */
    private static Optional<Value> said(Map<SettingKey, Effective> settings, SettingKey key) {
        return Optional.ofNullable(settings.get(key)).map(Effective::asSaid);
    }

    private static String some(Set<SettingKey> keys) {
        var names = keys.stream().map(SettingKey::text).limit(MOST_SETTINGS).toList();
        return String.join(", ", names)
                + (keys.size() > names.size() ? " and " + (keys.size() - names.size()) + " more" : "");
    }

    private void held(List<TurnView> turns, long camera, Instant from, Instant until) {
        var configs = database.query("""
                        SELECT h.since, c.body FROM held_then h JOIN content c ON c.hash = h.hash
                        WHERE h.camera = :camera AND h.since < :until AND (h.until IS NULL OR h.until >= :from)
                        ORDER BY h.since
                        """)
                .param("camera", camera)
                .param("from", from.toEpochMilli())
                .param("until", until.toEpochMilli())
                .query((row, n) -> Map.entry(Instant.ofEpochMilli(row.getLong("since")), config(row.getString("body"))))
                .list();
        for (int i = 1; i < configs.size(); i++) {
            var before = configs.get(i - 1).getValue();
            var after = configs.get(i).getValue();
            if (configs.get(i).getKey().isBefore(from)) {
                continue;
            }
            Set<SettingKey> changed = new TreeSet<>(before.values().keySet());
            changed.addAll(after.values().keySet());
            changed.removeIf(key -> before.get(key).equals(after.get(key)));
            if (!changed.isEmpty()) {
                turns.add(new TurnView(
                        configs.get(i).getKey(),
                        "recorder",
                        "read at the recorder: " + changes(before, after, changed)));
            }
        }
    }

    private static String changes(NativeConfig before, NativeConfig after, Set<SettingKey> changed) {
        if (changed.size() > 1) {
            return some(changed) + " changed";
        }
        var key = changed.iterator().next();
        return key + " " + before.get(key).map(NativeText::of).orElse("nothing") + " → "
                + after.get(key).map(NativeText::of).orElse("nothing");
    }

    private static NativeConfig config(String body) {
        try {
            return NativeJson.config(body);
        } catch (Json.UnreadableException e) {
            return NativeConfig.EMPTY;
        }
    }

    private void rollouts(List<TurnView> turns, StoredCamera camera, Instant from, Instant until) {
        database.query("SELECT updated_at, rollout, state FROM rollout_step WHERE camera = :camera")
                .param("camera", camera.id())
                .query(row -> {
                    var at = Instant.parse(row.getString("updated_at"));
                    if (!at.isBefore(from) && at.isBefore(until)) {
                        turns.add(new TurnView(
                                at,
                                "rollout",
                                "rollout " + row.getLong("rollout") + ": "
                                        + row.getString("state").toLowerCase(java.util.Locale.ROOT)));
                    }
                });
    }

    private void spans(List<TurnView> turns, String recorder, String kind, String sql, Instant from, Instant until) {
        database.query(sql + " WHERE recorder = :recorder AND since < :until AND (until IS NULL OR until >= :from)")
                .param("recorder", recorder)
                .param("from", from.toEpochMilli())
                .param("until", until.toEpochMilli())
                .query(row -> {
                    var since = Instant.ofEpochMilli(row.getLong("since"));
                    long end = row.getLong("until");
                    boolean stands = row.wasNull();
                    if (!since.isBefore(from)) {
                        turns.add(new TurnView(since, kind, kind + ": " + row.getString("why")));
                    }
                    if (!stands && Instant.ofEpochMilli(end).isBefore(until)) {
                        turns.add(new TurnView(
                                Instant.ofEpochMilli(end),
                                kind,
                                kind.equals("away") ? "reached again" : "pause ended"));
                    }
                });
    }
}
