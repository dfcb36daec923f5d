package choir.cli;

import java.util.List;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "compare",
        description = "What two revisions of a template say differently; the last two when none is named.")
final class TemplateCompare extends Act {
    @Parameters(index = "0", paramLabel = "TEMPLATE")
    private String name = "";

    @Parameters(index = "1", arity = "0..1", paramLabel = "OLDER")
    private @Nullable Integer older;

    @Parameters(index = "2", arity = "0..1", paramLabel = "NEWER")
    private @Nullable Integer newer;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var revisions = TemplateHistory.revisions(service, name);
        int last = revisions.getFirst().path("revision").asInt();
        int right = newer == null ? last : newer;
        int left = older == null ? Math.max(1, right - 1) : older;
        var differences = LineDifference.between(text(revisions, left), text(revisions, right));
        // For programs each line with the revision in which alone it stands.
        var rows = Client.JSON.createArrayNode();
        differences.forEach(line -> rows.addObject()
                .put("revision", line.startsWith("+") ? right : left)
                .put("line", line.substring(2)));
        if (listing.isForPrograms(out(), rows, () -> Listing.items(rows))) {
            return differences.isEmpty() ? Failure.DONE : Failure.FOUND;
        }
        if (differences.isEmpty()) {
            say("revisions " + left + " and " + right + " of " + name + " say the same");
            return Failure.DONE;
        }
        say(name + ", revision " + left + " (-) and " + right + " (+)");
        differences.forEach(line -> say(ansi().string(line.startsWith("+") ? "@|bold " + line + "|@" : line)));
        return Failure.FOUND;
    }

    private String text(List<JsonNode> revisions, int number) {
        return revisions.stream()
                .filter(r -> r.path("revision").asInt() == number)
                .findFirst()
                .map(r -> Listing.text(r, "text"))
                .orElseThrow(() -> new Failure(
                        Failure.FAILED, name + " has the revisions 1 to " + revisions.size() + ", not " + number));
    }
}
