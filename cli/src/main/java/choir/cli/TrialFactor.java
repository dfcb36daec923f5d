package choir.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "factor",
        description =
                "By what factor recorders of a kind see more than the model. With a selection it is looked for on the"
                        + " clips of those cameras, and kept where it brings the two together; trials then use it.")
final class TrialFactor extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "cameras with clips; without one, what is kept")
    private List<String> words = List.of();

    @Option(names = "--remove", paramLabel = "FAMILY[/MODEL]", description = "let go of one")
    private @Nullable String remove;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (remove != null) {
            var sides = remove.split("/", 2);
            Map<String, String> query = new LinkedHashMap<>();
            query.put("family", sides[0]);
            query.put("model", sides.length > 1 ? sides[1] : "");
            service.delete("/api/v1/level-factors" + Client.query(query), Optional.empty());
            say("no factor is kept for " + remove + " any more");
            return Failure.DONE;
        }
        if (!words.isEmpty()) {
            JsonNode found;
            try (var bar = new ProgressBar(errors(), "looking at their clips")) {
                bar.waiting();
                found = service.post("/api/v1/level-factors", Map.of("select", Selections.joined(words, "")));
            }
            found.path("said").forEach(s -> say(s.asString("")));
            return Failure.DONE;
        }
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/level-factors")),
                new Table("family", "model", "factor", "agreed before", "agreed after", "events", "who"),
                f -> new String[] {
                    Listing.text(f, "family"),
                    Listing.text(f, "model"),
                    f.path("factor").toString(),
                    f.path("agreedBefore") + (listing.isTable() ? " %" : ""),
                    f.path("agreedAfter") + (listing.isTable() ? " %" : ""),
                    f.path("events").toString(),
                    Listing.text(f, "who")
                },
                "no factor is kept; recorders are taken to see as the model does");
        return Failure.DONE;
    }
}
