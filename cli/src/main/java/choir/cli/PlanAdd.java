package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Audit a selection at set times.")
final class PlanAdd extends Act {
    @Parameters(
            index = "0",
            paramLabel = "CRON",
            description = "minute, hour, day of month, month, day of week, such as \"20 2 * * *\" for 02:20 each night")
    private String cron = "";

    @Parameters(index = "1..*", paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Override
    int run(Client service) {
        var plan = service.post(
                "/api/v1/plans", Map.of("kind", "audit", "cron", cron, "select", Selections.joined(words, "")));
        say("plan " + Listing.number(plan, "id") + ": " + Listing.text(plan, "words") + " ("
                + Listing.text(plan, "zone") + "), next " + PlanList.next(plan));
        return Failure.DONE;
    }
}
