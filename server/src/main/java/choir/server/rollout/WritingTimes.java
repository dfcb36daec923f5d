package choir.server.rollout;

import choir.family.Family;
import choir.link.Writing;
import choir.server.db.Database;
import choir.server.standing.Standing;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** How long recording stood still when each recorder was written the last time, so that it can be told beforehand. */
@Component
class WritingTimes {
    private static final int FEW = 3;
    private final Database database;
    private final Clock clock;

    WritingTimes(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * To be called within a transaction. What was measured stays until it is measured again.
     *
     * @param time of the calls
     * @param gap empty when it was not measured
     */
    void took(String recorder, int cameras, Duration time, Optional<Writing.Gap> gap) {
        database.change("""
                        INSERT INTO writing_time (recorder, cameras, millis, gap_millis, at)
                        VALUES (:recorder, :cameras, :millis, :gap, :at)
                        ON CONFLICT (recorder) DO UPDATE
                          SET cameras = :cameras, millis = :millis, gap_millis = :gap, at = :at
                          WHERE :gap IS NOT NULL OR gap_millis IS NULL
                        """)
                .param("recorder", recorder)
                .param("cameras", cameras)
                .param("millis", time.toMillis())
                .param("gap", gap.map(g -> g.length().toMillis()).orElse(null))
                .param("at", clock.instant().toString())
                .update();
    }

    private record Time(String recorder, int cameras, long millis, Optional<Long> gap, String at) {}

    /** A recorder that is to be written, with how many of its cameras. */
    record Planned(String recorder, Family family, int cameras) {}

    /** Counts one more camera of its recorder. */
    static void plan(Map<String, Planned> recorders, Standing camera) {
        recorders.merge(
                camera.recorder().name(),
                new Planned(camera.recorder().name(), camera.family(), 1),
                (a, b) -> new Planned(a.recorder(), a.family(), a.cameras() + b.cameras()));
    }

    /**
     * What stops while these are written: a few recorders of a family that stop on all channels one by one, all others by
     * family. Where one was never measured, the longest of its family stands for it.
     */
    List<Preview.Pause> pauses(List<Planned> planned) {
        var stopping = planned.stream()
                .filter(p -> p.family().pause() != Family.Pause.NOTHING)
                .toList();
        if (stopping.isEmpty()) {
            return List.of();
        }
        var times = all();
        SortedMap<String, List<Planned>> families = stopping.stream()
                .collect(Collectors.groupingBy(p -> p.family().name(), TreeMap::new, Collectors.toList()));
        List<Preview.Pause> pauses = new ArrayList<>();
        families.forEach((family, recorders) -> {
            if (recorders.getFirst().family().pause() == Family.Pause.CHANNEL || recorders.size() > FEW) {
                pauses.add(pause(recorders, longest(recorders, times)));
            } else {
                recorders.forEach(one -> pauses.add(pause(
                        List.of(one),
                        Optional.ofNullable(times.get(one.recorder())).or(() -> longest(recorders, times)))));
            }
        });
        return pauses;
    }

    private static Optional<Time> longest(List<Planned> recorders, Map<String, Time> times) {
        return recorders.stream()
                .flatMap(p -> Optional.ofNullable(times.get(p.recorder())).stream())
                .max(Comparator.comparing((Time t) -> t.gap().orElse(-1L)).thenComparing(Time::millis));
    }

    private static Preview.Pause pause(List<Planned> recorders, Optional<Time> time) {
        return new Preview.Pause(
                recorders.getFirst().family().name(),
                recorders.stream().map(Planned::recorder).toList(),
                recorders.getFirst().family().pause() == Family.Pause.ALL_CHANNELS,
                recorders.stream().mapToInt(Planned::cameras).sum(),
                time.map(t -> new Preview.Measured(
                                t.recorder(),
                                t.cameras(),
                                t.gap().map(millis -> millis / 1000.0).orElse(null),
                                t.millis() / 1000.0,
                                t.at()))
                        .orElse(null));
    }

    private Map<String, Time> all() {
        return database
                .query("SELECT recorder, cameras, millis, gap_millis, at FROM writing_time")
                .query((row, n) -> new Time(
                        row.getString("recorder"),
                        row.getInt("cameras"),
                        row.getLong("millis"),
                        Optional.ofNullable((Number) row.getObject("gap_millis"))
                                .map(Number::longValue),
                        row.getString("at")))
                .list()
                .stream()
                .collect(Collectors.toMap(Time::recorder, t -> t));
    }
}
