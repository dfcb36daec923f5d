package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "list", description = "All recorders, and why one does not answer.")
final class RecorderList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/recorders")),
                new Table("recorder", "family", "model", "firmware", "zone", "read", "state"),
                r -> new String[] {
                    Listing.text(r, "name"),
                    Listing.text(r, "family"),
                    (Listing.text(r, "manufacturer") + " " + Listing.text(r, "model")).strip(),
                    Listing.text(r, "firmware"),
                    Listing.text(r, "zone"),
                    Times.of(Listing.text(r, "readAt")),
                    state(r)
                },
                "no recorder yet; add one with: choir recorder add");
        return Failure.DONE;
    }

    static String state(JsonNode recorder) {
        var trouble = Listing.text(recorder, "trouble");
        if (recorder.has("pausedUntil")) {
            return "paused until " + Listing.text(recorder, "pausedUntil") + ": "
                    + Listing.text(recorder, "pausedBecause");
        }
        long ahead = recorder.path("clockAheadSeconds").asLong();
        if (!trouble.isEmpty()) {
            return trouble;
        }
        if (Listing.text(recorder, "readAt").isEmpty()) {
            return "not read yet";
        }
        return Math.abs(ahead) > 30
                ? "clock " + Math.abs(ahead) / 60 + " min " + (ahead < 0 ? "slow" : "fast")
                : "answers";
    }
}
