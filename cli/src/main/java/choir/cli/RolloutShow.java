package choir.cli;

import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "One rollout: each camera, what was written, and whether it took.")
final class RolloutShow extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var view = service.get("/api/v1/rollouts/" + id);
        if (!listing.isJson()) {
            say("rollout " + id + ": " + Listing.text(view.path("work"), "state") + "; "
                    + Listing.text(view.path("work"), "note"));
        }
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
        return exitCode(view.path("work"));
    }

    private static String changes(JsonNode step) {
        return step.path("changes").values().stream()
                .map(c -> Listing.text(c, "title") + " " + (c.has("before") ? Listing.text(c, "before") : "-") + " -> "
                        + Listing.text(c, "after"))
                .collect(Collectors.joining("; "));
    }

    static int exitCode(JsonNode work) {
        return Listing.text(work, "state").equals("done") && work.path("failed").asInt() == 0
                ? Failure.DONE
                : Failure.FAILED;
    }
}
