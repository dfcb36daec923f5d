package choir.cli;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "status", description = "The fleet in one screen.")
final class StatusCommand extends Act {
    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var overview = service.get("/api/v1/overview");
        if (listing.isForPrograms(out(), overview, () -> List.of(Records.figures(overview)))) {
            return Failure.DONE;
        }
        int cameras = overview.path("cameras").asInt();
        int inTune = overview.path("inTune").asInt();
        int notGoverned = overview.path("notGoverned").asInt();
        int astray = cameras - inTune - notGoverned;
        int ways = overview.path("drifted").asInt()
                + overview.path("waiting").asInt()
                + overview.path("unknown").asInt();
        say(Texts.count(cameras, "camera") + " on "
                + Texts.count(overview.path("recorders").asInt(), "recorder") + ": " + inTune + " in tune"
                + (astray > 0 ? ", " + astray + " not" : "")
                + (notGoverned > 0 ? ", " + notGoverned + " governed by no policy" : "")
                + (ways > astray ? "; some are not in tune in more than one way:" : ""));
        line("drifted", overview.path("drifted").asInt(), "choir finding list");
        line("waiting to be given out", overview.path("waiting").asInt(), "choir preview state:waiting");
        line("not read", overview.path("unknown").asInt(), "choir recorder list");
        line("governed by no policy", overview.path("notGoverned").asInt(), "choir camera list state:not-governed");
        int atRisk = overview.path("atRisk").asInt();
        if (atRisk > 0) {
            say(ansi().string("@|bold " + atRisk + " cameras lose footage they should keep|@: together "
                    + Minutes.duration(overview.path("minutesWithoutRecording").asLong())
                    + " a week without recording"));
        }
        for (JsonNode away : overview.path("away")) {
            say(Listing.text(away, "trouble"));
        }
        overview.path("paused").forEach(words -> say(words.asString("")));
        since(service.get("/api/v1/overview/since"));
        return Failure.DONE;
    }

    /** What is new to whoever asks; looking here is not looking at the overview, so that a program does not look for people. */
    private void since(JsonNode since) {
        var parts = Stream.of(
                        part(since, "opened", "finding came", "findings came"),
                        part(since, "ended", "went", "went"),
                        part(since, "changes", "change by others", "changes by others"))
                .flatMap(Optional::stream)
                .toList();
        if (since.hasNonNull("since")) {
            say("since you last looked at the overview (" + Times.of(Listing.text(since, "since")) + "): "
                    + (parts.isEmpty() ? "nothing new" : String.join(", ", parts)));
        }
    }

    private static Optional<String> part(JsonNode since, String key, String one, String many) {
        int count = since.path(key).asInt();
        return count == 0 ? Optional.empty() : Optional.of(count + " " + (count == 1 ? one : many));
    }

    private void line(String what, int count, String next) {
        if (count > 0) {
            say("  %4d %-26s see: %s".formatted(count, what, next));
        }
    }
}
