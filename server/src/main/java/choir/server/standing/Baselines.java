package choir.server.standing;

import choir.drift.Cause;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Followed;
import choir.server.reading.ObservationStore;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What is observed to be as desired is as good as verified, whoever put it there. */
@Component
public class Baselines implements Followed {
    private final ObservationStore observations;
    private final Standings standings;

    Baselines(ObservationStore observations, Standings standings) {
        this.observations = observations;
        this.standings = standings;
    }

    @Override
    public void by(String recorder, Outcome outcome) {
        if (outcome instanceof Outcome.Reached) {
            take(standings.ofRecorder(recorder).values());
        }
    }

    /** Takes what was just read to be in tune as the baseline of later comparisons; within the reading's transaction. */
    public void take(Collection<Standing> read) {
        read.forEach(standing -> observations.verified(standing.row().id(), inTune(standing)));
    }

    private static Map<SettingKey, NativeValue> inTune(Standing standing) {
        Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
        standing.held().ifPresent(held -> {
            for (var deviation : standing.deviations()) {
                var key = deviation.key();
                if (deviation.cause() == Cause.IN_TUNE
                        && !held.get(key).equals(standing.baseline().get(key))) {
                    held.get(key).ifPresent(value -> values.put(key, value));
                }
            }
        });
        return values;
    }
}
