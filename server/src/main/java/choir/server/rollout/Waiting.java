package choir.server.rollout;

import choir.family.NativeConfig;
import choir.fleet.Node;
import choir.rollout.Changes;
import choir.server.fleet.PauseStore;
import choir.server.forecast.Forecasts;
import choir.server.standing.Standing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** What giving out everything that waits would come to, as a preview says it; nothing is kept of it. */
@Component
public class Waiting {
    /** @param pauses what would stop recording while it is written */
    public record Cost(Price price, List<Preview.Pause> pauses) {}

    private final PauseStore paused;
    private final WritingTimes times;
    private final Forecasts forecasts;

    Waiting(PauseStore paused, WritingTimes times, Forecasts forecasts) {
        this.paused = paused;
        this.times = times;
        this.forecasts = forecasts;
    }

    /** Empty when nothing waits that could be given out. */
    public Optional<Cost> cost(List<Standing> cameras) {
        var pricing = new Pricing();
        Map<Node.Camera, NativeConfig> after = new HashMap<>();
        Map<String, WritingTimes.Planned> written = new TreeMap<>();
        var left = paused.inForce();
        for (var standing : cameras) {
            if (standing.family().onSite()
                    || left.containsKey(standing.recorder().name())
                    || standing.held().isEmpty()) {
                continue;
            }
            var changes = Previews.changes(standing, Set.of());
            if (!changes.isEmpty()) {
                pricing.add(standing, changes);
                after.put(standing.camera(), Changes.taken(standing.held().orElseThrow(), changes));
                WritingTimes.plan(written, standing);
            }
        }
        return after.isEmpty()
                ? Optional.empty()
                : Optional.of(new Cost(
                        pricing.price(forecasts.difference(after)), times.pauses(List.copyOf(written.values()))));
    }
}
