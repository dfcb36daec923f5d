package choir.server.fleet;

import choir.server.checkup.Check;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Whether the recorders answered when they were asked last. */
@Component
class RecordersCheck implements Check {
    private static final int MOST_NAMED = 5;

    private final FleetStore fleet;

    RecordersCheck(FleetStore fleet) {
        this.fleet = fleet;
    }

    @Override
    public String about() {
        return "recorders";
    }

    @Override
    public Seen look() {
        var asked =
                fleet.recorders().stream().filter(r -> r.address().isPresent()).toList();
        var silent = asked.stream()
                .filter(r -> r.contact().trouble().isPresent())
                .map(StoredRecorder::name)
                .toList();
        if (silent.isEmpty()) {
            return Seen.well("all " + asked.size() + " answered when they were asked last");
        }
        var named = silent.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
        return Seen.look(
                silent.size() + " of " + asked.size() + " could not be used when they were asked last: " + named
                        + (silent.size() > MOST_NAMED ? " and others" : ""),
                "choir recorder list says why");
    }
}
