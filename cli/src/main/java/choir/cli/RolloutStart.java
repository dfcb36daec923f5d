package choir.cli;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "start", description = "Give out what a preview showed, or what a selection needs now.")
final class RolloutStart extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--preview", paramLabel = "PREVIEW", description = "the preview to give out")
    private @Nullable Long preview;

    @Mixin
    private RolloutTerms terms = new RolloutTerms();

    @Override
    int run(Client service) {
        if (preview != null && !words.isEmpty()) {
            throw new Failure(Failure.WRONG_USAGE, "say a preview or a selection, not both");
        }
        long id = preview != null ? preview : previewed(service);
        if (id < 0) {
            say("nothing to change");
            return Failure.DONE;
        }
        terms.ask("Write this to the recorders?", "nothing was given out");
        var body = terms.body();
        body.put("preview", id);
        var started = service.post("/api/v1/rollouts", body);
        say("rollout " + Listing.number(started, "id"));
        return RolloutShow.follow(this, service, started, "");
    }

    private long previewed(Client service) {
        var made = service.post("/api/v1/previews", Map.of("select", Selections.joined(words, "")));
        PreviewText.print(out(), made, PreviewText.Detail.FOLDED);
        if (made.path("cameras").isEmpty()) {
            if (!made.path("leftAlone").isEmpty()) {
                throw new Failure(Failure.FAILED, "nothing was given out; recorders are paused, see above");
            }
            if (!made.path("unread").isEmpty()) {
                throw new Failure(
                        Failure.NOT_REACHABLE,
                        "nothing was given out; what these cameras hold is not known, see above");
            }
            return -1;
        }
        return made.path("id").asLong();
    }
}
