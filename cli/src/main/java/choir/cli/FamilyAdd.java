package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "add", description = "Add a family from its file, or replace one that was added before.")
final class FamilyAdd extends Act {
    private static final Pattern NAME = Pattern.compile("(?m)^family: *([^\\s#]+)");

    @Parameters(paramLabel = "FILE", description = "see: choir family show tern")
    private Path file = Path.of("");

    @Option(names = "--try", description = "say what would move at cameras of the family, and change nothing")
    private boolean onlyTry;

    @Option(names = "--yes", description = "do not ask when cameras are of it already")
    private boolean yes;

    @Override
    int run(Client service) {
        var text = Texts.read(file);
        var name = NAME.matcher(text);
        if (!name.find()) {
            throw new Failure(Failure.FAILED, file + " names no family; expected a line such as \"family: skua\"");
        }
        var family = name.group(1);
        var moves = service.post("/api/v1/family-drafts", Map.of("text", text));
        if (moves.path("inUse").asBoolean()) {
            tell(family, moves);
        }
        if (onlyTry) {
            say(
                    moves.path("inUse").asBoolean()
                            ? "nothing was changed"
                            : "the file can be read; no camera is of it yet");
            return Failure.DONE;
        }
        boolean isAsked = moves.path("moved").asInt() > 0 && !yes;
        if (isAsked && !Confirmation.given("Take this file for the family " + family + "?")) {
            throw new Failure(Failure.FAILED, "nothing was changed; say yes, or give --yes where nobody can be asked");
        }
        service.write("PUT", "/api/v1/families/" + Client.encode(family), Map.of("text", text), Optional.empty());
        say("added the family " + family
                + (moves.path("inUse").asBoolean()
                        ? "; see what waits to be given out with: choir preview family:" + family
                        : "; add a recorder of it with: choir recorder add --family " + family));
        return Failure.DONE;
    }

    private void tell(String family, JsonNode moves) {
        int moved = moves.path("moved").asInt();
        say(Texts.count(moves.path("cameras").asInt(), "camera") + " of the family " + family + "; "
                + (moved == 0 ? "for none of them" : "for " + moved)
                + " something else would be asked of the recorder");
        if (moved > 0) {
            var table = new Table("cameras", "setting", "asked now", "asked then");
            for (var m : moves.path("settings")) {
                table.row(
                        Listing.number(m, "cameras"),
                        Listing.text(m, "title"),
                        m.hasNonNull("before") ? Listing.text(m, "before") : "nothing",
                        m.hasNonNull("after")
                                ? Listing.text(m, "after")
                                : m.hasNonNull("why") ? Listing.text(m, "why") : "nothing");
            }
            table.print(out(), Table.terminalWidth());
        }
    }
}
