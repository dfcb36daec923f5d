package choir.cli;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "status", description = "The fleet in one screen.")
final class StatusCommand extends Act {
    private static final int MOST_OF_A_KIND = 5;

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
            say(ansi().string("@|bold " + Texts.count(atRisk, "camera") + (atRisk == 1 ? " loses" : " lose")
                    + " footage that should be kept|@: together "
                    + Minutes.duration(overview.path("minutesWithoutRecording").asLong())
                    + " a week without recording"));
        }
        few(overview.path("away")
                .valueStream()
                .map(away -> Listing.text(away, "words"))
                .toList());
        few(overview.path("paused")
                .valueStream()
                .map(words -> words.asString(""))
                .toList());
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

    /** One screen, whatever there is to say. */
    private void few(List<String> words) {
        words.stream().limit(MOST_OF_A_KIND).forEach(this::say);
        if (words.size() > MOST_OF_A_KIND) {
            say("and " + (words.size() - MOST_OF_A_KIND) + " more; see: choir recorder list");
        }
    }

    private void line(String what, int count, String next) {
        if (count > 0) {
            say("  %4d %-26s see: %s".formatted(count, what, next));
        }
    }
}
