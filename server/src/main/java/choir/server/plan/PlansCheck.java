package choir.server.plan;

import choir.server.checkup.Check;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Whether what is to happen by itself does. */
@Component
class PlansCheck implements Check {
    private final PlanStore store;

    PlansCheck(PlanStore store) {
        this.store = store;
    }

    @Override
    public String about() {
        return "plans";
    }

    @Override
    public Seen look() {
        var plans = store.all();
        var troubled = plans.stream().filter(p -> p.trouble().isPresent()).toList();
        if (!troubled.isEmpty()) {
            return Seen.look(
                    troubled.stream()
                            .map(p -> p.about() + ": " + p.trouble().orElse(""))
                            .collect(Collectors.joining("; ")),
                    "choir plan list");
        }
        if (plans.stream().noneMatch(p -> p.task() instanceof PlanTask.Audit)) {
            return Seen.look(
                    "nothing is audited by itself, so a camera that slips away is seen when somebody looks",
                    "choir plan add audit");
        }
        long ran = plans.stream().filter(p -> p.last().isPresent()).count();
        return Seen.well(
                ran == 0
                        ? "none of " + plans.size() + " has come due yet"
                        : ran == plans.size()
                                ? "all " + ran + " did what they should the last time"
                                : ran + " of " + plans.size()
                                        + " did what they should; the others have not come due yet");
    }
}
