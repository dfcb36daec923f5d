package choir.server.plan;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;

/** Plans that did not do what they should the last time. */
@Component
public class PlanTroubles {
    /** @param about what it is and when it comes, in words */
    public record Trouble(String about, String why, Instant since) {}

    private final PlanStore store;

    PlanTroubles(PlanStore store) {
        this.store = store;
    }

    /** Of those that this person made. */
    public List<Trouble> of(String who) {
        return store.all().stream()
                .filter(p -> p.who().equals(who))
                .flatMap(p ->
                        p
                                .trouble()
                                .map(why -> new Trouble(p.about(), why, p.last().orElse(Instant.EPOCH)))
                                .stream())
                .toList();
    }
}
