package choir.cli;

import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

@Command(name = "show", description = "One finding: cause, size, what is asked and what is held.")
final class FindingShow extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var f = service.get("/api/v1/findings/" + id);
        var history = service.get("/api/v1/findings/" + id + "/history");
        var whole = ((ObjectNode) f).deepCopy().set("history", history);
        if (listing.isForPrograms(out(), whole, () -> List.of(f))) {
            return Failure.DONE;
        }
        say((f.has("camera")
                        ? Listing.text(f, "camera") + "  " + Listing.text(f, "label")
                        : Listing.text(f, "recorder"))
                + "  " + Listing.text(f, "severity").toLowerCase(Locale.ROOT));
        say(Listing.text(f, "sentence"));
        line("ought to hold", Listing.text(f, "desired"));
        line("holds", Listing.text(f, "observed"));
        line("seen to by", Listing.text(f, "assignedTo"));
        line("note", Listing.text(f, "assignedNote"));
        line("accepted until", Listing.text(f, "acceptedUntil"));
        line("cause", Listing.text(f, "cause"));
        line("first seen", Times.of(Listing.text(f, "firstSeen")));
        line("last seen", Times.of(Listing.text(f, "lastSeen")));
        if (f.has("returns")) {
            line("came back after", "finding " + Listing.number(f, "returns"));
        }
        if (f.has("endedAt")) {
            line("ended", Times.of(Listing.text(f, "endedAt")) + ", " + Listing.text(f, "endedBy"));
        } else {
            if (Listing.text(f, "about").equals("clock")) {
                line("set it with", "choir recorder set-clock " + Listing.text(f, "recorder"));
            }
            hint(f, "reapply", "give it out again with");
            hint(f, "adopt", "make it the camera's own policy with");
            hint(f, "accept", "leave it as it is with");
        }
        history(Listing.items(history));
        return Failure.DONE;
    }

    private void hint(JsonNode finding, String act, String words) {
        if (finding.path("acts").values().stream().anyMatch(a -> a.asString("").equals(act))) {
            line(words, "choir finding " + act + " " + id);
        }
    }

    private void history(List<JsonNode> events) {
        if (events.size() < 2) {
            return;
        }
        say("");
        for (var e : events) {
            var line = new StringBuilder(Times.of(Listing.text(e, "at")))
                    .append("  ")
                    .append(e.has("who") ? Listing.text(e, "who") + " " : "")
                    .append(Listing.text(e, "what"));
            add(line, " it, to ", Listing.text(e, "to"));
            add(line, " it until ", Listing.text(e, "until"));
            add(line, ": ", Listing.text(e, "note"));
            say("  " + line
                    + (e.path("finding").asLong() == id ? "" : "  (finding " + Listing.number(e, "finding") + ")"));
        }
    }

    private static void add(StringBuilder line, String before, String text) {
        if (!text.isEmpty()) {
            line.append(before).append(text);
        }
    }

    private void line(String what, String text) {
        if (!text.isEmpty()) {
            say("  " + what + ": " + text);
        }
    }
}
