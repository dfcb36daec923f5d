package choir.cli;

import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "One finding: cause, size, what is asked and what is held.")
final class FindingShow extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        var f = service.get("/api/v1/findings/" + id);
        say((f.has("camera")
                        ? Listing.text(f, "camera") + "  " + Listing.text(f, "label")
                        : Listing.text(f, "recorder"))
                + "  " + Listing.text(f, "severity").toLowerCase(Locale.ROOT));
        say(Listing.text(f, "sentence"));
        line("ought to hold", Listing.text(f, "desired"));
        line("holds", Listing.text(f, "observed"));
        line("cause", Listing.text(f, "cause"));
        line("first seen", Times.of(Listing.text(f, "firstSeen")));
        line("last seen", Times.of(Listing.text(f, "lastSeen")));
        if (f.has("returns")) {
            line("came back after", "finding " + Listing.number(f, "returns"));
        }
        if (f.has("endedAt")) {
            line("ended", Times.of(Listing.text(f, "endedAt")) + ", " + Listing.text(f, "endedBy"));
        } else if (Selections.list(f.path("acts")).contains("reapply")) {
            line("give it out again with", "choir finding reapply " + id);
        }
        return Failure.DONE;
    }

    private void line(String what, String text) {
        if (!text.isEmpty()) {
            say("  " + what + ": " + text);
        }
    }
}
