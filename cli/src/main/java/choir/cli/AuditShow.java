package choir.cli;

import java.time.Instant;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "show",
        description = "One audit: whose it was, what it came to, and what it found first and is open still.")
final class AuditShow extends Act {
    @Parameters(paramLabel = "ID", description = "see: choir audit list")
    private long id;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var audit = service.get("/api/v1/works/" + id);
        if (!Listing.text(audit, "kind").equals("audit")) {
            throw new Failure(
                    Failure.FAILED,
                    id + " is a " + Listing.text(audit, "kind") + " and no audit; see: choir audit list");
        }
        if (listing.isTable()) {
            var selection = Listing.text(audit, "selection");
            say("audit " + id + " of " + (selection.isEmpty() ? "all cameras" : selection) + ", by "
                    + Listing.text(audit, "who") + ", " + Times.of(Listing.text(audit, "createdAt")) + ": "
                    + Listing.text(audit, "state") + ", "
                    + Texts.count(
                            audit.path("done").asInt() - audit.path("failed").asInt(), "recorder") + " read"
                    + (audit.path("failed").asInt() > 0
                            ? ", " + audit.path("failed").asInt() + " not"
                            : ""));
            say(Listing.text(audit, "note"));
            say("");
        }
        var first = service.all(Client.select("/api/v1/findings", Listing.text(audit, "selection"))).stream()
                .filter(f -> isOf(audit, f))
                .toList();
        FindingRows.print(out(), listing, first, "it found nothing that is open still and was not known before");
        return Failure.DONE;
    }

    private static boolean isOf(JsonNode audit, JsonNode finding) {
        var seen = Instant.parse(Listing.text(finding, "firstSeen"));
        return !seen.isBefore(Instant.parse(Listing.text(audit, "createdAt")))
                && (!audit.hasNonNull("endedAt") || !seen.isAfter(Instant.parse(Listing.text(audit, "endedAt"))));
    }
}
