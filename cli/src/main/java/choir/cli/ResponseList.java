package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "list", description = "Which responses recorders hold, and when each was last tried.")
final class ResponseList extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var found = service.get("/api/v1/responses" + Client.query(Map.of("select", Selections.joined(words, ""))));
        listing.print(
                out(),
                Listing.items(found),
                new Table("camera", "response", "held", "test", "last", "outcome"),
                r -> new String[] {
                    Listing.text(r, "camera"),
                    Listing.text(r, "setting"),
                    Listing.text(r, "held"),
                    r.path("tests").asBoolean() ? "recorder" : "by hand",
                    r.hasNonNull("last")
                            ? listing.isTable()
                                    ? Times.of(Listing.text(r.path("last"), "at"))
                                    : Listing.text(r.path("last"), "at")
                            : "never",
                    outcome(r.path("last"))
                },
                "no recorder holds a response there");
        return Failure.DONE;
    }

    static String outcome(JsonNode last) {
        if (last.isMissingNode() || last.isNull()) {
            return "";
        }
        var words = !last.hasNonNull("came")
                ? "nobody has said whether it came"
                : last.path("came").asBoolean() ? "came" : "did not come";
        var said = Listing.text(last, "said");
        var note = Listing.text(last, "note");
        return words
                + (said.startsWith("refused") ? " (" + said + ")" : "")
                + (note.isEmpty() ? "" : ", " + note)
                + (last.path("since").asBoolean() ? "; held " + Listing.text(last, "held") + " then" : "");
    }
}
