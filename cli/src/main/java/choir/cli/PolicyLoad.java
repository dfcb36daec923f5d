package choir.cli;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "load",
        description = "Show what policy files would change, ask, and take all of them or none.",
        footer = "What the files do not name is left alone, unless --prune is said.")
final class PolicyLoad extends Act {
    @Parameters(paramLabel = "FILE-OR-FOLDER", arity = "1..*")
    private List<Path> paths = List.of();

    @Option(names = "--prune", description = "also remove templates, uses and overrides that the files do not name")
    private boolean prune;

    @Option(names = "--new-groups", description = "make groups that are named and not there; otherwise that is a fault")
    private boolean newGroups;

    @Option(
            names = "--in-force-since",
            paramLabel = "DATE",
            description =
                    "what the files say has been in force since that day, such as 2026-03-01; what was recorded is"
                            + " compared with it")
    private @Nullable String inForceSince;

    @Option(names = "--yes", description = "do not ask; json and csv ask nothing, and without it say what would change")
    private boolean yes;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var files = PolicyFolder.read(paths);
        var tried = tried(service, files, prune, newGroups);
        var changes = tried.path("changes");
        if (changes.isEmpty() || !yes) {
            // A program is asked nothing: it says --yes once it has read what would change.
            if (listing.isForPrograms(out(), tried, () -> Listing.items(changes))) {
                return changes.isEmpty() ? Failure.DONE : Failure.FOUND;
            }
        }
        if (listing.isTable()) {
            print(this, tried);
        }
        if (changes.isEmpty()) {
            return Failure.DONE;
        }
        if (listing.isTable()) {
            PreviewText.proof(out(), service.post("/api/v1/proofs", Map.of("files", files, "prune", prune)));
        }
        if (!yes && !Confirmation.given("Take these changes?")) {
            throw new Failure(Failure.FAILED, "nothing was taken; say --yes to take them without a question");
        }
        Map<String, Object> body =
                new HashMap<>(Map.of("files", files, "prune", prune, "onlyTry", false, "newGroups", newGroups));
        if (inForceSince != null) {
            body.put("inForceSince", inForceSince);
        }
        var taken = service.post("/api/v1/policy", body);
        if (listing.isForPrograms(out(), taken, () -> Listing.items(taken.path("changes")))) {
            return Failure.DONE;
        }
        say("took " + Texts.count(taken.path("changes").size(), "change") + "; see what they do with: choir preview");
        return Failure.DONE;
    }

    static JsonNode tried(Client service, List<Map<String, String>> files, boolean prune, boolean newGroups) {
        return service.post(
                "/api/v1/policy", Map.of("files", files, "prune", prune, "onlyTry", true, "newGroups", newGroups));
    }

    static void print(Act act, JsonNode tried) {
        var changes = tried.path("changes");
        var table = new Table("what", "where", "change");
        changes.forEach(c -> table.row(Listing.text(c, "kind"), Listing.text(c, "subject"), Listing.text(c, "what")));
        if (table.isEmpty()) {
            act.say("nothing would change");
        } else {
            table.print(act.out(), Table.terminalWidth());
        }
        warn(act, tried);
    }

    /** Policies that defeat themselves. */
    static void warn(Act act, JsonNode answer) {
        answer.path("warnings").forEach(w -> act.say("mind: " + w.asString("")));
    }
}
