package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(
        name = "undo",
        description = "Write back what the cameras held before; the policy stays, so they will show as waiting.")
final class RolloutUndo extends Act {
    @Parameters(index = "0", paramLabel = "ID")
    private long id;

    @Parameters(
            index = "1..*",
            paramLabel = "SELECTION",
            arity = "0..*",
            description = "the cameras of the rollout that are put back; all of them if not said")
    private List<String> words = List.of();

    @Mixin
    private RolloutTerms terms = new RolloutTerms();

    @Override
    int run(Client service) {
        terms.ask("Write back to the recorders what was there before rollout " + id + "?", "nothing was put back");
        var body = terms.body();
        body.put("select", Selections.joined(words, ""));
        var started = service.post("/api/v1/rollouts/" + id + "/undo", body);
        say("rollout " + Listing.number(started, "id") + " undoes rollout " + id);
        return RolloutShow.follow(
                this,
                service,
                started,
                "the policy was left as it is, so the cameras that were put back are waiting now");
    }
}
