package choir.cli;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "start", description = "Give out what a preview showed, or what a selection needs now.")
final class RolloutStart extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--preview", paramLabel = "ID", description = "the preview to give out")
    private @Nullable Long preview;

    @Option(names = "--first", defaultValue = "3", paramLabel = "COUNT", description = "cameras that go first")
    private int first = 3;

    @Option(
            names = "--may-fail",
            defaultValue = "0",
            paramLabel = "PERCENT",
            description = "share of a wave that may fail before the rest is left alone")
    private int mayFail;

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

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
        var started =
                service.post("/api/v1/rollouts", Map.of("preview", id, "first", first, "maxFailedPercent", mayFail));
        say("rollout " + Listing.number(started, "id"));
        var ended = finish(service, started);
        say(Listing.text(ended, "note"));
        return RolloutShow.exitCode(ended);
    }

    private long previewed(Client service) {
        var made = service.post("/api/v1/previews", Map.of("select", Selections.joined(words, "")));
        PreviewText.print(out(), made);
        if (made.path("cameras").isEmpty()) {
            return -1;
        }
        if (!yes && !Confirmation.given("Write this to the recorders?")) {
            throw new Failure(Failure.FAILED, "nothing was given out; say --yes to start without a question");
        }
        return made.path("id").asLong();
    }
}
