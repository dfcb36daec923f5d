package choir.server.standing;

import choir.drift.Cause;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Followed;
import choir.server.reading.ObservationStore;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What is observed to be as desired is as good as verified, whoever put it there. */
@Component
@Order(2)
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
            standings
                    .ofRecorder(recorder)
                    .values()
                    .forEach(standing -> observations.agreed(standing.row().id(), inTune(standing)));
        }
    }

    private static Map<SettingKey, NativeValue> inTune(Standing standing) {
        Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
        standing.held().ifPresent(held -> {
            for (var deviation : standing.deviations()) {
                var key = deviation.key();
                if (deviation.cause() == Cause.IN_TUNE) {
                    held.get(key)
                            .filter(value -> isNews(standing, key, value))
                            .ifPresent(value -> values.put(key, value));
                }
            }
        });
        return values;
    }

    /** It was not known to agree, or not to take just this value. */
    private static boolean isNews(Standing standing, SettingKey key, NativeValue value) {
        var attempt = standing.known().attempts().get(key);
        return !standing.baseline().get(key).equals(Optional.of(value))
                || attempt != null && attempt.written().equals(value);
    }
}
