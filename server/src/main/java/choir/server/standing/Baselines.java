package choir.server.standing;

import choir.drift.Cause;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.server.db.Database;
import choir.server.reading.ObservationStore;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What is observed to be as desired is as good as verified, whoever put it there. */
@Component
public class Baselines {
    private record Fresh(Standing standing, Map<SettingKey, NativeValue> values) {}

    private final ObservationStore observations;
    private final Database database;

    Baselines(ObservationStore observations, Database database) {
        this.observations = observations;
        this.database = database;
    }

    /** Takes what was just read to be in tune as the baseline of later comparisons. */
    public void take(Collection<Standing> read) {
        List<Fresh> fresh = new ArrayList<>();
        for (var standing : read) {
            var values = inTune(standing);
            if (!values.isEmpty()) {
                fresh.add(new Fresh(standing, values));
            }
        }
        if (!fresh.isEmpty()) {
            database.write(() -> fresh.forEach(f -> observations.verified(
                    f.standing().camera().id(), f.standing().baseline(), f.values())));
        }
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
