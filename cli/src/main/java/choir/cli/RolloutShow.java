package choir.cli;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "One rollout: each camera, what was written, and whether it took.")
final class RolloutShow extends Act {
    private static final String INDENT = "  ";
    private static final Set<String> QUIET = Set.of("verified", "planned");

    @Parameters(paramLabel = "ID")
    private long id;

    @Mixin
    private Listing listing = new Listing();

    @Option(names = "--all", description = "each camera on its own, and not equal steps once")
    private boolean all;

    @Override
    int run(Client service) {
        var view = service.get("/api/v1/rollouts/" + id);
        if (!listing.isForPrograms(out(), view, () -> Listing.items(view.path("steps")))) {
            print(view);
        }
        return exitCode(view.path("work"), view.path("counts"));
    }

    private void print(JsonNode view) {
        say("rollout " + id + ": " + Listing.text(view.path("work"), "state") + "; "
                + Listing.text(view.path("work"), "note"));
        if (all) {
            steps(view);
        } else {
            folds(view);
        }
    }

    /** A paragraph for all cameras of which the same was asked and to which the same happened. */
    private void folds(JsonNode view) {
        int folded = 0;
        for (var fold : view.path("folds")) {
            var cameras =
                    fold.path("cameras").valueStream().map(c -> c.asString("")).toList();
            folded += cameras.size() - 1;
            var state = Listing.text(fold, "state");
            say("");
            say((QUIET.contains(state) ? state : ansi().string("@|bold " + state + "|@")) + ", "
                    + Texts.count(cameras.size(), "camera"));
            indented(Texts.few(cameras));
            indented(Listing.text(fold, "detail"));
            indented(changes(fold));
        }
        if (folded > 0) {
            say("");
            say("equal steps once; --all shows each camera on its own");
        }
    }

    private void indented(String text) {
        Table.terminalWidth().map(width -> Table.wrap(text, width - INDENT.length())).orElse(List.of(text)).stream()
                .filter(line -> !line.isEmpty())
                .forEach(line -> say(INDENT + line));
    }

    private void steps(JsonNode view) {
        listing.print(
                out(),
                Listing.items(view.path("steps")),
                new Table("camera", "label", "wave", "state", "changes", "detail"),
                s -> new String[] {
                    Listing.text(s, "camera"),
                    Listing.text(s, "label"),
                    Listing.number(s, "wave"),
                    Listing.text(s, "state"),
                    changes(s),
                    Listing.text(s, "detail")
                },
                "no step");
    }

    /** Follows a rollout that was started; one that waits for a second person is not waited for. */
    static int follow(Act act, Client service, JsonNode started, String also) {
        if (Listing.text(started, "state").equals("asked")) {
            var id = Listing.number(started, "id");
            act.say("nothing is written before somebody else lets it go: choir rollout approve " + id);
            return Failure.DONE;
        }
        return told(act, service, act.finish(service, started), also);
    }

    /** How a rollout ended, and what else there is to say when something of it was written. */
    private static int told(Act act, Client service, JsonNode ended, String also) {
        var counts = service.get("/api/v1/rollouts/" + ended.path("id").asLong() + "/counts");
        boolean some = counts.path("verified").asInt() > 0;
        act.say(Listing.text(ended, "note") + (also.isEmpty() || !some ? "" : "; " + also));
        return exitCode(ended, counts);
    }

    private static String changes(JsonNode step) {
        return step.path("changes").values().stream()
                .map(c -> Listing.text(c, "title") + " " + (c.has("before") ? Listing.text(c, "before") : "-") + " -> "
                        + Listing.text(c, "after"))
                .collect(Collectors.joining("; "));
    }

    /** While it goes on, nothing is wrong yet. */
    private static int exitCode(JsonNode work, JsonNode counts) {
        int notWell = Stream.of("failed", "mismatched", "unsettled")
                .mapToInt(state -> counts.path(state).asInt())
                .sum();
        if (notWell > 0 || Listing.text(work, "state").equals("failed")) {
            return Failure.FAILED;
        }
        return counts.path("skipped").asInt() > 0 ? Failure.FOUND : Failure.DONE;
    }
}
