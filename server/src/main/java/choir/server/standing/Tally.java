package choir.server.standing;

import choir.drift.Cause;
import choir.fleet.CameraState;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** How many cameras stand how, and for each setting how many it is governed at and how many of those are in tune. */
final class Tally {
    private static final Map<SettingKey, Integer> PLACES = places();

    private int cameras;
    private long minutesWithoutRecording;
    private final int[] byState = new int[CameraState.values().length];
    private final int[] governed = new int[PLACES.size()];
    private final int[] inTune = new int[PLACES.size()];

    Tally() {}

    /** One that was counted before. */
    Tally(int cameras, long minutesWithoutRecording, Map<CameraState, Integer> byState) {
        this.cameras = cameras;
        this.minutesWithoutRecording = minutesWithoutRecording;
        byState.forEach((state, count) -> this.byState[state.ordinal()] = count);
    }

    void settle(SettingKey key, int governed, int inTune) {
        place(key).ifPresent(place -> {
            this.governed[place] = governed;
            this.inTune[place] = inTune;
        });
    }

    private static Map<SettingKey, Integer> places() {
        Map<SettingKey, Integer> places = new HashMap<>();
        Catalogue.settings().forEach(s -> places.put(s.key(), places.size()));
        return Map.copyOf(places);
    }

    /** How many settings there are; each has a place below that. */
    static int settings() {
        return PLACES.size();
    }

    static Optional<Integer> place(SettingKey key) {
        return Optional.ofNullable(PLACES.get(key));
    }

    int governedAt(int place) {
        return governed[place];
    }

    int inTuneAt(int place) {
        return inTune[place];
    }

    void count(Standing camera) {
        cameras++;
        minutesWithoutRecording += camera.comparison().minutesWithoutRecording();
        camera.states().forEach(s -> byState[s.ordinal()]++);
        for (var d : camera.deviations()) {
            var place = PLACES.get(d.key());
            if (place != null) {
                governed[place]++;
                inTune[place] += d.cause() == Cause.IN_TUNE ? 1 : 0;
            }
        }
    }

    void add(Tally other) {
        add(other, 1);
    }

    private void add(Tally other, int sign) {
        cameras += sign * other.cameras;
        minutesWithoutRecording += sign * other.minutesWithoutRecording;
        add(byState, other.byState, sign);
        add(governed, other.governed, sign);
        add(inTune, other.inTune, sign);
    }

    private static void add(int[] to, int[] more, int sign) {
        for (int i = 0; i < to.length; i++) {
            to[i] += sign * more[i];
        }
    }

    Tally plus(Tally other) {
        var sum = new Tally();
        sum.add(this);
        sum.add(other);
        return sum;
    }

    Tally minus(Tally other) {
        var rest = new Tally();
        rest.add(this);
        rest.add(other, -1);
        return rest;
    }

    int cameras() {
        return cameras;
    }

    long minutesWithoutRecording() {
        return minutesWithoutRecording;
    }

    int in(CameraState state) {
        return byState[state.ordinal()];
    }

    int governed(SettingKey key) {
        return place(key).map(i -> governed[i]).orElse(0);
    }

    int inTune(SettingKey key) {
        return place(key).map(i -> inTune[i]).orElse(0);
    }
}
